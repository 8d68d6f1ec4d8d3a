import type { SitePage } from '../../api/types';
import type { Work } from './useWork';

/** On which pages: the choices that the picked element gives, and where it lands now. */
export function Where({ work, pages, onPage }: { work: Work; pages: SitePage[]; onPage: (page: string) => void }) {
    const { picked, draft, tried, choose, setLook } = work;
    const choices = (picked?.candidates ?? []).filter((c) => ['kind', 'page', 'page-kind'].includes(c.kind));
    const counts = new Map((tried?.pages ?? []).map((p) => [p.page, p]));
    const hit = pages.filter((p) => (counts.get(p.path)?.count ?? 0) > 0);
    return (
        <div className="grid gap-3">
            {choices.length > 0 && (
                <section>
                    <h3 className="mb-1 font-semibold">On which pages?</h3>
                    <ul className="border-t border-line">
                        {choices.map((c) => (
                            <li key={c.selector} className="border-b border-line">
                                <button
                                    type="button"
                                    aria-pressed={c.selector === draft.selector}
                                    className="w-full px-1 py-1.5 text-left hover:bg-press aria-pressed:bg-sheet"
                                    onPointerEnter={() => setLook(c.selector)}
                                    onPointerLeave={() => setLook(null)}
                                    onClick={() => choose(c.selector)}
                                >
                                    {c.kind === 'kind' ? `wherever there is one: ${c.words}` : c.words}
                                    <code className="block font-mono text-xs text-soft">{c.selector}</code>
                                </button>
                            </li>
                        ))}
                    </ul>
                </section>
            )}
            <section>
                <h3 className="mb-1 font-semibold">Where it lands now</h3>
                {hit.length === 0 && <p className="text-soft">Nowhere.</p>}
                <ul>
                    {hit.map((p) => (
                        <li key={p.path} className="flex justify-between gap-3">
                            <button type="button" className="link" onClick={() => onPage(p.path)}>
                                {p.title.split(' · ')[0]}
                            </button>
                            <span className="font-mono">{counts.get(p.path)?.count}</span>
                        </li>
                    ))}
                </ul>
            </section>
        </div>
    );
}
