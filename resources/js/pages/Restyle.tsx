import { router } from '@inertiajs/react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { get, post, Refused } from '../api/client';
import type { Candidate, PaletteColour, Sheet, SitePage, SiteSummary } from '../api/types';
import type { Step } from '../bridge/messages';
import { Button } from '../components/Button';
import { Problem } from '../components/Problem';
import { Shell } from '../components/Shell';
import { Window } from '../components/Window';
import { Changes } from '../features/bench/Changes';
import { Found } from '../features/bench/Found';
import { Reach } from '../features/bench/Reach';
import { Sentence } from '../features/bench/Sentence';
import { WhatSetsIt } from '../features/bench/WhatSetsIt';
import { blank, draftOf, isBegun, usePick, useTry, type Draft } from '../features/bench/useBench';
import { withValue } from '../features/bench/declarations';
import { Spines } from '../features/spines/Spines';
import { Line } from '../features/stage/Line';
import { Ruler } from '../features/stage/Ruler';
import { Stage } from '../features/stage/Stage';
import { useFrame } from '../features/stage/useFrame';

type Props = { site: SiteSummary; pages: SitePage[]; breakpoints: number[]; palette: PaletteColour[]; preview: string; sheet: Sheet };

const shownStates = [
    ['', 'resting'],
    ['hover', 'pointed at'],
    ['focus-visible', 'focused'],
] as const;

const keys: [string, string][] = [
    ['↑ ↓ ← →', 'out, in, to the siblings'],
    ['[ ]', 'page before, page after'],
    ['r', 'to the reach'],
    ['e', 'to the changes'],
    ['n', 'to the note'],
    ['k', 'keep this override'],
    ['b', 'before and after'],
    ['z, Shift z', 'undo, redo'],
    ['Esc', 'back to the page'],
    ['?', 'this list'],
];

