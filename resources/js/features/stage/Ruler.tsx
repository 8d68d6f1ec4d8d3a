const least = 320;
const most = 1600;

export type Range = { from: number | null; to: number | null };

/**
 * Viewport widths, with the theme's own breakpoints as ticks. The range that the override counts at is a bar whose ends are
 * dragged, or moved by the arrow keys; at the end of the ruler it is open.
 */
export function Ruler({
    width,
    breakpoints,
    own,
    others,
    onWidth,
    onRange,
}: {
    width: number;
    breakpoints: number[];
    /** Null where no override is worked on. */
    own: Range | null;
    /** Where other overrides of the same selector have values. */
    others: Range[];
    onWidth: (width: number) => void;
    onRange: (range: Range) => void;
}) {
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
            {[...others.map((range) => ({ range, look: 'bg-soft/50' })), ...(own ? [{ range: own, look: 'bg-reach' }] : [])].map(
                ({ range, look }, i) => (
                    <span
                        key={i}
                        aria-hidden
                        className={`absolute bottom-4 h-1 ${look}`}
                        style={{ left: place(range.from ?? least), right: `calc(100% - ${place(range.to ?? most)})` }}
                    />
                ),
            )}
            {own &&
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
                        aria-label={`The override counts ${end}`}
                        aria-valuetext={own[end] === null ? 'any width' : `${value} pixels`}
                        className="range-end absolute inset-x-0 bottom-3 w-full"
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
