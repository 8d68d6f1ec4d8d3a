/** What the frame and the application say to each other. Both sides check the sender and the shape. */

export type Box = { x: number; y: number; width: number; height: number };

/** An element, named by the list of child indexes from html. */
export type Path = string;

export type Step = 'out' | 'in' | 'next' | 'previous';

/** From the application to the frame. */
export type ToFrame =
    | { type: 'css'; css: string }
    | { type: 'watch'; picked: Path | null; reach: Path[]; spill: Path[] }
    | { type: 'step'; step: Step; from: Path | null }
    | { type: 'show'; path: Path }
    | { type: 'scroll'; share: number }
    | { type: 'tree'; tree: [string, number][] };

export type WatchedBoxes = { picked: Box | null; pointed: Box | null; pointedLabel: string; reach: Box[]; spill: Box[] };

/** From the frame to the application. */
export type FromFrame =
    | { type: 'ready' }
    | { type: 'pick'; path: Path }
    | { type: 'boxes'; boxes: WatchedBoxes; top: number; view: number; height: number; marks: Record<Path, number> }
    | { type: 'key'; key: string; shift: boolean }
    | { type: 'misplaced'; paths: Path[] };

const SIGN = 'insignum';

export function wrap<M extends ToFrame | FromFrame>(message: M): { [SIGN]: M } {
    return { [SIGN]: message };
}

export function unwrap(data: unknown): { type: string } | null {
    if (typeof data !== 'object' || data === null || !(SIGN in data)) return null;
    const message = (data as Record<string, unknown>)[SIGN];
    return typeof message === 'object' && message !== null && 'type' in message && typeof message.type === 'string'
        ? (message as { type: string })
        : null;
}