export default function Restyle({ site, pages, breakpoints, palette, preview, sheet: loaded }: Props) {
    const asked = useMemo(() => new URLSearchParams(location.search), []);
    const [sheet, setSheet] = useState(loaded);
    const [page, setPage] = useState(asked.get('page') ?? pages[0]?.path ?? '');
    const [width, setWidth] = useState(() => (innerWidth < 700 ? 390 : 1280));
    const [height, setHeight] = useState(800);
    const [at, setAt] = useState<{ page: string; path: string } | null>(null);
    const [draft, setDraft] = useState<Draft>(() => {
        const entry = loaded.entries.find((e) => e.id === asked.get('override'));
        return entry?.kind === 'override' ? draftOf(entry) : blank;
    });
    const [shown, setShown] = useState('');
    const [before, setBefore] = useState(false);
    const [help, setHelp] = useState(false);
    const [problem, setProblem] = useState<Refused | null>(null);
    const [busy, setBusy] = useState(false);
    const [misplaced, setMisplaced] = useState(0);
    const goTo = useRef<string | null>(null);
    const reachField = useRef<HTMLInputElement>(null);
    const changesBox = useRef<HTMLDivElement>(null);
    const noteField = useRef<HTMLTextAreaElement>(null);
    const widthField = useRef<HTMLInputElement>(null);
    const stateField = useRef<HTMLSelectElement>(null);

    const address = `${preview}/${page.split('/').map(encodeURIComponent).join('/')}`;
    const pick = useCallback((path: string) => setAt({ page, path }), [page]);
    const { frame, ready, boxes, tell } = useFrame(address, {
        pick,
        key: (key, shift) => onKey.current(key, shift),
        misplaced: (paths) => setMisplaced(paths.length),
    });
    const picking = usePick(site.id, at, width, height, sheet.revision);
    const picked = at ? picking.data : undefined;
    const trying = useTry(site.id, draft, at, page, width, height, shown, sheet.revision);
    const tried = draft.selector ? trying.data : undefined;
    const begun = isBegun(draft);
    const isOther = begun && picked !== undefined && !picked.candidates.some((c) => c.selector === draft.selector) && draft.id === '';

    // The first look at an element proposes its kind in the nearest region; work that has begun is never taken over.
    useEffect(() => {
        if (picked && !picking.isPlaceholderData && !begun) {
            setDraft({ ...blank, selector: picked.proposed, meant: picked.proposed });
        }
    }, [picked?.page, picked?.path, picking.isPlaceholderData]);

    // The trial value goes on at once; the core's answer follows.
    const css = useMemo(() => {
        if (before) return '';
        if (begun && trying.isCurrent && trying.data) return trying.data.preview;
        const own = draft.selector && begun ? quickCss(draft, shown) : '';
        const kept = sheet.entries.filter((e) => e.kind !== 'override' || (e.enabled && e.id !== draft.id));
        return kept.map((e) => (e.kind === 'override' ? quickCss(e, shown) : e.kind === 'raw' ? e.css : '')).join('\n') + own;
    }, [before, draft, begun, sheet, shown, trying.isCurrent, trying.data]);
    useEffect(() => {
        if (ready) tell({ type: 'css', css });
    }, [ready, css, tell]);
    const marks = useMemo(() => tried?.pages ?? [], [tried]);
    useEffect(() => {
        if (!ready) return;
        const here = marks.find((m) => m.page === page);
        tell({
            type: 'watch',
            picked: at?.page === page ? at.path : null,
            reach: here?.reach.map((m) => m.path) ?? [],
            spill: here?.spill.map((m) => m.path) ?? [],
        });
        if (goTo.current !== null) {
            tell({ type: 'show', path: goTo.current });
            goTo.current = null;
        }
    }, [ready, at, marks, page, tell]);

    const go = (target: string, path: string) => {
        goTo.current = path;
        setPage(target);
        setAt({ page: target, path });
        if (target === page) tell({ type: 'show', path });
    };
    const turn = (by: number) => {
        const next = pages[(pages.findIndex((p) => p.path === page) + by + pages.length) % pages.length];
        if (next) {
            setPage(next.path);
            setAt(null);
        }
    };
    const step = (to: Step) => {
        tell({ type: 'step', step: to, from: at?.page === page ? at.path : null });
        if (at?.page === page) setTimeout(() => goTo.current === null && tell({ type: 'watch', picked: at.path, reach: [], spill: [] }), 0);
    };
    const saved = async (call: Promise<Sheet>, done: string) => {
        setBusy(true);
        setProblem(null);
        try {
            setSheet(await call);
            toast(done);
            return true;
        } catch (error) {
            if (error instanceof Refused) setProblem(error);
            else throw error;
            return false;
        } finally {
            setBusy(false);
        }
    };
    const api = `/api/sites/${site.id}/sheet`;
    const keep = async () => {
        if (!draft.selector || draft.declarations.length === 0 || busy) return;
        if (
            await saved(
                post<Sheet>(`${api}/overrides`, { override: draft, revision: sheet.revision }),
                'Kept. It is in the sheet, and not live yet.',
            )
        ) {
            setDraft(blank);
            setAt(null);
        }
    };
    const undo = () => sheet.undo && void saved(post<Sheet>(`${api}/undo`, { revision: sheet.revision }), `Undone: ${sheet.undo}`);
    const redo = () => sheet.redo && void saved(post<Sheet>(`${api}/redo`, { revision: sheet.revision }), `Done again: ${sheet.redo}`);
    const startAnew = () => {
        setDraft(picked ? { ...blank, selector: picked.proposed, meant: picked.proposed } : blank);
    };
    const choose = (candidate: Candidate) => setDraft((d) => ({ ...d, selector: candidate.selector, meant: candidate.selector }));
    const focusChanges = () => changesBox.current?.querySelector<HTMLElement>('input')?.focus();
    const open = (what: string) => {
        if (what === 'reach') reachField.current?.focus();
        else if (what === 'changes') focusChanges();
        else if (what === 'widths') widthField.current?.focus();
        else stateField.current?.focus();
    };
    const onKey = useRef<(key: string, shift: boolean) => void>(() => undefined);
    onKey.current = (key, shift) => {
        const arrows: Record<string, Step> = { ArrowUp: 'out', ArrowDown: 'in', ArrowLeft: 'previous', ArrowRight: 'next' };
        if (arrows[key]) step(arrows[key]);
        else if (key === '[') turn(-1);
        else if (key === ']') turn(1);
        else if (key === 'r') reachField.current?.focus();
        else if (key === 'e') focusChanges();
        else if (key === 'n') noteField.current?.focus();
        else if (key === 'k') void keep();
        else if (key === 'b') setBefore((b) => !b);
        else if (key.toLowerCase() === 'z') (shift ? redo : undo)();
        else if (key === '?') setHelp(true);
    };
    useEffect(() => {
        const listen = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            const inField = target.matches('input, textarea, select, [contenteditable]');
            if (event.key === 'Escape' && inField) {
                frame.current?.parentElement?.focus();
                return;
            }
            if (inField || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || help) return;
            if (event.key.startsWith('Arrow')) return;
            if (['[', ']', 'r', 'e', 'n', 'k', 'b', 'z', 'Z', '?'].includes(event.key)) {
                event.preventDefault();
                onKey.current(event.key, event.shiftKey);
            }
        };
        addEventListener('keydown', listen);
        return () => removeEventListener('keydown', listen);
    }, [frame, help]);
    useEffect(() => {
        if (!begun) return;
        const warn = (event: BeforeUnloadEvent) => event.preventDefault();
        addEventListener('beforeunload', warn);
        const off = router.on('before', (event) => {
            if (event.detail.visit.method === 'get' && !confirm('This override is not kept yet. Leave it?')) event.preventDefault();
        });
        return () => {
            removeEventListener('beforeunload', warn);
            off();
        };
    }, [begun]);

    return (
        <Shell
            title={`Restyle ${site.name}`}
            site={site}
            at="restyle"
            tools={
                <span className="text-sm text-soft">
                    {sheet.changed
                        ? sheet.live === null
                            ? 'Nothing is live yet'
                            : `Changed since release ${sheet.live}`
                        : sheet.live === null
                          ? 'The sheet is empty'
                          : `As release ${sheet.live}`}
                </span>
            }
        >
            <main className="grid flex-1 grid-cols-1 lg:min-h-0 lg:grid-rows-[minmax(0,1fr)] lg:overflow-hidden lg:grid-cols-[150px_minmax(0,1fr)_396px]">
                <aside className="order-3 min-h-60 border-line bg-sill lg:order-1 lg:min-h-0 lg:border-r">
                    <Spines
                        pages={pages}
                        marks={marks}
                        current={page}
                        view={boxes ? { top: boxes.top / boxes.height, height: boxes.view / boxes.height } : null}
                        measured={boxes?.marks ?? {}}
                        onPage={(path) => {
                            setPage(path);
                            if (path !== page) setAt(null);
                        }}
                        onMark={go}
                        onScroll={(share) => tell({ type: 'scroll', share })}
                    />
                </aside>
                <section aria-label="Page" className="order-1 flex min-h-[75vh] min-w-0 flex-col gap-2 p-3 lg:order-2 lg:min-h-0">
                    <div className="flex flex-wrap items-center gap-2">
                        <select
                            aria-label="Page"
                            className="field w-auto! max-w-72 font-semibold"
                            value={page}
                            onChange={(event) => {
                                setPage(event.target.value);
                                setAt(null);
                            }}
                        >
                            {pages.map((p) => (
                                <option key={p.path} value={p.path}>
                                    {p.title.split(' · ')[0]}
                                </option>
                            ))}
                        </select>
                        <Button className="ml-auto" aria-pressed={before} onClick={() => setBefore(!before)} title="b">
                            {before ? 'showing before' : 'before / after'}
                        </Button>
                    </div>
                    <div className="flex items-end gap-3">
                        <Ruler width={width} breakpoints={breakpoints} onWidth={setWidth} />
                        <label className="flex items-center gap-1 text-sm">
                            <span className="sr-only">Width in pixels</span>
                            <input
                                type="number"
                                className="field w-20! font-mono text-sm"
                                min={320}
                                max={1600}
                                value={width}
                                onChange={(e) => setWidth(Math.min(1600, Math.max(320, Number(e.target.value) || 320)))}
                            />
                            px
                        </label>
                    </div>
                    <Stage
                        frame={frame}
                        address={address}
                        site={site.id}
                        page={page}
                        width={width}
                        height={height}
                        ready={ready}
                        boxes={boxes}
                        tell={tell}
                        picked={picked}
                        place={tried?.place ?? null}
                        onSize={setHeight}
                        onStep={step}
                    />
                    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                        <Line picked={at?.page === page ? picked : undefined} onPick={pick} />
                        {misplaced > 0 && (
                            <span
                                className="text-xs text-spill"
                                title="The browser builds a slightly different tree here; counts on this page may be off for these."
                            >
                                {misplaced} elements stand elsewhere in the browser
                            </span>
                        )}
                        <button type="button" className="link text-xs" onClick={() => setHelp(true)}>
                            Keys: ?
                        </button>
                    </div>
                </section>
                <section aria-label="Bench" className="order-2 flex min-h-0 min-w-0 flex-col border-line bg-paper lg:order-3 lg:border-l">
                    {tried && tried.sentence.length > 0 && (
                        <div className="border-b border-line px-4 py-3">
                            <Sentence parts={tried.sentence} selector={draft.selector} onOpen={open} />
                        </div>
                    )}
                    <div className="relative grid min-h-0 flex-1 content-start gap-5 overflow-y-auto p-4">
                        {!draft.selector && !picked && (
                            <Empty
                                sheet={sheet}
                                onEdit={(id) => {
                                    const entry = sheet.entries.find((e) => e.id === id);
                                    if (entry?.kind === 'override') setDraft(draftOf(entry));
                                }}
                            />
                        )}
                        {picking.error && <Problem>{picking.error.message}</Problem>}
                        {trying.error && <Problem>{trying.error.message}</Problem>}
                        {isOther && picked && (
                            <div className="border-l-4 border-spill bg-sheet px-3 py-2 text-sm">
                                You are looking at <code className="font-mono">{picked.label}</code>; the work on{' '}
                                <code className="font-mono">{draft.selector}</code> is not kept yet.{' '}
                                <button type="button" className="link" onClick={() => picked.candidates[0] && choose(picked.candidates[0])}>
                                    Aim it here
                                </button>{' '}
                                or{' '}
                                <button type="button" className="link" onClick={startAnew}>
                                    drop it and start anew
                                </button>
                                .
                            </div>
                        )}
                        {(picked || draft.selector) && (
                            <>
                                <Reach
                                    candidates={picked?.candidates ?? []}
                                    selector={draft.selector}
                                    tried={tried}
                                    pages={pages}
                                    fieldRef={reachField}
                                    onChoose={choose}
                                    onType={(selector) => setDraft((d) => ({ ...d, selector }))}
                                />
                                <Changes
                                    list={draft.declarations}
                                    picked={picked}
                                    tried={tried}
                                    palette={palette}
                                    firstRef={changesBox}
                                    onChange={(declarations) => setDraft((d) => ({ ...d, declarations }))}
                                />
                                <fieldset className="flex flex-wrap items-center gap-2 text-sm">
                                    <legend className="mb-1 font-semibold text-soft">When</legend>
                                    <label className="flex items-center gap-1.5">
                                        from
                                        <input
                                            ref={widthField}
                                            type="number"
                                            min={1}
                                            className="field w-16! font-mono text-sm"
                                            placeholder="any"
                                            value={draft.widths.from ?? ''}
                                            onChange={(e) =>
                                                setDraft((d) => ({ ...d, widths: { ...d.widths, from: Number(e.target.value) || null } }))
                                            }
                                        />
                                    </label>
                                    <label className="flex items-center gap-1.5">
                                        to
                                        <input
                                            type="number"
                                            min={1}
                                            className="field w-16! font-mono text-sm"
                                            placeholder="any"
                                            value={draft.widths.to ?? ''}
                                            onChange={(e) =>
                                                setDraft((d) => ({ ...d, widths: { ...d.widths, to: Number(e.target.value) || null } }))
                                            }
                                        />
                                        px wide,
                                    </label>
                                    <select
                                        ref={stateField}
                                        aria-label="State"
                                        className="field w-auto!"
                                        value={draft.state}
                                        onChange={(e) => {
                                            setDraft((d) => ({ ...d, state: e.target.value }));
                                            setShown(e.target.value);
                                        }}
                                    >
                                        {shownStates.map(([value, label]) => (
                                            <option key={value} value={value}>
                                                {label}
                                            </option>
                                        ))}
                                    </select>
                                </fieldset>
                                {tried?.selector.ok && begun && (
                                    <Found
                                        tried={tried}
                                        pages={pages}
                                        onGo={go}
                                        onColour={(hex) =>
                                            setDraft((d) => ({ ...d, declarations: withValue(d.declarations, 'color', hex) }))
                                        }
                                        onRaise={(change) => setDraft((d) => ({ ...d, ...change }))}
                                        onMean={() => setDraft((d) => ({ ...d, meant: d.selector }))}
                                    />
                                )}
                                <label className="block text-sm">
                                    <span className="font-semibold text-soft">Note: what and why</span>
                                    <textarea
                                        ref={noteField}
                                        rows={2}
                                        className="field mt-1 font-serif text-base italic"
                                        placeholder="So that you know in half a year."
                                        value={draft.note}
                                        onChange={(e) => setDraft((d) => ({ ...d, note: e.target.value }))}
                                    />
                                </label>
                                {tried && begun && <Code css={tried.css} />}
                                {picked && <WhatSetsIt picked={picked} theme={site.theme} onGo={pick} />}
                            </>
                        )}
                    </div>
                    {problem && (
                        <div className="px-4 pb-2">
                            <Problem>
                                {problem.message}{' '}
                                {problem.reason === 'saved-elsewhere' && (
                                    <button
                                        type="button"
                                        className="link"
                                        onClick={async () => {
                                            setSheet(await get<Sheet>(api));
                                            setProblem(null);
                                        }}
                                    >
                                        Take in the other change
                                    </button>
                                )}
                            </Problem>
                        </div>
                    )}
                    <footer className="flex flex-wrap items-center gap-1 border-t border-line px-4 py-2.5">
                        <Button
                            look="main"
                            disabled={busy || !begun || draft.declarations.length === 0}
                            onClick={() => void keep()}
                            title="k"
                        >
                            Keep this override
                        </Button>
                        {begun && (
                            <Button look="quiet" className="px-2!" onClick={startAnew}>
                                Drop it
                            </Button>
                        )}
                        <span className="ml-auto flex gap-1">
                            <Button
                                disabled={busy || !sheet.undo}
                                onClick={undo}
                                title={sheet.undo ? `Undo: ${sheet.undo}` : 'Nothing to undo'}
                            >
                                Undo
                            </Button>
                            <Button
                                disabled={busy || !sheet.redo}
                                onClick={redo}
                                title={sheet.redo ? `Redo: ${sheet.redo}` : 'Nothing to redo'}
                            >
                                Redo
                            </Button>
                        </span>
                    </footer>
                </section>
            </main>
            <Window title="Keys" open={help} onOpenChange={setHelp}>
                <dl className="grid grid-cols-[8rem_1fr] gap-y-2">
                    {keys.map(([key, what]) => (
                        <div key={key} className="contents">
                            <dt className="font-mono">{key}</dt>
                            <dd>{what}</dd>
                        </div>
                    ))}
                </dl>
            </Window>
        </Shell>
    );
}

