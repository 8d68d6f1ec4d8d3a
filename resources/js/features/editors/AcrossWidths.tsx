import { useQuery } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { post } from '../../api/client';
import type { ImageFit, Layer } from '../../api/types';
import { unwrap, wrap, type FromFrame } from '../../bridge/messages';
import { usePaint } from './paint';

/** A phone, a tablet, a desktop. */
const widths = [375, 768, 1280];

type Size = { width: number; height: number };

/**
 * How an image comes out at other widths: the page is opened there unseen, with the trial CSS on, and the real box is measured.
 * What the picture is about is a point that the owner sets.
 */
export function AcrossWidths({ layer }: { layer: Layer }) {
    const { measured, preview } = usePaint();
    const [boxes, setBoxes] = useState<Record<number, Size>>({});
    const [point, setPoint] = useState<[number, number]>([0.5, 0.5]);
    const found = useCallback((width: number, size: Size) => setBoxes((b) => ({ ...b, [width]: size })), []);
    if (!measured || !layer.address) return null;
    const next = widths.find((w) => !boxes[w]);
    const move = (x: number, y: number) => setPoint([clamp(x), clamp(y)]);
    return (
        <div className="grid gap-1.5 pt-1">
            {next !== undefined && <Measure key={next} {...measured} width={next} onSize={(size) => found(next, size)} />}
            <button
                type="button"
                aria-label={`What the picture is about: ${share(point[0])} across, ${share(point[1])} down. Click it, or move it with the arrow keys.`}
                className="relative h-24 w-full border border-line bg-center"
                style={{ background: `url("${preview}${layer.address}") center / 100% 100%` }}
                onClick={(e) => {
                    if (e.detail === 0) return;
                    const box = e.currentTarget.getBoundingClientRect();
                    move((e.clientX - box.left) / box.width, (e.clientY - box.top) / box.height);
                }}
                onKeyDown={(e) => {
                    const by = e.shiftKey ? 0.1 : 0.02;
                    const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[e.key];
                    if (!way) return;
                    e.preventDefault();
                    e.stopPropagation();
                    move(point[0] + (way[0] ?? 0), point[1] + (way[1] ?? 0));
                }}
            >
                <span
                    aria-hidden
                    className="absolute h-4 w-4 -translate-1/2 rounded-full border-2 border-ink ring-2 ring-paper"
                    style={{ left: share(point[0]), top: share(point[1]) }}
                />
            </button>
            <ul className="text-xs text-soft">
                {widths.map((width) => (
                    <li key={width} className="flex gap-2">
                        <b className="w-14 shrink-0 font-mono">{width} px</b>
                        {boxes[width] ? <Outcome layer={layer} box={boxes[width]} point={point} /> : 'measuring…'}
                    </li>
                ))}
            </ul>
        </div>
    );
}

const clamp = (n: number) => Math.min(1, Math.max(0, Math.round(n * 100) / 100));
const share = (n: number) => `${Math.round(n * 100)}%`;

function Outcome({ layer, box, point }: { layer: Layer; box: Size; point: [number, number] }) {
    const { site } = usePaint();
    const fit = useQuery({
        queryKey: ['fit', site, layer.address, layer.size, layer.position, layer.repeat, box, point],
        queryFn: ({ signal }) =>
            post<ImageFit>(
                `/api/sites/${site}/fit`,
                { address: layer.address, size: layer.size, position: layer.position.join(' '), repeat: layer.repeat, ...box, point },
                signal,
            ),
    });
    const { fit: f } = fit.data ?? { fit: null };
    if (!f) return <span>{fit.isLoading ? 'reckoning…' : 'can’t be told for this value'}</span>;
    return (
        <span>
            box {Math.round(box.width)} × {Math.round(box.height)}, drawn {Math.round(f.width)} × {Math.round(f.height)}
            {f.tiles > 1 && `, ${f.tiles} tiles`}
            {f.cropped > 0.005 && `, ${share(f.cropped)} cropped`}
            {f.scale > 1 ? `, soft: each of its pixels is ${f.scale.toFixed(1)} wide` : f.scale > 0.5 ? ', soft on fine screens' : ''};{' '}
            {f.subject.isSeen ? (
                `the point is at ${Math.round(f.subject.x)}, ${Math.round(f.subject.y)}`
            ) : (
                <b className="text-reach">the point is cropped away</b>
            )}
        </span>
    );
}

/** The page at one width, unseen, until it has said how large the element's padding box is. */
function Measure({
    address,
    css,
    path,
    width,
    onSize,
}: {
    address: string;
    css: string;
    path: string;
    width: number;
    onSize: (size: Size) => void;
}) {
    const frame = useRef<HTMLIFrameElement>(null);
    useEffect(() => {
        const listen = (event: MessageEvent) => {
            if (event.source !== frame.current?.contentWindow) return;
            const message = unwrap(event.data) as FromFrame | null;
            const tell = (m: object) => frame.current?.contentWindow?.postMessage(wrap(m as Parameters<typeof wrap>[0]), '*');
            if (message?.type === 'ready') {
                tell({ type: 'css', css });
                // Asked for at once: a frame out of sight is not given frames to draw.
                tell({ type: 'inside', path });
            }
            if (message?.type === 'inside' && message.look) {
                const { box, border } = message.look;
                onSize({ width: Math.round(box.width - border[1] - border[3]), height: Math.round(box.height - border[0] - border[2]) });
            }
        };
        addEventListener('message', listen);
        return () => removeEventListener('message', listen);
    }, [css, path, onSize]);
    return (
        <iframe
            ref={frame}
            title={`The page at ${width} pixels, to be measured`}
            aria-hidden
            src={address}
            sandbox="allow-scripts"
            tabIndex={-1}
            className="pointer-events-none fixed top-0 -left-[5000px] border-0"
            style={{ width, height: 800 }}
        />
    );
}
