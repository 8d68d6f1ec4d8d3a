import { useState } from 'react';
import type { Mark, PageMarks, Path, SitePage } from '../../api/types';

export type View = { top: number; height: number };

/** From so many pages on, spines stand in rows, and those that nothing happens on can be left out. */
const many = 14;

/**
 * All pages at a glance: solid marks where the override lands, hatched ones where it spills, rings for what is to be left
 * alone. Left and right go from page to page, down and up from mark to mark; Enter goes there.
 */
export function Spines({
    pages,
    marks,
    examples,
    current,
    view,
    measured,
    isLook,
    onPage,
    onMark,
    onScroll,
}: {
    pages: SitePage[];
    marks: PageMarks[];
    examples: Mark[];
    current: string;
    view: View | null;
    measured: Record<Path, number>;
    isLook: boolean;
    onPage: (page: string) => void;
    onMark: (page: string, path: Path) => void;
    onScroll: (share: number) => void;
}) {
    const [onlyConcerned, setOnlyConcerned] = useState(false);
    const byPage = new Map(marks.map((m) => [m.page, m]));
    const meant = marks.reduce((sum, m) => sum + m.count, 0);
    const spilled = marks.reduce((sum, m) => sum + m.spilled, 0);
    const isConcerned = (page: SitePage) => {
        const mark = byPage.get(page.path);
        return (mark?.count ?? 0) + (mark?.spilled ?? 0) > 0 || page.path === current || examples.some((e) => e.page === page.path);
    };
    const shown = onlyConcerned ? pages.filter(isConcerned) : pages;
    const inRows = shown.length > many;
    const walk = (event: React.KeyboardEvent<HTMLElement>) => {
        const target = event.target as HTMLElement;
        const spine = target.closest('[data-spine]');
        const along = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        const across = { ArrowRight: 1, ArrowLeft: -1 }[event.key];
        if (!spine || (!along && !across)) return;
        event.preventDefault();
        event.stopPropagation();
        const all = along
            ? spine.querySelectorAll('button')
            : event.currentTarget.querySelectorAll<HTMLElement>('[data-spine] > button:first-child');
        const stops = [...all] as HTMLElement[];
        const from = along ? stops.indexOf(target) : stops.findIndex((s) => spine.contains(s));
        stops[(from + (along ?? across ?? 0) + stops.length) % stops.length]?.focus();
    };
    return (
        <nav aria-label="Where it lands" className="flex h-full min-h-60 flex-col gap-2 p-3">
            <div className="flex items-baseline justify-between gap-2">
                <h2 className="text-[0.8rem] font-semibold whitespace-nowrap text-soft">
                    {isLook ? 'Where it would land' : 'Where it lands'}
                </h2>
            </div>
            {pages.length > 3 && (
                <label className="flex items-center gap-1.5 text-xs text-soft">
                    <input
                        type="checkbox"
                        className="accent-green"
                        checked={onlyConcerned}
                        onChange={(e) => setOnlyConcerned(e.target.checked)}
                    />
                    only pages concerned
                </label>
            )}
            <ol
                className={
                    inRows
                        ? 'grid min-h-40 flex-1 auto-rows-[minmax(4.75rem,1fr)] grid-cols-[repeat(auto-fill,minmax(11px,1fr))] gap-x-0.5 gap-y-1.5 overflow-y-auto'
                        : 'flex min-h-40 flex-1 gap-0.75 overflow-x-auto'
                }
                onKeyDown={walk}
            >
                {shown.map((page) => (
                    <Spine
                        key={page.path}
                        page={page}
                        mark={byPage.get(page.path)}
                        examples={examples.filter((e) => e.page === page.path)}
                        isCurrent={page.path === current}
                        view={page.path === current ? view : null}
                        measured={measured}
                        isSmall={inRows}
                        onPage={onPage}
                        onMark={onMark}
                        onScroll={onScroll}
                    />
                ))}
            </ol>
            <p className="flex items-start gap-2 text-xs">
                <span aria-hidden className={`mt-1 h-2.5 w-2.5 shrink-0 ${isLook ? 'border-2 border-dashed border-reach' : 'bg-reach'}`} />
                {meant} {isLook ? 'would be reached' : 'reached'}, on {marks.filter((m) => m.count > 0).length} of {pages.length} pages
            </p>
            {!isLook && (
                <p className="flex items-start gap-2 text-xs">
                    <span aria-hidden className="hatched mt-1 h-2.5 w-2.5 shrink-0 border border-spill" />
                    {spilled} spilled, on {marks.filter((m) => m.spilled > 0).length}{' '}
                    {marks.filter((m) => m.spilled > 0).length === 1 ? 'page' : 'pages'}
                </p>
            )}
        </nav>
    );
}

