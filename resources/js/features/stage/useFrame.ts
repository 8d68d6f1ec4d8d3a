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
    const handlers = useRef(on);
    handlers.current = on;

    useEffect(() => {
        const listen = (event: MessageEvent) => {
            if (!frame.current || event.source !== frame.current.contentWindow) return;
            const message = unwrap(event.data) as FromFrame | null;
            switch (message?.type) {
                case 'ready':
                    setReadyAt(address);
                    break;
                case 'boxes':
                    setBoxes(message);
                    break;
                case 'pick':
                    handlers.current.pick(message.path, message.as);
                    break;
                case 'key':
                    handlers.current.key(message.key, message.shift);
                    break;
                case 'inside':
                    handlers.current.inside(message.path, message.boxes);
                    break;
                case 'misplaced':
                    handlers.current.misplaced(message.paths);
            }
        };
        addEventListener('message', listen);
        return () => removeEventListener('message', listen);
    }, [address]);

    const tell = useCallback((message: ToFrame) => frame.current?.contentWindow?.postMessage(wrap(message), '*'), []);

    return { frame, ready: readyAt === address, boxes: readyAt === address ? boxes : null, tell };
}
