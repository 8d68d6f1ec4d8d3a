import { useEffect, useState } from 'react';
import type { Declaration, Finding, Layer, Picked, Shadow, Tried, Vocabulary } from '../../api/types';
import { Button } from '../../components/Button';
import { ColourField } from './ColourField';
import {
    borderName,
    borderParts,
    borderValue,
    lineStyles,
    shadowText,
    sides,
    valueOf,
    withLayers,
    withValue,
    type Side,
} from './declarations';
import { Layers } from './Layers';
import { usePaint } from './paint';
import { Among, Choice, Length, Row } from './Parts';
import { useVocabulary, valuesFor } from './useVocabulary';

const corners = ['all', 'top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;
const radiusName = (corner: (typeof corners)[number]) => (corner === 'all' ? 'border-radius' : `border-${corner}-radius`);
const spaceName = (what: 'padding' | 'margin', side: Side) => (side === 'all' ? what : `${what}-${side}`);
const borders = sides.map(borderName);
const backgrounds = /^background(?!-color$|-blend-mode$)/;

/** The properties that have a field of their own; all others are written as they are. */
const own = new Set([
    'background-color',
    'color',
    'box-shadow',
    'outline',
    'font-weight',
    'font-size',
    'text-align',
    'text-decoration',
    'display',
    'position',
    'width',
    ...borders,
    ...corners.map(radiusName),
    ...sides.flatMap((s) => [spaceName('padding', s), spaceName('margin', s)]),
]);

type Edit = {
    list: Declaration[];
    picked: Picked | undefined;
    tried: Tried | undefined;
    set: (name: string, value: string) => void;
    finding: (name: string) => Finding | undefined;
    was: (name: string) => string | undefined;
};

/** The declarations, by what they are about, and everything else as written. */
export function Changes({
    list,
    elsewhere,
    findings,
    ranges,
    picked,
    tried,
    isCurrent,
    box,
    onChange,
    onLook,
    firstRef,
}: {
    list: Declaration[];
    /** What the override says at the widths for which these are values of their own. */
    elsewhere: Declaration[];
    /** What is to be said about each of them. */
    findings: (Finding | undefined)[];
    /** The choice of the widths at which they count. */
    ranges: React.ReactNode;
    picked: Picked | undefined;
    tried: Tried | undefined;
    /** Whether what was tried is what is written now. */
    isCurrent: boolean;
    /** The picked element's padding box on the page, in px. */
    box: { width: number; height: number } | null;
    onChange: (list: Declaration[]) => void;
    /** Shows the picked element's box on the page. */
    onLook: (isOn: boolean) => void;
    firstRef: React.RefObject<HTMLDivElement | null>;
}) {
    const finding = (property: string) => findings[list.findIndex((d) => d.name === property)];
    const edit: Edit = {
        list,
        picked,
        tried,
        set: (name, value) => onChange(withValue(list, name, value)),
        finding,
        was: (property) =>
            valueOf(elsewhere, property) || picked?.provenance.find((p) => p.property === property && p.pseudo === null)?.value,
    };
    const words = useVocabulary(usePaint().site);
    // Quick edits follow on each other before the core has answered the first.
    const [pending, setPending] = useState<Layer[] | null>(null);
    useEffect(() => {
        if (isCurrent) setPending(null);
    }, [isCurrent, tried]);
    const layers = pending ?? tried?.layers ?? [];
    const others = list.filter((d) => !own.has(d.name) && !(backgrounds.test(d.name) || d.name === 'background-blend-mode'));
    const background = list.filter((d) => backgrounds.test(d.name) || d.name === 'background-blend-mode');
    const problem = background.map((d) => finding(d.name)).find(Boolean);
    const useLonghand = () => onChange(list.map((d) => (d.name === 'background' ? { ...d, name: 'background-color' } : d)));
    return (
        <section aria-labelledby="changes-title" ref={firstRef}>
            <h2 id="changes-title" className="mb-1 text-sm font-semibold text-soft">
                Changes
            </h2>
            {ranges}
            <div className="border-y border-line">
                <Row
                    label="Background"
                    aside={edit.was('background-color') && `was ${short(edit.was('background-color'))}`}
                    problem={finding('background-color')?.message}
                >
                    <ColourField
                        label="Background colour"
                        value={valueOf(list, 'background-color')}
                        invalid={!!finding('background-color')}
                        onChange={(v) => edit.set('background-color', v)}
                    />
                </Row>
                <Row
                    label="Layers"
                    stacked={layers.length > 0}
                    problem={problem?.message}
                    fix={
                        problem?.code === 'wipes' &&
                        problem.fix && (
                            <button type="button" className="link" onClick={useLonghand}>
                                Do that
                            </button>
                        )
                    }
                >
                    <Layers
                        layers={layers}
                        box={box}
                        onChange={(next) => {
                            setPending(next);
                            onChange(withLayers(list, next, layers.length === 0 ? valueOf(list, 'background') : ''));
                        }}
                    />
                </Row>
                <TextRows edit={edit} />
                <EdgeRows edit={edit} />
                <SpaceRows edit={edit} onLook={onLook} />
                {others.map((d) => (
                    <Row key={d.name} label={d.name} mono problem={finding(d.name)?.message}>
                        <input
                            aria-label={`Value of ${d.name}`}
                            list={`values-${d.name}`}
                            className="field font-mono text-sm"
                            value={d.value}
                            onChange={(e) => onChange(list.map((x) => (x === d ? { ...x, value: e.target.value } : x)))}
                        />
                        <Words id={`values-${d.name}`} words={valuesFor(words, d.name)} />
                        <Button look="quiet" aria-label={`Take ${d.name} away`} onClick={() => onChange(list.filter((x) => x !== d))}>
                            ×
                        </Button>
                    </Row>
                ))}
            </div>
            <Another words={words} onAdd={edit.set} />
            {list.length > 0 && (
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
                            <code className="font-mono text-xs">
                                {d.name}
                                {d.important && ' !important'}
                            </code>
                            {findings[i]?.code === 'needless-important' && (
                                <button
                                    type="button"
                                    className="link text-xs"
                                    onClick={() => onChange(list.map((x, k) => (k === i ? { ...x, important: false } : x)))}
                                >
                                    wins without !important
                                </button>
                            )}
                        </label>
                    ))}
                </fieldset>
            )}
        </section>
    );
}