/** The trial rule, put on before the core has answered. The core's own text is what is kept and released. */
function quickCss(draft: Draft, shown: string): string {
    const lines = draft.declarations
        .filter((d) => d.enabled && d.value)
        .map((d) => `${d.name}: ${d.value}${d.important ? ' !important' : ''};`);
    const state = draft.state && draft.state !== shown ? `:${draft.state}` : '';
    const rule = `${draft.selector
        .split(/,(?![^(]*\))/)
        .map((part) => part.trim() + state)
        .join(', ')} { ${lines.join(' ')} }`;
    const { from, to } = draft.widths;
    const media = [from && `(min-width: ${from}px)`, to && `(max-width: ${to}px)`].filter(Boolean).join(' and ');
    return media ? `@media ${media} { ${rule} }\n` : `${rule}\n`;
}

function Code({ css }: { css: string }) {
    return (
        <div className="relative">
            <pre
                aria-label="The CSS of this override"
                className="overflow-x-auto rounded-[4px] bg-code p-3 font-mono text-sm whitespace-pre-wrap text-on-code"
            >
                {css}
            </pre>
            <button
                type="button"
                className="absolute right-2 bottom-2 rounded-[3px] border border-white/30 px-2 text-xs text-on-code hover:bg-white/10"
                onClick={() => void navigator.clipboard.writeText(css).then(() => toast('Copied.'))}
            >
                Copy
            </button>
        </div>
    );
}

