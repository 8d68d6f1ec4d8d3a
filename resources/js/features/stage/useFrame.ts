import { useCallback, useEffect, useRef, useState } from 'react';
import { unwrap, wrap, type FromFrame, type PickAs, type ToFrame } from '../../bridge/messages';

export type Inside = Extract<FromFrame, { type: 'inside' }>['boxes'];

type Boxes = Extract<FromFrame, { type: 'boxes' }>;

/** The line to the bridge in the frame. Its origin is opaque, so messages are known by the window they come from. */
export function useFrame(
    address: string,
    on: {
        pick: (path: string, as: PickAs) => void;
        key: (key: string, shift: boolean) => void;
        misplaced: (paths: string[]) => void;
        inside: (path: string, boxes: Inside) => void;
    },
) {
    const frame = useRef<HTMLIFrameElement>(null);
    const [readyAt, setReadyAt] = useState('');
    const [boxes, setBoxes] = useState<Boxes | null>(null);
    const ready = readyAt === address;
    const now = useRef({ on, ready });
    now.current = { on, ready };

    useEffect(() => {
        const listen = (event: MessageEvent) => {
            if (!frame.current || event.source !== frame.current.contentWindow) return;
            const message = unwrap(event.data) as FromFrame | null;
            const { on, ready } = now.current;
            // The page before may still speak while the next is on its way: of that, only keys count.
            if (message?.type === 'ready') {
                if (message.at === new URL(address, location.href).href) setReadyAt(address);
            } else if (message?.type === 'key') on.key(message.key, message.shift);
            else if (!ready) return;
            else if (message?.type === 'boxes') setBoxes(message);
            else if (message?.type === 'pick') on.pick(message.path, message.as);
            else if (message?.type === 'inside') on.inside(message.path, message.boxes);
            else if (message?.type === 'misplaced') on.misplaced(message.paths);
        };
        addEventListener('message', listen);
        return () => removeEventListener('message', listen);
    }, [address]);

    const tell = useCallback((message: ToFrame) => frame.current?.contentWindow?.postMessage(wrap(message), '*'), []);

    return { frame, ready, boxes: ready ? boxes : null, tell };
}