function TextRows({ edit }: { edit: Edit }) {
    const { list, picked, tried, set, finding, was } = edit;
    const reading = tried?.readings[0];
    const isMore = ['font-weight', 'font-size', 'text-align', 'text-decoration'].some((name) => valueOf(list, name));
    return (
        <>
            <Row
                label="Text"
                aside={reading ? `contrast ${reading.after.toFixed(1)} : 1` : picked && `was ${short(was('color'))}`}
                problem={finding('color')?.message}
            >
                <ColourField
                    label="Text colour"
                    isText
                    value={valueOf(list, 'color')}
                    invalid={!!finding('color')}
                    onChange={(v) => set('color', v)}
                />
            </Row>
            <Folded title="Weight, size, alignment" isOpen={isMore}>
                <Row label="Weight" problem={finding('font-weight')?.message}>
                    <Choice
                        label="Font weight"
                        value={valueOf(list, 'font-weight')}
                        options={['300', '400', '500', '600', '700', '800']}
                        onChange={(v) => set('font-weight', v)}
                    />
                </Row>
                <Row label="Size" problem={finding('font-size')?.message}>
                    <Length label="Font size" value={valueOf(list, 'font-size')} placeholder="1rem" onChange={(v) => set('font-size', v)} />
                </Row>
                <Row label="Align">
                    <Choice
                        label="Text alignment"
                        value={valueOf(list, 'text-align')}
                        options={['start', 'center', 'end', 'justify']}
                        onChange={(v) => set('text-align', v)}
                    />
                    <Choice
                        label="Text decoration"
                        value={valueOf(list, 'text-decoration')}
                        options={['none', 'underline', 'line-through']}
                        none="decoration as it is"
                        onChange={(v) => set('text-decoration', v)}
                    />
                </Row>
            </Folded>
        </>
    );
}

