import { useState } from 'react';
import type { Declaration, Finding, Picked, Vocabulary } from '../../api/types';
import { Button } from '../../components/Button';
import { ColourField } from './ColourField';
import { sides, valueOf, withLayers, withValue } from './declarations';
import { borders, corners, radiusName, short, spaceName, useParts, type Edit } from './edit';
import { EdgeRows } from './EdgeRows';
import { Layers } from './Layers';
import { usePaint } from './paint';
import { Row } from './Parts';
import { SpaceRows } from './SpaceRows';
import { TextRows } from './TextRows';
import { useVocabulary, valuesFor } from './useVocabulary';

const isOfLayers = (d: Declaration) => /^background(?!-color$)/.test(d.name);

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

/** The declarations, by what they are about, and everything else as written. */
export function Changes({
    list,
    elsewhere,
    findings,
    ranges,
    picked,
    tried,
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
    tried: Edit['tried'];
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
    const others = list.filter((d) => !own.has(d.name) && !isOfLayers(d));
    const background = list.filter(isOfLayers);
    const layers = useParts(background, tried && { of: tried.lines.filter(isOfLayers), parts: tried.layers });
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
                    stacked={layers.parts !== null && layers.parts.length > 0}
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
                    {layers.parts ? (
                        <Layers
                            layers={layers.parts}
                            box={box}
                            onChange={(next) => {
                                const lines = withLayers(list, next, layers.parts?.length === 0 ? valueOf(list, 'background') : '');
                                layers.onPut(next, lines.filter(isOfLayers));
                                onChange(lines);
                            }}
                        />
                    ) : (
                        <span className="text-sm text-soft">Reading them…</span>
                    )}
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
