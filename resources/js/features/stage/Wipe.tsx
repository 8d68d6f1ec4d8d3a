import { useEffect, useRef, useState } from 'react';
import { unwrap, wrap } from '../../bridge/messages';

/** The page without the overrides, laid over the one with them as far as the edge goes; the edge is dragged, or moved by the arrow keys. */
export function Wipe({
    address,
    left,
    width,
    height,
    scale,
    top,
}: {
    address: string;
    left: number;
    width: number;
    height: number;
    scale: number;
    top: number;
}) {
    const [edge, setEdge] = useState(50);
    const frame = useRef<HTMLIFrameElement>(null);
    const [ready, setReady] = useState(false);
    useEffect(() => {
        const listen = (event: MessageEvent) => {
            if (event.source === frame.current?.contentWindow && unwrap(event.data)?.type === 'ready') setReady(true);
        };
        addEventListener('message', listen);
        return () => removeEventListener('message', listen);
    }, []);
    useEffect(() => {
        if (ready) frame.current?.contentWindow?.postMessage(wrap({ type: 'place', top }), '*');
    }, [ready, top]);
    return (
        <>
            <iframe
                ref={frame}
                title="The page without the overrides"
                src={address}
                sandbox="allow-scripts"
                tabIndex={-1}
                className="pointer-events-none absolute top-0 origin-top-left border-0 bg-white"
                style={{ left, width, height, transform: `scale(${scale})`, clipPath: `inset(0 ${100 - edge}% 0 0)` }}
            />
            <div className="pointer-events-none absolute inset-y-0" style={{ left, width: width * scale }}>
                <span aria-hidden className="absolute inset-y-0 w-0.5 bg-ink ring-1 ring-paper" style={{ left: `${edge}%` }} />
                <span
                    aria-hidden
                    className="absolute top-2 bg-ink px-1.5 text-xs text-paper"
                    style={{ right: `calc(${100 - edge}% + 6px)` }}
                >
                    before
                </span>
                <span aria-hidden className="absolute top-2 bg-ink px-1.5 text-xs text-paper" style={{ left: `calc(${edge}% + 6px)` }}>
                    after
                </span>
                <input
                    type="range"
                    min={0}
                    max={100}
                    value={edge}
                    autoFocus
                    aria-label="How far the page before is shown"
                    aria-valuetext={`${edge} % before`}
                    className="stop absolute inset-x-0 bottom-2 w-full"
                    onChange={(e) => setEdge(Number(e.target.value))}
                />
            </div>
        </>
    );
}