function EdgeRows({ edit }: { edit: Edit }) {
    const { list, tried, set, finding, was } = edit;
    const written = list.find((d) => borders.includes(d.name));
    const [side, setSide] = useState<Side>(() => sides.find((s) => borderName(s) === written?.name) ?? 'left');
    const [corner, setCorner] = useState<(typeof corners)[number]>('all');
    const border = borderParts(valueOf(list, borderName(side)));
    const setBorder = (parts: Partial<typeof border>) => {
        const next = { ...border, ...parts };
        if (next.width && !next.style) next.style = 'solid';
        set(borderName(side), borderValue(next));
    };
    const shadows = tried?.shadows ?? [];
    const putShadow = (i: number, change: Partial<Shadow>) =>
        set('box-shadow', shadowText(shadows.map((s, k) => (k === i ? { ...s, ...change } : s))));
    const isMore = ['outline', 'box-shadow'].some((name) => valueOf(list, name));
    return (
        <>
            <Row
                label="Border"
                aside={side === 'all' ? undefined : short(was(`border-${side}-width`)) && `was ${short(was(`border-${side}-width`))}`}
                problem={finding(borderName(side))?.message}
            >
                <div className="grid min-w-0 flex-1 gap-1.5">
                    <Among
                        label="Side of the border"
                        options={sides}
                        value={side}
                        hasValue={(s) => list.some((d) => d.name === borderName(s))}
                        onChange={setSide}
                    />
                    <div className="flex gap-1.5">
                        <Length
                            label={`Border width, ${side}`}
                            className="w-20!"
                            placeholder="6px"
                            value={border.width}
                            onChange={(width) => setBorder({ width })}
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
                    <ColourField label={`Border colour, ${side}`} value={border.colour} onChange={(colour) => setBorder({ colour })} />
                </div>
            </Row>
            <Row
                label="Radius"
                aside={was('border-top-left-radius') && `was ${was('border-top-left-radius')}`}
                problem={finding(radiusName(corner))?.message}
            >
                <div className="grid min-w-0 flex-1 gap-1.5">
                    <Length
                        label={corner === 'all' ? 'Corner radius' : `Radius, ${corner}`}
                        placeholder="8px"
                        value={valueOf(list, radiusName(corner))}
                        onChange={(v) => set(radiusName(corner), v)}
                    />
                    <Among
                        label="Corner"
                        options={corners}
                        value={corner}
                        hasValue={(c) => list.some((d) => d.name === radiusName(c))}
                        onChange={setCorner}
                    />
                </div>
            </Row>
            <Folded title="Outline and shadow" isOpen={isMore}>
                <Row label="Outline" problem={finding('outline')?.message}>
                    <input
                        aria-label="Outline"
                        className="field font-mono text-sm"
                        placeholder="2px solid gold"
                        value={valueOf(list, 'outline')}
                        onChange={(e) => set('outline', e.target.value)}
                    />
                </Row>
                <Row label="Shadow" problem={finding('box-shadow')?.message}>
                    <div className="grid min-w-0 flex-1 gap-2">
                        {shadows.map((shadow, i) => (
                            <section key={i} aria-label={`Shadow ${i + 1}`} className="grid gap-1 border-l-2 border-line pl-2">
                                <div className="grid grid-cols-4 gap-1">
                                    {(['x', 'y', 'blur', 'spread'] as const).map((part) => (
                                        <label key={part} className="text-xs text-soft">
                                            {part}
                                            <Length
                                                label={`Shadow ${i + 1}: ${part}`}
                                                className="px-1! py-0.5!"
                                                value={shadow[part]}
                                                onChange={(v) => putShadow(i, { [part]: v || '0' })}
                                            />
                                        </label>
                                    ))}
                                </div>
                                <div className="flex items-center gap-2">
                                    <ColourField
                                        label={`Shadow ${i + 1}: colour`}
                                        value={shadow.colour}
                                        onChange={(colour) => putShadow(i, { colour: colour || 'currentcolor' })}
                                    />
                                    <label className="flex items-center gap-1 text-xs">
                                        <input
                                            type="checkbox"
                                            className="accent-green"
                                            checked={shadow.inset}
                                            onChange={(e) => putShadow(i, { inset: e.target.checked })}
                                        />{' '}
                                        inside
                                    </label>
                                    <button
                                        type="button"
                                        className="px-1.5 hover:bg-press"
                                        aria-label={`Take shadow ${i + 1} away`}
                                        onClick={() => set('box-shadow', shadowText(shadows.filter((_, k) => k !== i)))}
                                    >
                                        ×
                                    </button>
                                </div>
                            </section>
                        ))}
                        <div>
                            <Button
                                className="min-h-7! px-2! text-sm"
                                onClick={() =>
                                    set(
                                        'box-shadow',
                                        shadowText([
                                            ...shadows,
                                            { x: '0', y: '2px', blur: '8px', spread: '0', colour: 'rgb(0 0 0 / 25%)', inset: false },
                                        ]),
                                    )
                                }
                            >
                                Add a shadow
                            </Button>
                        </div>
                    </div>
                </Row>
            </Folded>
        </>
    );
}

