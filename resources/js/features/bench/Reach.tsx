import { useState } from 'react';
import { post } from '../../api/client';
import type { Candidate, Fit, Picked, SitePage } from '../../api/types';
import type { Work } from './useWork';

const further: Candidate['kind'][] = ['tag', 'text'];

const parts = [
    ['before', 'what stands before its text'],
    ['after', 'what stands after its text'],
    ['placeholder', 'the hint in an empty field'],
    ['marker', 'the bullet or number'],
    ['selection', 'text that is selected'],
] as const;

/** How far the change should reach: selectors with their counts, looked at before one is chosen, and one's own. */
export function Reach({ work, pages, fieldRef }: { work: Work; pages: SitePage[]; fieldRef: React.RefObject<HTMLInputElement | null> }) {
    const { picked, draft, tried, aimed, choose, setLook, setDraft } = work;
    const candidates = picked?.candidates ?? [];
    const near = candidates.filter((c) => !further.includes(c.kind));
    const far = candidates.filter((c) => further.includes(c.kind));
    const problem = tried && !tried.selector.ok ? tried.selector : null;
    const titles = new Map(pages.map((p) => [p.path, p.title.split(' · ')[0] ?? p.path]));
    const row = (choice: Candidate | Fit, words: string) => (
        <Choice
            key={choice.selector}
            selector={choice.selector}
            words={words}
            choice={choice}
            titles={titles}
            isChosen={choice.selector === draft.selector}
            onLook={setLook}
            onChoose={choose}
        />
    );
    const hasTones = (picked?.tones.length ?? 0) > 1;
    const isFarChosen = far.some((c) => c.selector === draft.selector);
    return (
        <section aria-labelledby="reach-title">
            <h2 id="reach-title" className="mb-1 text-sm font-semibold text-soft">
                How far should it reach?
            </h2>
            {aimed && (
                <>
                    {aimed.confusion && (
                        <p role="status" className="mb-1 flex items-start gap-2 text-sm">
                            <span aria-hidden className="hatched mt-1 h-2.5 w-2.5 shrink-0 border border-spill" />
                            {aimed.confusion}
                        </p>
                    )}
                    <ul aria-label="Selectors that fit the marks" className="mb-2 border-y border-line">
                        {aimed.fits.slice(0, 4).map((fit) => row(fit, fitWords(fit)))}
                    </ul>
                </>
            )}
            {!aimed && (
                <ul className="border-y border-line" aria-label="Reaches">
                    {near.map((c) => row(c, c.words))}
                </ul>
            )}
            {picked && (far.length > 0 || hasTones || aimed) && (
                <details className="border-b border-line" open={isFarChosen || undefined}>
                    <summary className="cursor-pointer px-2.5 py-1.5 text-sm text-soft">
                        {aimed
                            ? 'What the picked element alone would give'
                            : hasTones
                              ? 'By tone, by tag, or the text inside'
                              : 'By tag, or the text inside'}
                    </summary>
                    {hasTones && <InTones key={picked.page + picked.path} work={work} picked={picked} row={row} />}
                    <ul aria-label="More reaches">{(aimed ? candidates : far).map((c) => row(c, c.words))}</ul>
                </details>
            )}
            <label className="mt-2 block text-sm">
                <span className="text-soft">Or type a selector</span>
                <input
                    ref={fieldRef}
                    className="field mt-0.5 font-mono text-sm"
                    value={draft.selector}
                    spellCheck={false}
                    aria-invalid={problem !== null || undefined}
                    aria-describedby={problem ? 'selector-problem' : undefined}
                    onChange={(event) => setDraft((d) => ({ ...d, selector: event.target.value }))}
                />
            </label>
            <label className="mt-1.5 flex items-center gap-2 text-sm">
                <span className="text-soft">Part of it</span>
                <select
                    className="field w-auto! py-0.5! text-sm"
                    value={tried?.selector.part ?? ''}
                    onChange={(event) => void work.takePart(event.target.value)}
                >
                    <option value="">the element itself</option>
                    {parts.map(([part, words]) => (
                        <option key={part} value={part}>
                            {words} (::{part})
                        </option>
                    ))}
                </select>
            </label>
            {problem && (
                <div id="selector-problem" role="status" className="mt-1 text-sm">
                    {problem.offset !== null && (
                        <pre className="overflow-x-auto font-mono text-sm leading-tight text-reach" aria-hidden>
                            {draft.selector}
                            {'\n' +
                                ' '.repeat(
                                    [...new TextDecoder().decode(new TextEncoder().encode(draft.selector).slice(0, problem.offset))].length,
                                ) +
                                '↑'}
                        </pre>
                    )}
                    {problem.offset !== null && `At character ${problem.offset + 1}: `}
                    {problem.message}{' '}
                    {problem.fix && (
                        <button type="button" className="link" onClick={() => choose(problem.fix ?? '')}>
                            Use {problem.fix}
                        </button>
                    )}
                </div>
            )}
        </section>
    );
}

