import type { Mark, SitePage } from '../../api/types';
import { Button } from '../../components/Button';
import type { Work } from './useWork';

const headings: [Mark['kind'], string][] = [
    ['meant', 'These'],
    ['kept', 'Leave alone'],
    ['accepted', 'Accepted'],
];

/** The examples that the override is aimed from, on all pages, and the two marks for what is picked. */
export function Marks({ work, pages, onGo }: { work: Work; pages: SitePage[]; onGo: (page: string, path: string) => void }) {
    const { at, marks, mark, unmark, aiming, picked } = work;
    const titles = new Map(pages.map((p) => [p.path, p.title.split(' · ')[0] ?? p.path]));
    const here = at && marks.find((m) => m.page === at.page && m.path === at.path && m.kind !== 'accepted');
    return (
        <section aria-labelledby="marks-title" className="text-sm">
            <h2 id="marks-title" className="mb-1 font-semibold text-soft">
                Examples
            </h2>
            <div className="flex flex-wrap items-center gap-1.5">
                <Button
                    disabled={!at}
                    aria-pressed={here?.kind === 'meant'}
                    title="t, or a click with Shift"
                    onClick={() => at && mark('meant', at)}
                >
                    <Sign kind="meant" /> {marks.length === 0 ? 'This' : 'This too'}
                </Button>
                <Button
                    disabled={!at}
                    aria-pressed={here?.kind === 'kept'}
                    title="l, or a click with Alt"
                    onClick={() => at && mark('kept', at)}
                >
                    <Sign kind="kept" /> Leave alone
                </Button>
                {picked && <span className="min-w-0 truncate font-mono text-xs text-soft">{picked.label}</span>}
            </div>
            {marks.length === 0 && (
                <p className="mt-1 text-xs text-soft">
                    Mark what should change and what should stay, on any page: the selector that fits is worked out.
                </p>
            )}
            {aiming.error && (
                <p role="alert" className="mt-1 text-reach">
                    {aiming.error.message}
                </p>
            )}
            {headings.map(([kind, heading]) => {
                const own = marks.filter((m) => m.kind === kind);
                return (
                    own.length > 0 && (
                        <div key={kind} className="mt-1.5">
                            <h3 className="flex items-center gap-1.5 text-xs text-soft">
                                <Sign kind={kind} /> {heading}: {own.length}
                            </h3>
                            <ul aria-label={heading} className="max-h-28 overflow-y-auto">
                                {own.map((m, i) => (
                                    <li key={i} className="flex items-baseline gap-2 py-0.5">
                                        {m.path === null ? (
                                            <span className="min-w-0 flex-1 text-spill">
                                                {m.label}, gone from {titles.get(m.page) ?? m.page}
                                            </span>
                                        ) : (
                                            <button
                                                type="button"
                                                className="link min-w-0 flex-1 truncate text-left"
                                                onClick={() => onGo(m.page, m.path ?? '')}
                                            >
                                                {m.excerpt || m.label || 'element'}{' '}
                                                <span className="text-soft">on {titles.get(m.page) ?? m.page}</span>
                                            </button>
                                        )}
                                        {m.note && <em className="truncate font-serif text-soft">{m.note}</em>}
                                        <button
                                            type="button"
                                            className="px-1.5 hover:bg-press"
                                            aria-label={`Take the mark off ${m.excerpt || m.label}`}
                                            onClick={() => unmark(m)}
                                        >
                                            ×
                                        </button>
                                    </li>
                                ))}
                            </ul>
                        </div>
                    )
                );
            })}
        </section>
    );
}

/** Meant is solid, kept is a ring, accepted a dash: told apart by form as well. */
export function Sign({ kind }: { kind: Mark['kind'] }) {
    const forms = {
        meant: 'h-2.5 w-2.5 bg-reach',
        kept: 'h-2.5 w-2.5 rounded-full border-2 border-ink',
        accepted: 'h-0 w-2.5 border-t-2 border-dashed border-spill',
    };
    return <span aria-hidden className={`inline-block shrink-0 ${forms[kind]}`} />;
}
