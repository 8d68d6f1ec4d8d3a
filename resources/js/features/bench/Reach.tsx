import type { Candidate, SitePage, Tried } from '../../api/types';

/** How far the change should reach: the computed selectors with their counts, and one's own. */
export function Reach({
    candidates,
    selector,
    tried,
    pages,
    onChoose,
    onType,
    fieldRef,
}: {
    candidates: Candidate[];
    selector: string;
    tried: Tried | undefined;
    pages: SitePage[];
    onChoose: (candidate: Candidate) => void;
    onType: (selector: string) => void;
    fieldRef: React.RefObject<HTMLInputElement | null>;
}) {
    const problem = tried && !tried.selector.ok ? tried.selector : null;
    const titles = new Map(pages.map((p) => [p.path, p.title.split(' · ')[0] ?? p.path]));
    return (
        <section aria-labelledby="reach-title">
            <h2 id="reach-title" className="mb-1 text-sm font-semibold text-soft">
                How far should it reach?
            </h2>
            <ul className="border-y border-line">
                {candidates.map((candidate) => {
                    const chosen = candidate.selector === selector;
                    const onPages = Object.entries(candidate.pages).filter(([, n]) => n > 0);
                    return (
                        <li key={candidate.selector} className="border-b border-line last:border-b-0">
                            <button
                                type="button"
                                aria-pressed={chosen}
                                className={`block w-full border-l-4 px-2.5 py-1.5 text-left hover:bg-press ${chosen ? 'border-reach bg-sheet' : 'border-transparent'}`}
                                title={onPages.map(([path, n]) => `${titles.get(path)}: ${n}`).join('\n')}
                                onClick={() => onChoose(candidate)}
                            >
                                <span className="flex items-baseline justify-between gap-3">
                                    <code className="min-w-0 font-mono text-sm break-all">{candidate.selector}</code>
                                    <span className="shrink-0 text-xs text-soft">
                                        {candidate.total} on {onPages.length} {onPages.length === 1 ? 'page' : 'pages'}
                                    </span>
                                </span>
                                <span className="flex items-baseline justify-between gap-3 text-xs text-soft">
                                    <span>{candidate.words}</span>
                                    <abbr className="shrink-0 font-mono no-underline" title="specificity: ids, classes, types">
                                        {candidate.specificity.join('·')}
                                    </abbr>
                                </span>
                                {candidate.reasons.map((reason) => (
                                    <span key={reason} className="mt-0.5 flex items-start gap-1.5 text-xs">
                                        <span aria-hidden className="hatched mt-1 h-2.5 w-2.5 shrink-0 border border-spill" />
                                        {reason}
                                    </span>
                                ))}
                            </button>
                        </li>
                    );
                })}
            </ul>
            <label className="mt-2 block text-sm">
                <span className="text-soft">Or type a selector</span>
                <input
                    ref={fieldRef}
                    className="field mt-0.5 font-mono text-sm"
                    value={selector}
                    spellCheck={false}
                    aria-invalid={problem !== null || undefined}
                    aria-describedby={problem ? 'selector-problem' : undefined}
                    onChange={(event) => onType(event.target.value)}
                />
            </label>
            {problem && (
                <div id="selector-problem" role="status" className="mt-1 text-sm">
                    {problem.offset !== null && (
                        <pre className="overflow-x-auto font-mono text-sm leading-tight text-reach" aria-hidden>
                            {selector}
                            {'\n' +
                                ' '.repeat(
                                    [...new TextDecoder().decode(new TextEncoder().encode(selector).slice(0, problem.offset))].length,
                                ) +
                                '↑'}
                        </pre>
                    )}
                    {problem.offset !== null && `At character ${problem.offset + 1}: `}
                    {problem.message}{' '}
                    {problem.fix && (
                        <button type="button" className="link" onClick={() => onType(problem.fix ?? '')}>
                            Use {problem.fix}
                        </button>
                    )}
                </div>
            )}
        </section>
    );
}