function Empty({ sheet, onEdit }: { sheet: Sheet; onEdit: (id: string) => void }) {
    const overrides = sheet.entries.filter((e) => e.kind === 'override');
    return (
        <div className="grid gap-4">
            <p className="font-serif text-[1.3rem] leading-snug">Point at what should look different, and click it.</p>
            <p className="text-soft">
                Then say how far the change should reach, and change it. Nothing is live before you release it, and every step can be taken
                back.
            </p>
            {overrides.length > 0 && (
                <section aria-labelledby="kept-title">
                    <h2 id="kept-title" className="mb-1 text-sm font-semibold text-soft">
                        Kept in the sheet
                    </h2>
                    <ul className="border-y border-line">
                        {overrides.map((o) => (
                            <li key={o.id} className="border-b border-line last:border-b-0">
                                <button type="button" className="w-full px-1 py-1.5 text-left hover:bg-press" onClick={() => onEdit(o.id)}>
                                    <code className="font-mono text-sm break-all">{o.selector}</code>
                                    <span className="block text-xs text-soft">
                                        {o.declarations.length} {o.declarations.length === 1 ? 'change' : 'changes'}, {o.reach} on {o.pages}{' '}
                                        {o.pages === 1 ? 'page' : 'pages'}
                                        {o.enabled ? '' : ', switched off'}
                                    </span>
                                </button>
                            </li>
                        ))}
                    </ul>
                </section>
            )}
        </div>
    );
}