function Spine({
    page,
    mark,
    examples,
    isCurrent,
    view,
    measured,
    isSmall,
    onPage,
    onMark,
    onScroll,
}: {
    page: SitePage;
    mark: PageMarks | undefined;
    examples: Mark[];
    isCurrent: boolean;
    view: View | null;
    measured: Record<Path, number>;
    isSmall: boolean;
    onPage: (page: string) => void;
    onMark: (page: string, path: Path) => void;
    onScroll: (share: number) => void;
}) {
    const title = page.title.split(' · ')[0];
    const place = (at: number, path: Path) => (isCurrent ? (measured[path] ?? at) : at) * 100;
    const kept = examples.filter((e) => e.kind === 'kept' && e.path !== null);
    const at = (path: Path) => [...(mark?.reach ?? []), ...(mark?.spill ?? [])].find((m) => m.path === path)?.at ?? 0;
    const label = `${title}: ${mark?.count ?? 0} reached, ${mark?.spilled ?? 0} spilled`;
    return (
        <li className="flex min-w-2.5 flex-1 flex-col items-center gap-1">
            <div data-spine className={`relative w-full max-w-5 flex-1 bg-press ${isCurrent ? 'border border-ink' : ''}`}>
                <button
                    type="button"
                    className="absolute inset-0 w-full"
                    aria-current={isCurrent ? 'page' : undefined}
                    aria-label={label}
                    title={label.replace(': ', '\n')}
                    onClick={(event) => {
                        const box = event.currentTarget.getBoundingClientRect();
                        if (isCurrent && event.detail > 0) onScroll((event.clientY - box.top) / box.height);
                        else onPage(page.path);
                    }}
                />
                {view && (
                    <span
                        aria-hidden
                        className="pointer-events-none absolute inset-x-0 border border-ink bg-ink/10"
                        style={{ top: `${view.top * 100}%`, height: `${Math.min(1 - view.top, view.height) * 100}%` }}
                    />
                )}
                {mark?.spill.map(({ at, path }) => (
                    <Dash
                        key={'s' + path}
                        className="hatched right-0 w-1/2 border border-spill"
                        top={place(at, path)}
                        label={`Spill on ${title}`}
                        onClick={() => onMark(page.path, path)}
                    />
                ))}
                {mark?.reach.map(({ at, path }) => (
                    <Dash
                        key={'r' + path}
                        className="inset-x-0 w-full bg-reach"
                        top={place(at, path)}
                        label={`Reached on ${title}`}
                        onClick={() => onMark(page.path, path)}
                    />
                ))}
                {kept.map((e) => (
                    <Dash
                        key={'k' + e.path}
                        className="-left-0.5 h-2! w-2 rounded-full border-2 border-ink bg-paper"
                        top={place(at(e.path ?? ''), e.path ?? '')}
                        label={`Left alone on ${title}`}
                        onClick={() => onMark(page.path, e.path ?? '')}
                    />
                ))}
            </div>
            {(!isSmall || (mark?.count ?? 0) > 0) && (
                <span className={`font-mono text-xs ${isSmall ? 'text-[0.6rem]!' : ''} ${mark?.count ? 'font-bold' : 'text-soft'}`}>
                    {mark?.count ?? 0}
                </span>
            )}
        </li>
    );
}

function Dash({ className, top, label, onClick }: { className: string; top: number; label: string; onClick: () => void }) {
    return (
        <button
            type="button"
            tabIndex={-1}
            aria-label={label}
            title={label}
            className={`absolute h-1.5 min-h-1.5 ${className}`}
            style={{ top: `min(${top}%, calc(100% - 6px))` }}
            onClick={onClick}
        />
    );
}
