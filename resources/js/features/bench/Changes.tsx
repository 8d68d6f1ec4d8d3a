import { useState } from 'react';
import type { Declaration, PaletteColour, Picked, Tried } from '../../api/types';
import { Button } from '../../components/Button';
import { ColourField } from '../../components/ColourField';
import { borderName, borderParts, borderValue, lineStyles, sides, valueOf, withValue, type Side } from './declarations';

const plain = ['background-color', 'color', 'border-radius'];
const borders = sides.map(borderName);

/** The declarations: background, text colour, border by side and radius as fields, everything else as written. */
export function Changes({
    list,
    picked,
    tried,
    palette,
    onChange,
    firstRef,
}: {
    list: Declaration[];
    picked: Picked | undefined;
    tried: Tried | undefined;
    palette: PaletteColour[];
    onChange: (list: Declaration[]) => void;
    firstRef: React.RefObject<HTMLDivElement | null>;
}) {
    const written = list.find((d) => borders.includes(d.name));
    const [side, setSide] = useState<Side>(() => sides.find((s) => borderName(s) === written?.name) ?? 'left');
    const [name, setName] = useState('');
    const [value, setValue] = useState('');
    const border = borderParts(valueOf(list, borderName(side)));
    const finding = (property: string) => {
        const at = list.findIndex((d) => d.name === property);
        return at < 0 ? undefined : tried?.declarations[String(at)];
    };
    const was = (property: string) => picked?.provenance.find((p) => p.property === property)?.value;
    const reading = tried?.readings[0];
    const others = list.filter((d) => !plain.includes(d.name) && !borders.includes(d.name));
    const setBorder = (parts: Partial<typeof border>) => {
        const next = { ...border, ...parts };
        if (next.width && !next.style) next.style = 'solid';
        onChange(withValue(list, borderName(side), borderValue(next)));
    };
    return (
        <section aria-labelledby="changes-title" ref={firstRef}>
            <h2 id="changes-title" className="mb-1 text-sm font-semibold text-soft">
                Changes
            </h2>
            <div className="border-y border-line">
                <Row
                    label="Background"
                    aside={was('background-color') && `was ${short(was('background-color'))}`}
                    problem={finding('background-color')?.message}
                >
                    <ColourField
                        label="Background colour"
                        value={valueOf(list, 'background-color')}
                        palette={palette}
                        invalid={!!finding('background-color')}
                        onChange={(v) => onChange(withValue(list, 'background-color', v))}
                    />
                </Row>
                <Row
                    label="Text"
                    aside={reading ? `contrast ${reading.after.toFixed(1)} : 1` : picked && `was ${short(was('color'))}`}
                    problem={finding('color')?.message}
                >
                    <ColourField
                        label="Text colour"
                        value={valueOf(list, 'color')}
                        palette={palette}
                        invalid={!!finding('color')}
                        onChange={(v) => onChange(withValue(list, 'color', v))}
                    />
                </Row>
                <Row
                    label="Border"
                    aside={side === 'all' ? undefined : short(was(`border-${side}-width`)) && `was ${short(was(`border-${side}-width`))}`}
                    problem={finding(borderName(side))?.message}
                >
                    <div className="grid min-w-0 flex-1 gap-1.5">
                        <div role="radiogroup" aria-label="Side of the border" className="flex flex-wrap gap-1">
                            {sides.map((s) => (
                                <button
                                    key={s}
                                    type="button"
                                    role="radio"
                                    aria-checked={side === s}
                                    className={`rounded-[3px] border px-2 text-sm ${side === s ? 'border-ink bg-press' : 'border-line'}`}
                                    onClick={() => setSide(s)}
                                >
                                    {s}
                                    {list.some((d) => d.name === borderName(s)) && <span aria-label="has a value"> •</span>}
                                </button>
                            ))}
                        </div>
                        <div className="flex gap-1.5">
                            <input
                                aria-label={`Border width, ${side}`}
                                className="field w-20! font-mono text-sm"
                                placeholder="6px"
                                value={border.width}
                                onChange={(e) => setBorder({ width: e.target.value })}
                            />
                            <select
                                aria-label={`Border style, ${side}`}
                                className="field w-28! text-sm"
                                value={border.style}
                                onChange={(e) => setBorder({ style: e.target.value })}
                            >
                                <option value="">style</option>
                                {lineStyles.map((s) => (
                                    <option key={s}>{s}</option>
                                ))}
                            </select>
                        </div>
                        <ColourField
                            label={`Border colour, ${side}`}
                            value={border.colour}
                            palette={palette}
                            onChange={(colour) => setBorder({ colour })}
                        />
                    </div>
                </Row>
                <Row
                    label="Radius"
                    aside={was('border-top-left-radius') && `was ${was('border-top-left-radius')}`}
                    problem={finding('border-radius')?.message}
                >
                    <input
                        aria-label="Corner radius"
                        className="field font-mono text-sm"
                        placeholder="8px"
                        value={valueOf(list, 'border-radius')}
                        onChange={(e) => onChange(withValue(list, 'border-radius', e.target.value))}
                    />
                </Row>
                {others.map((d) => (
                    <Row key={d.name} label={d.name} mono problem={finding(d.name)?.message}>
                        <input
                            aria-label={`Value of ${d.name}`}
                            className="field font-mono text-sm"
                            value={d.value}
                            onChange={(e) => onChange(list.map((x) => (x === d ? { ...x, value: e.target.value } : x)))}
                        />
                        <Button look="quiet" aria-label={`Take ${d.name} away`} onClick={() => onChange(list.filter((x) => x !== d))}>
                            ×
                        </Button>
                    </Row>
                ))}
            </div>
            <form
                className="mt-2 flex gap-1.5"
                onSubmit={(event) => {
                    event.preventDefault();
                    if (name.trim() && value.trim()) {
                        onChange(withValue(list, name.trim().toLowerCase(), value.replace(/;\s*$/, '')));
                        setName('');
                        setValue('');
                    }
                }}
            >
                <input
                    aria-label="Another property"
                    className="field font-mono text-sm"
                    placeholder="another property"
                    value={name}
                    onChange={(e) => setName(e.target.value)}
                />
                <input
                    aria-label="Its value"
                    className="field font-mono text-sm"
                    placeholder="value"
                    value={value}
                    onChange={(e) => setValue(e.target.value)}
                />
                <Button type="submit">Add</Button>
            </form>
            {list.some((d) => d.enabled) && (
                <fieldset className="mt-2 flex flex-wrap gap-x-3 gap-y-1 text-sm">
                    <legend className="sr-only">Lines that are on</legend>
                    {list.map((d, i) => (
                        <label key={d.name} className="flex items-center gap-1.5">
                            <input
                                type="checkbox"
                                className="accent-green"
                                checked={d.enabled}
                                onChange={(e) => onChange(list.map((x, k) => (k === i ? { ...x, enabled: e.target.checked } : x)))}
                            />
                            <code className="font-mono text-xs">{d.name}</code>
                        </label>
                    ))}
                </fieldset>
            )}
        </section>
    );
}

function Row({
    label,
    aside,
    problem,
    mono,
    children,
}: {
    label: string;
    aside?: string | undefined;
    problem?: string | undefined;
    mono?: boolean;
    children: React.ReactNode;
}) {
    return (
        <div className="border-b border-line py-1.5 last:border-b-0">
            <div className="flex items-start gap-2">
                <span className={`w-24 shrink-0 pt-1 break-words ${mono ? 'font-mono text-xs' : ''}`}>{label}</span>
                <div className="flex min-w-0 flex-1 items-center gap-2">{children}</div>
            </div>
            {aside && <p className="pl-26 text-right text-xs text-soft">{aside}</p>}
            {problem && (
                <p role="status" className="pl-26 text-sm text-reach">
                    {problem}
                </p>
            )}
        </div>
    );
}

/** A computed value in few words: what shows nothing is “none”. */
function short(value: string | undefined): string {
    if (!value || value === 'rgba(0, 0, 0, 0)' || value.startsWith('0px none')) return 'none';
    return value.replace(
        /rgb\((\d+), (\d+), (\d+)\)/,
        (_, r, g, b) => '#' + [r, g, b].map((n) => Number(n).toString(16).padStart(2, '0')).join(''),
    );
}
