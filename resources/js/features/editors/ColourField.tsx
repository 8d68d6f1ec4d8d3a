import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Popover } from 'radix-ui';
import { useEffect, useState } from 'react';
import { post } from '../../api/client';
import type { ColourReport } from '../../api/types';
import { recentColours, remember, usePaint } from './paint';

type Taken = { what: string; colour: string }[];

/** A colour as text in any CSS notation, with a swatch that opens lightness, chroma and hue, and colours to take over. */
export function ColourField({
    label,
    value,
    invalid,
    isText,
    onChange,
}: {
    label: string;
    value: string;
    invalid?: boolean;
    /** Whether it colours text, so that contrast is told. */
    isText?: boolean;
    onChange: (value: string) => void;
}) {
    const [open, setOpen] = useState(false);
    const [taking, setTaking] = useState(false);
    const { take } = usePaint();
    return (
        <span className="flex min-w-0 flex-1 items-center gap-2">
            <Popover.Root
                open={open}
                onOpenChange={(next) => {
                    if (!next) {
                        take(null);
                        setTaking(false);
                        if (value) remember(value);
                    }
                    setOpen(next);
                }}
            >
                <Popover.Trigger
                    aria-label={`Pick: ${label}`}
                    className="chequer h-7 w-9 shrink-0 overflow-hidden rounded-[4px] border border-line"
                >
                    <span className="block h-full w-full" style={{ background: value || 'transparent' }} />
                </Popover.Trigger>
                <Popover.Portal>
                    <Popover.Content
                        align="start"
                        sideOffset={6}
                        collisionPadding={8}
                        aria-label={label}
                        className="z-30 max-h-[78vh] w-76 overflow-y-auto border border-ink bg-paper p-3 text-sm"
                        onInteractOutside={(event) => taking && event.preventDefault()}
                        onFocusOutside={(event) => taking && event.preventDefault()}
                    >
                        <Picker value={value} isText={isText === true} taking={taking} onTaking={setTaking} onChange={onChange} />
                    </Popover.Content>
                </Popover.Portal>
            </Popover.Root>
            <input
                aria-label={label}
                aria-invalid={invalid || undefined}
                className="field min-w-0 font-mono text-sm"
                value={value}
                placeholder="any CSS colour"
                spellCheck={false}
                onChange={(event) => onChange(event.target.value)}
            />
        </span>
    );
}

const start = { lightness: 0.6, chroma: 0.08, hue: 60, alpha: 1 };

