import type { BoxLook as Look, Edges } from '../../bridge/messages';

/**
 * How far an element's background would run, told by form: dotted ground is where it would be painted, the padding lies
 * between the two frames, and a broken line is the margin, which it leaves bare.
 */
export function BoxLook({ look, scale }: { look: Look; scale: number }) {
    const { box, border, padding, margin } = look;
    const [top, right, bottom, left] = margin;
    const inset = (edges: Edges, more: Edges) => edges.map((e, i) => e + (more[i] ?? 0)) as Edges;
    const inner = inset(border, padding);
    const style = (x: number, y: number, width: number, height: number) => ({
        left: x * scale,
        top: y * scale,
        width: Math.max(0, width) * scale,
        height: Math.max(0, height) * scale,
    });
    const labelTop = (box.y - Math.max(0, top)) * scale;
    return (
        <div data-look={`${Math.round(box.width)}x${Math.round(box.height)}`}>
            <span
                className="absolute border border-dashed border-ink"
                style={style(box.x - left, box.y - top, box.width + left + right, box.height + top + bottom)}
            />
            <span className="dotted absolute border-2 border-ink" style={style(box.x, box.y, box.width, box.height)} />
            <span
                className="absolute border border-ink/70"
                style={style(box.x + inner[3], box.y + inner[0], box.width - inner[1] - inner[3], box.height - inner[0] - inner[2])}
            />
            <span
                className="absolute bg-ink px-1.5 py-0.5 text-xs whitespace-nowrap text-paper"
                style={{ left: box.x * scale, top: Math.max(0, labelTop > 22 ? labelTop - 22 : box.y * scale) }}
            >
                background {Math.round(box.width)} × {Math.round(box.height)}, padding {words(padding)}, margin {words(margin)}
            </span>
        </div>
    );
}

/** As CSS writes four sides: shortest form. */
function words([top, right, bottom, left]: Edges): string {
    const px = [top, right, bottom, left].map((n) => Math.round(n * 10) / 10);
    if (px[1] !== px[3]) return px.join(' ');
    if (px[0] !== px[2]) return px.slice(0, 3).join(' ');
    return px[0] === px[1] ? String(px[0]) : px.slice(0, 2).join(' ');
}