function SpaceRows({ edit, onLook }: { edit: Edit; onLook: (isOn: boolean) => void }) {
    const { list, set, finding } = edit;
    const [side, setSide] = useState<Side>('all');
    const names = sides.flatMap((s) => [spaceName('padding', s), spaceName('margin', s)]);
    const isMore = [...names, 'display', 'position', 'width'].some((name) => valueOf(list, name));
    return (
        <Folded title="Space, width, hiding" isOpen={isMore}>
            <Row label="Side">
                <Among
                    label="Side of the space"
                    options={sides}
                    value={side}
                    hasValue={(s) => list.some((d) => d.name === spaceName('padding', s) || d.name === spaceName('margin', s))}
                    onChange={setSide}
                />
            </Row>
            {(
                [
                    ['padding', 'Padding', 'inside: the background fills it'],
                    ['margin', 'Margin', 'outside: the background leaves it bare'],
                ] as const
            ).map(([what, label, words]) => (
                <Row key={what} label={label} aside={words} problem={finding(spaceName(what, side))?.message}>
                    <Length
                        label={`${label}, ${side}`}
                        placeholder="16px"
                        value={valueOf(list, spaceName(what, side))}
                        onChange={(v) => set(spaceName(what, side), v)}
                        onFocus={() => onLook(true)}
                        onBlur={() => onLook(false)}
                    />
                </Row>
            ))}
            <Row label="Width" problem={finding('width')?.message}>
                <Length label="Width" value={valueOf(list, 'width')} placeholder="auto" onChange={(v) => set('width', v)} />
            </Row>
            <Row
                label="Hiding"
                aside={
                    valueOf(list, 'display') === 'none'
                        ? 'it is gone for everyone, also for screen readers; what follows moves up'
                        : undefined
                }
            >
                <label className="flex items-center gap-1.5 text-sm">
                    <input
                        type="checkbox"
                        className="accent-green"
                        checked={valueOf(list, 'display') === 'none'}
                        onChange={(e) => set('display', e.target.checked ? 'none' : '')}
                    />
                    hide it
                </label>
                <label className="flex items-center gap-1.5 text-sm" title="Takes a fixed or sticking bar back into the flow of the page">
                    <input
                        type="checkbox"
                        className="accent-green"
                        checked={valueOf(list, 'position') === 'static'}
                        onChange={(e) => set('position', e.target.checked ? 'static' : '')}
                    />
                    let it scroll along
                </label>
            </Row>
        </Folded>
    );
}

function Folded({ title, isOpen, children }: { title: string; isOpen: boolean; children: React.ReactNode }) {
    const [open, setOpen] = useState(isOpen);
    return (
        <details className="border-b border-line last:border-b-0" open={open || isOpen} onToggle={(e) => setOpen(e.currentTarget.open)}>
            <summary className="cursor-pointer py-1.5 text-sm text-soft">{title}</summary>
            {children}
        </details>
    );
}

/** What a field is completed with. */
function Words({ id, words }: { id: string; words: string[] }) {
    return (
        <datalist id={id}>
            {words.map((word) => (
                <option key={word} value={word} />
            ))}
        </datalist>
    );
}

function Another({ words, onAdd }: { words: Vocabulary | undefined; onAdd: (name: string, value: string) => void }) {
    const [name, setName] = useState('');
    const [value, setValue] = useState('');
    return (
        <form
            className="mt-2 flex gap-1.5"
            onSubmit={(event) => {
                event.preventDefault();
                if (name.trim() && value.trim()) {
                    onAdd(name.trim().toLowerCase(), value.replace(/;\s*$/, ''));
                    setName('');
                    setValue('');
                }
            }}
        >
            <input
                aria-label="Another property"
                list="properties"
                className="field font-mono text-sm"
                placeholder="another property"
                value={name}
                onChange={(e) => setName(e.target.value)}
            />
            <input
                aria-label="Its value"
                list="values"
                className="field font-mono text-sm"
                placeholder="value"
                value={value}
                onChange={(e) => setValue(e.target.value)}
            />
            <Words id="properties" words={words?.properties ?? []} />
            <Words id="values" words={valuesFor(words, name.trim().toLowerCase())} />
            <Button type="submit">Add</Button>
        </form>
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
