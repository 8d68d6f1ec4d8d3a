const least = 320;
const most = 1600;

/** Viewport widths, with the theme's own breakpoints as ticks. */
export function Ruler({ width, breakpoints, onWidth }: { width: number; breakpoints: number[]; onWidth: (width: number) => void }) {
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
