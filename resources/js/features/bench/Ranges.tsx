import type { Range } from '../../api/types';
import { Button } from '../../components/Button';
import { isSameRange, linesAt, nearestIn, rangesOf, rangeWords, stretchAt } from './ranges';
import type { Work } from './useWork';

/** At which widths the values below count: those of the override, or a range with values of its own. */
export function Ranges({ work, breakpoints, onWidth }: { work: Work; breakpoints: number[]; onWidth: (width: number) => void }) {
    const { draft, range, setRange, view } = work;
    const own = rangesOf(draft.declarations);
    const all = [null, ...own, ...(range && !own.some((r) => isSameRange(r, range)) ? [range] : [])];
    const here = stretchAt(view.width, breakpoints);
    const isNew = !isSameRange(here, draft.widths) && !all.some((r) => isSameRange(r, here)) && (here.from !== null || here.to !== null);
    const open = (next: Range | null) => {
        setRange(next);
        onWidth(nearestIn(next ?? draft.widths, view.width));
    };
    const shown = range ?? draft.widths;
    if (all.length === 1 && !isNew) return null;
    return (
        <div role="group" aria-label="Values at" className="mb-2 grid gap-1 text-sm">
            <div className="flex flex-wrap items-center gap-1">
                {all.length > 1 &&
                    all.map((r) => (
                        <Button
                            key={JSON.stringify(r)}
                            className="min-h-7! px-2!"
                            aria-pressed={isSameRange(r, range)}
                            onClick={() => open(r)}
                        >
                            {rangeWords(r ?? draft.widths)}
                            <span className="text-xs text-soft">{linesAt(draft.declarations, r).length}</span>
                        </Button>
                    ))}
                {isNew && (
                    <button type="button" className="link" onClick={() => open(here)}>
                        Other values at {rangeWords(here)}
                    </button>
                )}
            </div>
            {nearestIn(shown, view.width) !== view.width && (
                <p className="text-soft">
                    You look at {view.width} px, where these don’t count.{' '}
                    <button type="button" className="link" onClick={() => onWidth(nearestIn(shown, view.width))}>
                        Look at {nearestIn(shown, view.width)} px
                    </button>
                </p>
            )}
        </div>
    );
}
