import { useEffect, useRef, useState } from 'react';
import { get } from '../../api/client';
import type { Picked, Tried } from '../../api/types';
import { BoxLook } from './BoxLook';
import { Wipe } from './Wipe';
import type { Box, FromFrame, Step, ToFrame } from '../../bridge/messages';

type Boxes = Extract<FromFrame, { type: 'boxes' }>;

/** The page itself at a real viewport width, scaled to fit, with outlines drawn over it from outside. */
export function Stage({
    frame,
    address,
    site,
    page,
    width,
    height,
    ready,
    boxes,
    tell,
    picked,
    place,
    isLook,
    wipe,
    onSize,
    onStep,
}: {
    frame: React.RefObject<HTMLIFrameElement | null>;
    address: string;
    site: number;
    page: string;
    width: number;
    height: number;
    ready: boolean;
    boxes: Boxes | null;
    tell: (message: ToFrame) => void;
    picked: Picked | undefined;
    place: Tried['place'];
    /** Whether the reach shown is only looked at. */
    isLook: boolean;
    /** Whether the page before is laid over it. */
    wipe: boolean;
    onSize: (height: number) => void;
    onStep: (step: Step) => void;
}) {
    const room = useRef<HTMLDivElement>(null);
    const [size, setSize] = useState({ width: 800, height: 600 });
    useEffect(() => {
        if (!room.current) return;
        const observer = new ResizeObserver(
            ([entry]) => entry && setSize({ width: entry.contentRect.width, height: entry.contentRect.height }),
        );
        observer.observe(room.current);
        return () => observer.disconnect();
    }, []);
    const scale = Math.min(1, size.width / width);
    const wanted = Math.max(400, Math.round(size.height / scale));
    useEffect(() => onSize(wanted), [wanted, onSize]);
    useEffect(() => {
        if (!ready) return;
        const stop = new AbortController();
        get<[string, number][]>(`/api/sites/${site}/tree/${page.split('/').map(encodeURIComponent).join('/')}`, stop.signal)
            .then((tree) => tell({ type: 'tree', tree }))
            .catch(() => undefined);
        return () => stop.abort();
    }, [ready, site, page, tell]);
    const left = Math.max(0, (size.width - width * scale) / 2);
    return (
        <div ref={room} className="relative min-h-[50vh] flex-1 overflow-hidden border border-line bg-press">
            <div
                tabIndex={0}
                role="application"
                aria-label="The page. Arrow up goes to what an element is in, arrow down to what is in it, left and right to its siblings."
                className="absolute inset-0"
                onKeyDown={(event) => {
                    const step = ({ ArrowUp: 'out', ArrowDown: 'in', ArrowLeft: 'previous', ArrowRight: 'next' } as Record<string, Step>)[
                        event.key
                    ];
                    if (step) {
                        event.preventDefault();
                        onStep(step);
                    }
                }}
            >
                <iframe
                    key={address}
                    ref={frame}
                    title="The page as the theme renders it"
                    src={address}
                    sandbox="allow-scripts"
                    tabIndex={-1}
                    className="absolute top-0 origin-top-left border-0 bg-white"
                    style={{ left, width, height, transform: `scale(${scale})` }}
                />
                {wipe && ready && <Wipe address={address} left={left} width={width} height={height} scale={scale} top={boxes?.top ?? 0} />}
                {!ready && <p className="absolute inset-x-0 top-1/3 text-center text-soft">Opening the page…</p>}
            </div>
            {boxes && !wipe && (
                <div aria-hidden className="pointer-events-none absolute inset-0 overflow-hidden" style={{ left, right: left }}>
                    {boxes.boxes.look && <BoxLook look={boxes.boxes.look} scale={scale} />}
                    {boxes.boxes.spill.map((box, i) => (
                        <Outline key={'s' + i} box={box} scale={scale} className="border-2 border-dashed border-spill" />
                    ))}
                    {boxes.boxes.reach.map((box, i) => (
                        <Outline
                            key={'r' + i}
                            box={box}
                            scale={scale}
                            className={isLook ? 'border-2 border-dashed border-reach' : 'border border-reach'}
                        />
                    ))}
                    {boxes.boxes.meant.map((box, i) => (
                        <Outline key={'m' + i} box={box} scale={scale} className="border-t-4 border-l-4 border-reach" />
                    ))}
                    {boxes.boxes.kept.map((box, i) => (
                        <Outline
                            key={'k' + i}
                            box={box}
                            scale={scale}
                            className="border-4 border-double border-ink ring-1 ring-paper"
                            label="stays"
                            quiet
                        />
                    ))}
                    {boxes.boxes.pointed && !boxes.boxes.look && (
                        <Outline
                            box={boxes.boxes.pointed}
                            scale={scale}
                            className="border border-ink"
                            label={boxes.boxes.pointedLabel}
                            quiet
                        />
                    )}
                    {boxes.boxes.picked && (
                        <Outline
                            box={boxes.boxes.picked}
                            scale={scale}
                            className="border-2 border-reach ring-1 ring-white"
                            label={picked ? `${picked.noun}${place && place.of > 1 ? `, ${place.number} of ${place.of}` : ''}` : ''}
                        />
                    )}
                </div>
            )}
        </div>
    );
}

function Outline({ box, scale, className, label, quiet }: { box: Box; scale: number; className: string; label?: string; quiet?: boolean }) {
    const top = box.y * scale;
    return (
        <span
            className={`absolute ${className}`}
            style={{ left: box.x * scale, top, width: box.width * scale, height: box.height * scale }}
        >
            {label && (
                <span
                    className={`absolute left-0 px-1.5 text-xs font-semibold whitespace-nowrap ${top > 18 ? 'bottom-full' : 'top-0'} ${quiet ? 'bg-ink text-paper' : 'bg-reach text-on-reach'}`}
                >
                    {label}
                </span>
            )}
        </span>
    );
}
