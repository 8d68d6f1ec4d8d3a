import { useEffect, type RefObject } from 'react';
import type { Mark, PageMarks, Path, Wear } from '../../api/types';
import type { ToFrame } from '../../bridge/messages';
import type { At } from '../bench/useBench';

/** How long a box stays in sight after an arrow key went there, in ms. */
const lookTime = 2600;

/** Keeps the framed page told of the trial CSS, of what it wears, and of what is to be drawn and measured on it. */
export function useTelling({
    ready,
    tell,
    page,
    css,
    worn,
    at,
    reached,
    examples,
    begun,
    width,
    boxOf,
    setBoxOf,
    goTo,
}: {
    ready: boolean;
    tell: (message: ToFrame) => void;
    page: string;
    css: string;
    worn: Wear[];
    at: At | null;
    reached: PageMarks[];
    examples: Mark[];
    begun: boolean;
    width: number;
    boxOf: Path | null;
    setBoxOf: (path: Path | null) => void;
    /** Where to go once the page is there. */
    goTo: RefObject<Path | null>;
}) {
    const picked = at?.page === page ? at.path : null;
    useEffect(() => {
        if (ready) tell({ type: 'css', css });
    }, [ready, css, tell]);
    useEffect(() => {
        if (ready) tell({ type: 'wear', wears: worn });
    }, [ready, worn, tell]);
    useEffect(() => {
        if (!ready) return;
        const here = reached.find((m) => m.page === page);
        const paths = (kind: string) => examples.flatMap((e) => (e.kind === kind && e.page === page && e.path !== null ? [e.path] : []));
        tell({
            type: 'watch',
            picked,
            reach: here?.reach.map((m) => m.path) ?? [],
            spill: here?.spill.map((m) => m.path) ?? [],
            meant: paths('meant'),
            kept: paths('kept'),
            look: boxOf,
        });
        if (goTo.current !== null) {
            tell({ type: 'show', path: goTo.current });
            goTo.current = null;
        }
    }, [ready, at, reached, examples, page, boxOf, tell]);
    // Once the trial CSS is on, what is in the picked element is measured: some of it may hide a background.
    useEffect(() => {
        if (!ready || picked === null || !begun) return;
        const timer = setTimeout(() => tell({ type: 'inside', path: picked }), 400);
        return () => clearTimeout(timer);
    }, [ready, at, page, begun, css, width, tell]);
    useEffect(() => {
        if (boxOf === null || boxOf !== at?.path) return;
        const timer = setTimeout(() => setBoxOf(null), lookTime);
        return () => clearTimeout(timer);
    }, [boxOf, at]);
    // At another width everything stands elsewhere: what is picked stays in sight.
    useEffect(() => {
        if (!ready || picked === null) return;
        const timer = setTimeout(() => tell({ type: 'show', path: picked }), 150);
        return () => clearTimeout(timer);
    }, [width]);
}