function Picker({
    value,
    isText,
    taking,
    onTaking,
    onChange,
}: {
    value: string;
    isText: boolean;
    taking: boolean;
    onTaking: (taking: boolean) => void;
    onChange: (value: string) => void;
}) {
    const { site, behind, needed, images, take } = usePaint();
    const [merged, setMerged] = useState(false);
    const grounds = isText ? behind : [];
    const report = useQuery({
        queryKey: ['colour', site, value || '#888', grounds, needed, merged],
        queryFn: ({ signal }) =>
            post<ColourReport | []>(`/api/sites/${site}/colour`, { value: value || '#888', behind: grounds, needed, merged }, signal),
        placeholderData: keepPreviousData,
    });
    const data = report.data && 'hex' in report.data ? report.data : undefined;
    const [own, setOwn] = useState<typeof start | null>(null);
    const [written, setWritten] = useState('');
    const [taken, setTaken] = useState<Taken>([]);
    const [image, setImage] = useState('');
    const [onlyReadable, setOnlyReadable] = useState(false);
    // A value that came from elsewhere moves the sliders; one that came from them doesn't.
    useEffect(() => {
        if (data && !report.isPlaceholderData && value !== written) setOwn(value ? pickTerms(data) : null);
    }, [data, report.isPlaceholderData, value]);
    const terms = own ?? start;
    const set = (change: Partial<typeof start>) => {
        const next = { ...terms, ...change };
        const text = oklch(next);
        setOwn(next);
        setWritten(text);
        onChange(text);
    };
    const use = (colour: string) => {
        remember(colour);
        onChange(colour);
    };
    const sampled = images.find((i) => i.path === image)?.samples ?? [];
    const palette = (data?.palette ?? []).filter((p) => !onlyReadable || p.ratio === null || p.ratio >= needed);
    return (
        <div className="grid gap-3">
            <div className="grid gap-1.5">
                {(
                    [
                        ['lightness', 'Lightness', 1, 0.005, (n: number) => `${Math.round(n * 100)} %`],
                        ['chroma', 'Chroma', 0.37, 0.002, (n: number) => n.toFixed(3)],
                        ['hue', 'Hue', 360, 1, (n: number) => `${Math.round(n)}°`],
                        ['alpha', 'Opacity', 1, 0.01, (n: number) => `${Math.round(n * 100)} %`],
                    ] as const
                ).map(([name, label, most, step, words]) => (
                    <label key={name} className="grid grid-cols-[4.5rem_1fr_3.2rem] items-center gap-2">
                        <span className="text-xs text-soft">{label}</span>
                        <input
                            type="range"
                            min={0}
                            max={most}
                            step={step}
                            value={terms[name]}
                            aria-valuetext={words(terms[name])}
                            className="track"
                            style={{ background: track(terms, name, most) }}
                            onChange={(e) => set({ [name]: Number(e.target.value) })}
                        />
                        <span className="text-right font-mono text-xs">{words(terms[name])}</span>
                    </label>
                ))}
            </div>
            {data && value && (
                <p className="flex flex-wrap items-baseline gap-x-3 text-xs">
                    <button type="button" className="link font-mono" title="Write it as hex digits" onClick={() => use(data.hex)}>
                        {data.hex}
                    </button>
                    {!data.inGamut && <span className="text-spill">beyond what many screens show</span>}
                    {isText && data.ratio !== null && (
                        <span className={data.ratio < needed ? 'font-semibold text-reach' : ''}>
                            contrast {data.ratio.toFixed(2)} : 1, {needed} is needed
                        </span>
                    )}
                    {isText && data.nearest && (
                        <button type="button" className="link" onClick={() => use(data.nearest ?? '')}>
                            nearest that passes: {data.nearest}
                        </button>
                    )}
                </p>
            )}
            <section>
                <div className="mb-1 flex items-baseline justify-between gap-2">
                    <h3 className="text-xs text-soft">The site’s own colours</h3>
                    <label className="flex items-center gap-1 text-xs text-soft">
                        <input type="checkbox" className="accent-green" checked={merged} onChange={(e) => setMerged(e.target.checked)} />
                        near ones as one
                    </label>
                    {isText && (
                        <label className="flex items-center gap-1 text-xs text-soft">
                            <input
                                type="checkbox"
                                className="accent-green"
                                checked={onlyReadable}
                                onChange={(e) => setOnlyReadable(e.target.checked)}
                            />
                            only readable here
                        </label>
                    )}
                </div>
                <ul className="grid grid-cols-8 gap-1">
                    {palette.map((colour) => (
                        <li key={colour.colour} className="relative">
                            <Swatch
                                colour={colour.colour}
                                label={`${colour.hex}, used ${colour.uses} times`}
                                title={`${colour.hex}${colour.variable ? `, ${colour.variable}` : ''}, used ${colour.uses} times${isText && colour.ratio !== null ? `, contrast ${colour.ratio.toFixed(1)} : 1` : ''}`}
                                onClick={() => use(colour.hex)}
                            />
                            {isText && colour.ratio !== null && colour.ratio < needed && (
                                <span
                                    aria-hidden
                                    className="pointer-events-none absolute inset-x-0 top-1/2 h-0.5 -rotate-45 bg-ink ring-1 ring-paper"
                                />
                            )}
                        </li>
                    ))}
                </ul>
                {palette.some((p) => p.variable) && (
                    <select
                        aria-label="Or a custom property of the theme"
                        className="field mt-1.5 py-1! font-mono text-xs"
                        value={/^var\((--[-\w]+)\)$/.exec(value)?.[1] ?? ''}
                        onChange={(e) => e.target.value && use(`var(${e.target.value})`)}
                    >
                        <option value="">or a custom property of the theme…</option>
                        {palette.map((p) => p.variable && <option key={p.variable}>{p.variable}</option>)}
                    </select>
                )}
            </section>
            <section className="grid gap-1.5">
                <div className="flex flex-wrap items-center gap-2">
                    <button
                        type="button"
                        aria-pressed={taking}
                        className="link text-xs aria-pressed:font-semibold"
                        onClick={() => {
                            onTaking(!taking);
                            take(
                                taking
                                    ? null
                                    : (colours) => {
                                          setTaken(colours);
                                          onTaking(false);
                                          if (colours[0]) use(colours[0].colour);
                                      },
                            );
                        }}
                    >
                        {taking ? 'Click something on the page…' : 'Take one off the page'}
                    </button>
                    <select
                        aria-label="Out of an image"
                        className="field w-auto! max-w-40 py-1! text-xs"
                        value={image}
                        onChange={(e) => setImage(e.target.value)}
                    >
                        <option value="">out of an image…</option>
                        {images.map((i) => i.samples.length > 0 && <option key={i.path}>{i.path}</option>)}
                    </select>
                </div>
                <Row colours={taken.map((t) => ({ colour: t.colour, label: t.what }))} heading="Off the page" onUse={use} />
                <Row colours={sampled.map((colour) => ({ colour, label: `${colour} in ${image}` }))} heading="In the image" onUse={use} />
                <Row colours={recentColours().map((colour) => ({ colour, label: colour }))} heading="Used before" onUse={use} />
            </section>
        </div>
    );
}

