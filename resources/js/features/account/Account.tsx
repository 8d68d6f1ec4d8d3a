import { Link } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { get, Refused } from '../../api/client';
import type { Account as Overview, AccountPage } from '../../api/types';
import { Button } from '../../components/Button';
import { Problem } from '../../components/Problem';

type State = { overview: Overview | null; pages: AccountPage[]; isRunning: boolean; problem: string | null };

/** Everything that the draft changes on the whole site, worked out page by page; it can be stopped and gone on with. */
function useAccount(site: number, revision: number) {
    const [state, setState] = useState<State>({ overview: null, pages: [], isRunning: true, problem: null });
    const [run, setRun] = useState(0);
    useEffect(() => {
        const stop = new AbortController();
        const work = async () => {
            const overview = state.overview ?? (await get<Overview>(`/api/sites/${site}/account`, stop.signal));
            setState((s) => ({ ...s, overview, isRunning: true, problem: null }));
            for (const path of overview.pages.slice(state.pages.length)) {
                const page = await get<AccountPage>(
                    `/api/sites/${site}/account/${path.split('/').map(encodeURIComponent).join('/')}`,
                    stop.signal,
                );
                if (stop.signal.aborted) return;
                setState((s) => ({ ...s, pages: [...s.pages, page] }));
            }
            setState((s) => ({ ...s, isRunning: false }));
        };
        if (state.isRunning)
            work().catch((error: unknown) => {
                if (!stop.signal.aborted)
                    setState((s) => ({
                        ...s,
                        isRunning: false,
                        problem: error instanceof Refused ? error.message : 'The check broke off.',
                    }));
            });
        return () => stop.abort();
    }, [site, revision, run]);
    const halt = () => {
        setState((s) => ({ ...s, isRunning: false }));
        setRun((r) => r + 1);
    };
    const goOn = () => {
        setState((s) => ({ ...s, isRunning: true }));
        setRun((r) => r + 1);
    };
    return { ...state, halt, goOn };
}

export function Account({ site, revision, titles }: { site: number; revision: number; titles: Map<string, string> }) {
    const { overview, pages, isRunning, problem, halt, goOn } = useAccount(site, revision);
    const sum = (kind: 'meant' | 'accepted' | 'spill') => pages.reduce((all, page) => all + page.counts[kind], 0);
    const total = overview?.pages.length ?? 0;
    const isWhole = overview !== null && pages.length === total;
    const losing = overview?.overrides.filter((o) => o.losses.length > 0 || o.reached === 0 || o.problem) ?? [];
    const names = new Map(overview?.overrides.map((o) => [o.id, o.selector]));
    const worst = [...pages].sort((a, b) => b.counts.spill - a.counts.spill);
    return (
        <section aria-labelledby="account-title">
            <h2 id="account-title" className="mb-1 font-serif text-2xl">
                What it changes on the whole site
            </h2>
            {problem && <Problem>{problem} What was found so far is kept; go on when you like.</Problem>}
            <div className="flex flex-wrap items-center gap-3">
                <p role="status" className="text-soft">
                    {!overview && isRunning && 'Reading the sheet…'}
                    {overview && !isWhole && `${pages.length} of ${total} pages looked at${isRunning ? '…' : '.'}`}
                    {isWhole &&
                        `All ${total} pages looked at, at ${overview.viewings.join(overview.viewings.some((v) => v.includes(',')) ? '; ' : ', ')} px.`}
                </p>
                {!isWhole && isRunning && <Button onClick={halt}>Stop</Button>}
                {!isWhole && !isRunning && <Button onClick={goOn}>Go on</Button>}
            </div>
            {overview && !isWhole && (
                <progress className="my-1 h-1.5 w-full accent-green" max={total} value={pages.length} aria-label="Pages looked at" />
            )}
            {pages.length > 0 && (
                <p className="my-2 font-serif text-[1.2rem] leading-snug">
                    {sum('meant')} {sum('meant') === 1 ? 'element changes' : 'elements change'} as meant,{' '}
                    <span className={sum('spill') > 0 ? 'border-b-2 border-spill font-semibold' : ''}>
                        {sum('spill') === 0 ? 'and nothing else does' : `${sum('spill')} without being meant`}
                    </span>
                    {sum('accepted') > 0 && `, ${sum('accepted')} as you accepted`}.
                </p>
            )}
            {losing.length > 0 && (
                <ul className="mb-3 grid gap-1 text-sm">
                    {losing.map((o) => (
                        <li key={o.id} className="flex items-start gap-2">
                            <span aria-hidden className="mt-1.5 h-2.5 w-2.5 shrink-0 rounded-full bg-reach" />
                            <span>
                                <Link className="link font-mono" href={`/sites/${site}?override=${o.id}`}>
                                    {o.selector}
                                </Link>{' '}
                                {o.problem ??
                                    (o.reached === 0
                                        ? 'hits nothing.'
                                        : `loses ${[...new Set(o.losses.map((l) => l.property))].join(', ')} to ${o.losses[0]?.winner.selector ?? 'the page itself'}.`)}
                            </span>
                        </li>
                    ))}
                </ul>
            )}
            <ul className="border-t border-line">
                {worst.map((page) => (
                    <li key={page.page} className="border-b border-line">
                        <details open={page.counts.spill > 0 && worst[0] === page ? true : undefined}>
                            <summary className="flex cursor-pointer flex-wrap items-baseline gap-x-4 py-1.5">
                                <span className="min-w-40 font-semibold">{titles.get(page.page) ?? page.page}</span>
                                <span className="flex items-center gap-1.5 text-sm">
                                    <span aria-hidden className="h-2.5 w-2.5 bg-reach" />
                                    {page.counts.meant} meant
                                </span>
                                <span className="flex items-center gap-1.5 text-sm">
                                    <span aria-hidden className="hatched h-2.5 w-2.5 border border-spill" />
                                    {page.counts.spill} spilled
                                </span>
                                {page.counts.accepted > 0 && <span className="text-sm text-soft">{page.counts.accepted} accepted</span>}
                            </summary>
                            <ul className="grid gap-0.5 pb-2 text-sm">
                                {page.changes.map((change, i) => (
                                    <li key={i} className="flex items-baseline gap-2">
                                        <span
                                            aria-hidden
                                            className={`h-2 w-2 shrink-0 ${change.kind === 'spill' ? 'hatched border border-spill' : change.kind === 'meant' ? 'bg-reach' : 'border border-spill'}`}
                                        />
                                        <span className="min-w-0">
                                            <span className="sr-only">{change.kind}: </span>
                                            <code className="font-mono">{change.label}</code>{' '}
                                            <span className="text-soft">{change.excerpt}</span>
                                            <span className="block text-xs text-soft">
                                                {Object.entries(change.properties)
                                                    .slice(0, 3)
                                                    .map(([name, [before, after]]) => `${name}: ${before} → ${after}`)
                                                    .join('; ')}
                                                {change.by && `, by ${names.get(change.by) ?? 'an override'}`}
                                                {change.cause === 'inherited' && ', by inheritance'}
                                                {change.viewings.length < (overview?.viewings.length ?? 0) &&
                                                    `, at ${change.viewings.join('; ')}`}
                                            </span>
                                        </span>
                                    </li>
                                ))}
                                {page.total > page.changes.length && (
                                    <li className="text-soft">and {page.total - page.changes.length} more</li>
                                )}
                                {page.total === 0 && <li className="text-soft">Nothing changes here.</li>}
                            </ul>
                        </details>
                    </li>
                ))}
            </ul>
        </section>
    );
}
