import { useRef, useState } from 'react';
import type { Range } from '../../api/types';

const least = 320;
const most = 1600;

/** So near to a breakpoint, in px, a drawn range ends at it. */
const near = 14;

/**
 * Viewport widths, with the theme's own breakpoints as ticks. The range at which the edited values count is a bar whose ends
 * are dragged, or moved by the arrow keys; at the end of the ruler it is open. Drawing along the line gives a range of its own.
 */
export function Ruler({
    width,
    breakpoints,
    own,
    also,
    others,
    onWidth,
    onRange,
    onDraw,
}: {
    width: number;
    breakpoints: number[];
    /** Null where no override is worked on. */
    own: Range | null;
    /** Where the override has other values. */
    also: Range[];
    /** Where other overrides of the same selector have values. */
    others: Range[];
    onWidth: (width: number) => void;
    onRange: (range: Range) => void;
    onDraw: (range: Range) => void;
}) {
    const drawnFrom = useRef<number | null>(null);
    const [drawn, setDrawn] = useState<[number, number] | null>(null);
    const at = (event: React.PointerEvent) => {
        const box = event.currentTarget.getBoundingClientRect();
        return Math.round(least + (Math.min(Math.max(event.clientX - box.left, 0), box.width) / box.width) * (most - least));
    };
    const finish = () => {
        if (drawn && drawn[1] - drawn[0] > near) {
            const to = breakpoints.find((b) => Math.abs(b - 1 - drawn[1]) <= near);
            onDraw({
                from: drawn[0] <= least + near ? null : (breakpoints.find((b) => Math.abs(b - drawn[0]) <= near) ?? drawn[0]),
                to: drawn[1] >= most - near ? null : to === undefined ? drawn[1] : to - 1,
            });
        }
        drawnFrom.current = null;
        setDrawn(null);
    };
    const place = (px: number) => `${((px - least) / (most - least)) * 100}%`;
    const shown = breakpoints.filter((b) => b > least && b < most);
    return (
        <div className="relative h-11 min-w-0 flex-1" role="group" aria-label="Width">
            {shown.map((b, i) => (
                <button
                    key={b}
                    type="button"
                    className="absolute top-0 -translate-x-1/2 px-1 font-mono text-xs text-soft hover:text-ink"
                    style={{ left: place(b) }}
                    title={`The theme changes at ${b}px`}
                    onClick={() => onWidth(b)}
                >
                    <span className={i > 0 && b - (shown[i - 1] ?? 0) < 180 ? 'max-sm:invisible' : ''}>{b}</span>
                    <span aria-hidden className="mx-auto mt-0.5 block h-2 w-px bg-ink" />
                </button>
            ))}
            {own && (
                <div
                    aria-hidden
                    title="Draw along here for values at a range of their own"
                    className="absolute inset-x-0 bottom-3.5 z-1 h-3.5 cursor-crosshair touch-none"
                    onPointerDown={(event) => {
                        event.currentTarget.setPointerCapture(event.pointerId);
                        drawnFrom.current = at(event);
                    }}
                    onPointerMove={(event) => {
                        const [a, b] = [drawnFrom.current, at(event)];
                        if (a !== null) setDrawn([Math.min(a, b), Math.max(a, b)]);
                    }}
                    onPointerUp={finish}
                    onPointerCancel={finish}
                />
            )}
            {[
                ...others.map((range) => ({ range, look: 'bg-soft/50' })),
                ...also.map((range) => ({ range, look: 'bg-reach/45' })),
                ...(own ? [{ range: own, look: 'bg-reach' }] : []),
                ...(drawn ? [{ range: { from: drawn[0], to: drawn[1] }, look: 'outline-2 outline-reach' }] : []),
            ].map(({ range, look }, i) => (
                <span
                    key={i}
                    aria-hidden
                    className={`pointer-events-none absolute bottom-4 z-1 h-1 ${look}`}
                    style={{ left: place(range.from ?? least), right: `calc(100% - ${place(range.to ?? most)})` }}
                />
            ))}
            {own &&
                (own.from !== null || own.to !== null) &&
                (
                    [
                        [
                            'from',
                            own.from ?? least,
                            (n: number) => onRange({ ...own, from: n <= least ? null : Math.min(n, own.to ?? most) }),
                        ],
                        ['to', own.to ?? most, (n: number) => onRange({ ...own, to: n >= most ? null : Math.max(n, own.from ?? least) })],
                    ] as const
                ).map(([end, value, set]) => (
                    <input
                        key={end}
                        type="range"
                        min={least}
                        max={most}
                        value={value}
                        aria-label={`The values count ${end}`}
                        aria-valuetext={own[end] === null ? 'any width' : `${value} pixels`}
                        className="range-end absolute inset-x-0 bottom-3 z-2 w-full"
                        onChange={(event) => set(Number(event.target.value))}
                    />
                ))}
            <input
                type="range"
                aria-label="Viewport width in pixels"
                aria-valuetext={`${width} pixels`}
                min={least}
                max={most}
                value={width}
                className="ruler absolute inset-x-0 bottom-0 w-full"
                onChange={(event) => onWidth(Number(event.target.value))}
            />
        </div>
    );
}