function Row({
    colours,
    heading,
    onUse,
}: {
    colours: { colour: string; label: string }[];
    heading: string;
    onUse: (colour: string) => void;
}) {
    if (colours.length === 0) return null;
    return (
        <div>
            <h3 className="mb-1 text-xs text-soft">{heading}</h3>
            <ul className="grid grid-cols-8 gap-1">
                {colours.map(({ colour, label }) => (
                    <li key={colour + label}>
                        <Swatch colour={colour} label={label} title={label} onClick={() => onUse(colour)} />
                    </li>
                ))}
            </ul>
        </div>
    );
}

function Swatch({ colour, label, title, onClick }: { colour: string; label: string; title: string; onClick: () => void }) {
    return (
        <button
            type="button"
            title={title}
            aria-label={label}
            className="chequer block h-6 w-full overflow-hidden rounded-[3px] border border-line"
            onClick={onClick}
        >
            <span className="block h-full w-full" style={{ background: colour }} />
        </button>
    );
}

const pickTerms = ({ lightness, chroma, hue, alpha }: ColourReport) => ({ lightness, chroma, hue, alpha });

function oklch({ lightness, chroma, hue, alpha }: typeof start): string {
    const round = (n: number, digits: number) => Number(n.toFixed(digits));
    return `oklch(${round(lightness * 100, 1)}% ${round(chroma, 3)} ${round(hue, 1)}${alpha < 1 ? ` / ${round(alpha * 100, 0)}%` : ''})`;
}

/** What a slider leads to, drawn along it. */
function track(terms: typeof start, name: keyof typeof start, most: number): string {
    const stops = [0, 0.25, 0.5, 0.75, 1].map((share) => oklch({ ...terms, alpha: name === 'alpha' ? share : 1, [name]: share * most }));
    return `linear-gradient(to right in oklch${name === 'hue' ? ' longer hue' : ''}, ${name === 'hue' ? `${stops[0]}, ${oklch({ ...terms, alpha: 1, hue: 359.9 })}` : stops.join(', ')})`;
}