/** The sections of which tones it should reach: any number of them, put together by the core. */
function InTones({ work, picked, row }: { work: Work; picked: Picked; row: (choice: Candidate, words: string) => React.ReactNode }) {
    const { draft, site, view, choose, setLook } = work;
    const { width, height } = view;
    const [together, setTogether] = useState<{ tones: string[]; candidate: Candidate } | null>(null);
    const alone = picked.tones.find((t) => t.selector === draft.selector);
    const isTogether = together?.candidate.selector === draft.selector;
    const chosen = isTogether ? together.tones : alone ? [alone.tone] : [];
    const toggle = async (tone: string) => {
        const tones = picked.tones.map((t) => t.tone).filter((t) => chosen.includes(t) !== (t === tone));
        if (tones.length === 0) return;
        const single = tones.length === 1 ? picked.tones.find((t) => t.tone === tones[0]) : undefined;
        const asked = { page: picked.page, path: picked.path, tones, width, height };
        const candidate = single ?? (await post<Candidate>(`/api/sites/${site}/tones`, asked));
        setTogether({ tones, candidate });
        choose(candidate.selector);
    };
    const lookAt = (t: Picked['tones'][number]) => setLook(chosen.includes(t.tone) ? null : t.selector);
    return (
        <fieldset className="border-b border-line px-2.5 pb-1.5 text-sm">
            <legend className="text-soft sm:float-left sm:mr-2">In sections of the tone</legend>
            <div className="flex flex-wrap gap-1">
                {picked.tones.map((t) => (
                    <button
                        key={t.tone}
                        type="button"
                        aria-pressed={chosen.includes(t.tone)}
                        aria-label={`${t.tone}, ${t.total}`}
                        className="rounded-[4px] border border-line px-2 hover:bg-press aria-pressed:border-ink aria-pressed:bg-press aria-pressed:font-semibold"
                        onPointerEnter={() => lookAt(t)}
                        onPointerLeave={() => setLook(null)}
                        onFocus={(event) => event.currentTarget.matches(':focus-visible') && lookAt(t)}
                        onBlur={() => setLook(null)}
                        onClick={() => void toggle(t.tone)}
                    >
                        {t.tone} <span className="text-xs text-soft">{t.total}</span>
                    </button>
                ))}
            </div>
            {isTogether && chosen.length > 1 && (
                <ul className="clear-both -mx-2.5 mt-1.5 border-t border-line">{row(together.candidate, together.candidate.words)}</ul>
            )}
        </fieldset>
    );
}

function fitWords(fit: Fit): string {
    if (!fit.fits) return 'comes nearest to your marks, and does not fit them all';
    return fit.others === 0 ? 'all that you marked, and nothing else' : 'fits all your marks';
}

function Choice({
    selector,
    words,
    choice,
    titles,
    isChosen,
    onLook,
    onChoose,
}: {
    selector: string;
    words: string;
    choice: Candidate | Fit;
    titles: Map<string, string>;
    isChosen: boolean;
    onLook: (selector: string | null) => void;
    onChoose: (selector: string) => void;
}) {
    const onPages = Object.entries(choice.pages).filter(([, n]) => n > 0);
    return (
        <li className="border-b border-line last:border-b-0">
            <button
                type="button"
                aria-pressed={isChosen}
                className={`block w-full border-l-4 px-2.5 py-1.5 text-left hover:bg-press focus-visible:bg-press ${isChosen ? 'border-reach bg-sheet' : 'border-transparent'}`}
                title={onPages.map(([path, n]) => `${titles.get(path)}: ${n}`).join('\n')}
                onPointerEnter={() => onLook(selector)}
                onPointerLeave={() => onLook(null)}
                onFocus={(event) => event.currentTarget.matches(':focus-visible') && onLook(selector)}
                onBlur={() => onLook(null)}
                onClick={() => onChoose(selector)}
            >
                <span className="flex items-baseline justify-between gap-3">
                    <code className="min-w-0 font-mono text-sm break-words">{selector}</code>
                    <span className="shrink-0 text-xs text-soft">
                        {choice.total} on {onPages.length} {onPages.length === 1 ? 'page' : 'pages'}
                    </span>
                </span>
                <span className="flex items-baseline justify-between gap-3 text-xs text-soft">
                    <span>{words}</span>
                    <abbr className="shrink-0 font-mono no-underline" title="specificity: ids, classes, types">
                        {choice.specificity.join('·')}
                    </abbr>
                </span>
                {choice.reasons.map((reason) => (
                    <span key={reason} className="mt-0.5 flex items-start gap-1.5 text-xs">
                        <span aria-hidden className="hatched mt-1 h-2.5 w-2.5 shrink-0 border border-spill" />
                        {reason}
                    </span>
                ))}
            </button>
        </li>
    );
}
