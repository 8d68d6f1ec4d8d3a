import type { ReactNode } from 'react';
import type { Picked, Place, Provenance } from '../../api/types';

function set(place: Place, theme: string): string {
    switch (place.origin) {
        case 'browser':
            return `the browser’s default for ${place.selector}`;
        case 'inline':
            return 'the style attribute in the page';
        case 'hint':
            return 'an attribute in the page';
        case 'sheet':
            return `your sheet, ${place.selector}`;
        default:
            return `${theme || 'the theme'}, ${place.file} line ${place.line}, ${place.selector}`;
    }
}

const because: Record<string, [string, string]> = {
    origin: ['browsers’ defaults give way', 'browsers’ defaults give way'],
    importance: ['the other is !important', 'this one is !important'],
    inline: ['the other stands in the page itself', 'this one stands in the page itself'],
    layer: ['its layer comes before', 'this one’s layer comes later'],
    specificity: ['its selector is less specific', 'this one’s selector is more specific'],
    proximity: ['its scope is farther away', 'this one’s scope is nearer'],
    order: ['it stands earlier', 'this one stands later'],
};

/** “Three others lost to it: two because this one’s selector is more specific, one because …” */
function lostWords(lost: Provenance['lost']): string {
    const numbers = ['No', 'One', 'Two', 'Three', 'Four', 'Five', 'Six'];
    const counts = new Map<string, number>();
    for (const place of lost) counts.set(place.because, (counts.get(place.because) ?? 0) + 1);
    const reasons = [...counts].map(
        ([why, n]) => `${counts.size > 1 ? `${(numbers[n] ?? String(n)).toLowerCase()} ` : ''}because ${because[why]?.[1] ?? why}`,
    );
    return `${numbers[lost.length] ?? lost.length} other${lost.length === 1 ? '' : 's'} lost to it ${counts.size > 1 ? '– ' : ''}${reasons.join(', ')}`;
}

/** What sets the look that the picked element has now. */
export function WhatSetsIt({
    picked,
    theme,
    onGo,
    onVariable,
    children,
}: {
    picked: Picked;
    theme: string;
    onGo: (path: string) => void;
    onVariable: (name: string, value: string) => void;
    children?: ReactNode;
}) {
    const shown = picked.provenance.filter((p) => p.setBy !== null || p.property === 'background-color' || p.property === 'color');
    return (
        <section aria-labelledby="sets-title">
            <h2 id="sets-title" className="mb-1 text-sm font-semibold text-soft">
                What sets its look now
            </h2>
            <p className="mb-1 flex flex-wrap gap-1.5 text-xs">
                {picked.parts.map((part) => (
                    <span key={part.text} title={part.reason ?? undefined} className="rounded-[3px] border border-line px-1.5 font-mono">
                        {part.text}
                        {part.lifetime !== 'lasting' && <span className="font-sans text-spill"> {part.lifetime}</span>}
                    </span>
                ))}
                {picked.parts.length === 0 && (
                    <span className="text-soft">It has no id and no class: it goes by its tag and where it stands.</span>
                )}
            </p>
            <dl className="border-y border-line text-sm">
                {shown.map((row) => (
                    <Line key={`${row.pseudo} ${row.property}`} row={row} theme={theme} onGo={onGo} onVariable={onVariable} />
                ))}
            </dl>
            <p className="mt-1 text-xs text-soft">
                Text on what is behind it: contrast {picked.contrast.ratio.toFixed(2)} : 1, {picked.contrast.needed} is needed
                {picked.contrast.certain ? '.' : '; an image behind it could not be sampled.'}
            </p>
            {children}
        </section>
    );
}

function Line({
    row,
    theme,
    onGo,
    onVariable,
}: {
    row: Provenance;
    theme: string;
    onGo: (path: string) => void;
    onVariable: (name: string, value: string) => void;
}) {
    return (
        <div className="border-b border-line py-1.5 last:border-b-0">
            <dt className="flex items-center gap-2">
                <span className="w-28 shrink-0">
                    {row.heading}
                    {row.pseudo && <code className="block font-mono text-xs text-soft">::{row.pseudo}</code>}
                </span>
                {row.colour && (
                    <span aria-hidden className="chequer h-4 w-4 shrink-0 overflow-hidden rounded-[3px] border border-line">
                        <span className="block h-full" style={{ background: row.colour }} />
                    </span>
                )}
                <code className="min-w-0 font-mono text-xs break-all">{row.value}</code>
            </dt>
            <dd className="text-xs text-soft">
                {row.setBy ? (
                    <>
                        Set by {set(row.setBy, theme)}: <code className="font-mono">{row.setBy.declaration}</code>
                        {row.inheritedFrom && (
                            <>
                                {' '}
                                and inherited from{' '}
                                <button type="button" className="link" onClick={() => onGo(row.inheritedFrom?.path ?? '')}>
                                    {row.inheritedFrom.label}
                                </button>
                            </>
                        )}
                        .
                        {row.variables.map((v) => (
                            <span key={v.name} className="block">
                                <code className="font-mono">{v.name}</code> is <code className="font-mono break-all">{v.value}</code>, set
                                by {set(v.setBy, theme)} on{' '}
                                <button type="button" className="link" onClick={() => onGo(v.on.path)}>
                                    {v.on.label}
                                </button>
                                .{' '}
                                <button type="button" className="link" onClick={() => onVariable(v.name, v.value)}>
                                    Who else uses it?
                                </button>
                            </span>
                        ))}
                        {row.conditional.length > 0 && (
                            <span className="block">
                                It depends on layout: {set(row.conditional[0]!, theme)} would win inside a container of the size that it
                                asks for.
                            </span>
                        )}
                        {row.lost.length > 0 && (
                            <details>
                                <summary className="cursor-pointer">{lostWords(row.lost)}</summary>
                                <ul className="ml-3">
                                    {row.lost.map((place, i) => (
                                        <li key={i}>
                                            <code className="font-mono">{place.declaration}</code> of {set(place, theme)}:{' '}
                                            {because[place.because]?.[0] ?? place.because}.
                                        </li>
                                    ))}
                                </ul>
                            </details>
                        )}
                    </>
                ) : (
                    'Nobody sets it: this is its initial value.'
                )}
            </dd>
        </div>
    );
}
