import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { post } from '../../api/client';
import type { AccountPage } from '../../api/types';
import { sendable, type Draft, type View } from '../bench/useBench';

/** What is different on the page that is looked at, beside the look itself. As high when empty: the page's height counts. */
export function Differences({
    site,
    page,
    view,
    draft,
    added,
    revision,
    onGo,
}: {
    site: number;
    page: string;
    view: View;
    /** The override under work; null where there is none. */
    draft: Draft | null;
    added: Draft | null;
    revision: number;
    onGo: (path: string) => void;
}) {
    const found = useQuery({
        queryKey: ['differences', site, page, view, draft, added, revision],
        queryFn: ({ signal }) =>
            post<AccountPage>(
                `/api/sites/${site}/differences`,
                { page, ...view, ...(draft ? { override: sendable(draft) } : {}), ...(added ? { added: sendable(added) } : {}) },
                signal,
            ),
        placeholderData: keepPreviousData,
    });
    const { changes, total } = found.data ?? { changes: [], total: 0 };
    return (
        <section aria-labelledby="differences-title" className="h-28 shrink-0 overflow-y-auto border-y border-line py-1 text-sm">
            <h2 id="differences-title" className="font-semibold">
                {found.isLoading && 'Comparing…'}
                {found.isError && 'The difference can’t be told now.'}
                {found.data && (total === 0 ? 'Nothing is different here' : `${total} ${total === 1 ? 'difference' : 'differences'} here`)}
                {found.data && <span className="font-normal text-soft">, at {view.width} px</span>}
            </h2>
            <ul>
                {changes.map((change, i) => (
                    <li key={i} className="flex items-baseline gap-2">
                        <span
                            aria-hidden
                            className={`h-2 w-2 shrink-0 ${change.kind === 'spill' ? 'hatched border border-spill' : change.kind === 'meant' ? 'bg-reach' : 'border border-spill'}`}
                        />
                        <span className="min-w-0">
                            <button type="button" className="link font-mono" onClick={() => onGo(change.path)}>
                                {change.label}
                            </button>{' '}
                            {change.kind !== 'meant' && <span>{change.kind === 'spill' ? 'not meant' : 'accepted'}, </span>}
                            <span className="text-soft">
                                {Object.entries(change.properties)
                                    .slice(0, 3)
                                    .map(([name, [before, after]]) => `${name} ${before} → ${after}`)
                                    .join('; ')}
                            </span>
                        </span>
                    </li>
                ))}
            </ul>
            {total > changes.length && <p className="text-soft">and {total - changes.length} more</p>}
        </section>
    );
}
