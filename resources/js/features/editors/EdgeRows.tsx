import { useState } from 'react';
import type { Declaration, Shadow } from '../../api/types';
import { Button } from '../../components/Button';
import { ColourField } from './ColourField';
import { borderName, borderParts, borderValue, lineStyles, shadowText, sides, valueOf, withValue, type Side } from './declarations';
import { borders, corners, radiusName, short, useParts, type Edit } from './edit';
import { Among, Folded, Length, Row } from './Parts';

/** Border by side, radius by corner, outline and shadows. */
export function EdgeRows({ edit }: { edit: Edit }) {
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
    const isOfShadows = (d: Declaration) => d.name === 'box-shadow';
    const read = useParts(list.filter(isOfShadows), tried && { of: tried.lines.filter(isOfShadows), parts: tried.shadows });
    const shadows = read.parts ?? [];
    const putShadows = (next: Shadow[]) => {
        read.onPut(next, withValue(list, 'box-shadow', shadowText(next)).filter(isOfShadows));
        set('box-shadow', shadowText(next));
    };
    const putShadow = (i: number, change: Partial<Shadow>) => putShadows(shadows.map((s, k) => (k === i ? { ...s, ...change } : s)));
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
                                        onClick={() => putShadows(shadows.filter((_, k) => k !== i))}
                                    >
                                        ×
                                    </button>
                                </div>
                            </section>
                        ))}
                        <div>
                            <Button
                                className="min-h-7! px-2! text-sm"
                                disabled={read.parts === null}
                                onClick={() =>
                                    putShadows([
                                        ...shadows,
                                        { x: '0', y: '2px', blur: '8px', spread: '0', colour: 'rgb(0 0 0 / 25%)', inset: false },
                                    ])
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
