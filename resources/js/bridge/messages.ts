/** What the frame and the application say to each other. Both sides check the sender and the shape. */

export type Box = { x: number; y: number; width: number; height: number };

/** An element, named by the list of child indexes from html. */
export type Path = string;

export type Step = 'out' | 'in' | 'next' | 'previous';

/** From the application to the frame. */
export type ToFrame =
    | { type: 'css'; css: string }
    | { type: 'watch'; picked: Path | null; reach: Path[]; spill: Path[]; meant: Path[]; kept: Path[]; look: Path | null }
    | { type: 'wear'; wears: { on: string; part: string }[] }
    | { type: 'step'; step: Step; from: Path | null }
    | { type: 'show'; path: Path }
    | { type: 'scroll'; share: number }
    | { type: 'place'; top: number }
    | { type: 'inside'; path: Path }
    | { type: 'tree'; tree: [string, number][] };

/** How far an element's background runs, and what lies around: top, right, bottom and left. */
export type BoxLook = { box: Box; border: Edges; padding: Edges; margin: Edges };

export type Edges = [number, number, number, number];

export type WatchedBoxes = {
    picked: Box | null;
    pickedLook: BoxLook | null;
    pointed: Box | null;
    pointedLabel: string;
    reach: Box[];
    spill: Box[];
    meant: Box[];
    kept: Box[];
    look: BoxLook | null;
};

/** What a click says: this one, this one too, or leave this one alone. */
export type PickAs = 'pick' | 'meant' | 'kept';

/** From the frame to the application. */
export type FromFrame =
    | { type: 'ready'; at: string }
    | { type: 'pick'; path: Path; as: PickAs }
    | { type: 'boxes'; boxes: WatchedBoxes; top: number; view: number; height: number; marks: Record<Path, number> }
    | { type: 'key'; key: string; shift: boolean }
    | { type: 'inside'; path: Path; look: BoxLook | null; boxes: [Path, number, number, number, number][] }
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
