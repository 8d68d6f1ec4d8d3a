import type { PageMarks, Path, SitePage } from '../../api/types';

export type View = { top: number; height: number };

/** All pages at a glance: solid marks where the override lands, hatched ones where it spills. */
export function Spines({
    pages,
    marks,
    current,
    view,
    measured,
    onPage,
    onMark,
    onScroll,
}: {
    pages: SitePage[];
    marks: PageMarks[];
    current: string;
    view: View | null;
    measured: Record<Path, number>;
    onPage: (page: string) => void;
    onMark: (page: string, path: Path) => void;
    onScroll: (share: number) => void;
}) {
    const byPage = new Map(marks.map((m) => [m.page, m]));
    const meant = marks.reduce((sum, m) => sum + m.count, 0);
    const spilled = marks.reduce((sum, m) => sum + m.spilled, 0);
    return (
        <nav aria-label="Where it lands" className="flex h-full min-h-60 flex-col gap-2 p-3">
            <h2 className="text-sm font-semibold text-soft">Where it lands</h2>
            <ol className="flex min-h-40 flex-1 gap-0.75 overflow-x-auto">
                {pages.map((page) => {
                    const mark = byPage.get(page.path);
                    const isCurrent = page.path === current;
                    const title = page.title.split(' · ')[0];
                    const place = (at: number, path: Path) => (isCurrent ? (measured[path] ?? at) : at) * 100;
                    return (
                        <li key={page.path} className="flex min-w-2.5 flex-1 flex-col items-center gap-1">
                            <div
                                className={`relative w-full max-w-5 flex-1 ${isCurrent ? 'border border-ink bg-press' : 'bg-press'}`}
                                onKeyDown={(event) => {
                                    const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
                                    if (!step) return;
                                    event.preventDefault();
                                    event.stopPropagation();
                                    const stops = [...event.currentTarget.querySelectorAll('button')];
                                    stops[
                                        (stops.indexOf(document.activeElement as HTMLButtonElement) + step + stops.length) % stops.length
                                    ]?.focus();
                                }}
                            >
                                <button
                                    type="button"
                                    className="absolute inset-0 w-full"
                                    aria-current={isCurrent ? 'page' : undefined}
                                    aria-label={`${title}: ${mark?.count ?? 0} reached, ${mark?.spilled ?? 0} spilled`}
                                    title={`${title}\n${mark?.count ?? 0} reached, ${mark?.spilled ?? 0} spilled`}
                                    onClick={(event) => {
                                        const box = event.currentTarget.getBoundingClientRect();
                                        if (isCurrent && event.detail > 0) onScroll((event.clientY - box.top) / box.height);
                                        else onPage(page.path);
                                    }}
                                />
                                {isCurrent && view && (
                                    <span
                                        aria-hidden
                                        className="pointer-events-none absolute inset-x-0 border border-ink bg-ink/10"
                                        style={{ top: `${view.top * 100}%`, height: `${Math.min(1 - view.top, view.height) * 100}%` }}
                                    />
                                )}
                                {mark?.spill.map(({ at, path }) => (
                                    <Mark
                                        key={'s' + path}
                                        className="hatched right-0 w-1/2 border border-spill"
                                        top={place(at, path)}
                                        label={`Spill on ${title}`}
                                        onClick={() => onMark(page.path, path)}
                                    />
                                ))}
                                {mark?.reach.map(({ at, path }) => (
                                    <Mark
                                        key={'r' + path}
                                        className="inset-x-0 w-full bg-reach"
                                        top={place(at, path)}
                                        label={`Reached on ${title}`}
                                        onClick={() => onMark(page.path, path)}
                                    />
                                ))}
                            </div>
                            <span className={`font-mono text-xs ${mark?.count ? 'font-bold' : 'text-soft'}`}>{mark?.count ?? 0}</span>
                        </li>
                    );
                })}
            </ol>
            <p className="flex items-start gap-2 text-xs">
                <span aria-hidden className="mt-1 h-2.5 w-2.5 shrink-0 bg-reach" />
                {meant} reached, on {marks.filter((m) => m.count > 0).length} of {pages.length} pages
            </p>
            <p className="flex items-start gap-2 text-xs">
                <span aria-hidden className="hatched mt-1 h-2.5 w-2.5 shrink-0 border border-spill" />
                {spilled} spilled, on {marks.filter((m) => m.spilled > 0).length}{' '}
                {marks.filter((m) => m.spilled > 0).length === 1 ? 'page' : 'pages'}
            </p>
        </nav>
    );
}

function Mark({ className, top, label, onClick }: { className: string; top: number; label: string; onClick: () => void }) {
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
