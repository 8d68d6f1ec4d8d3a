import { router } from '@inertiajs/react';
import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Path, Picked, Sheet, SiteImage, SitePage, SiteSummary } from '../api/types';
import { post, upload } from '../api/client';
import type { BoxLook, Step } from '../bridge/messages';
import { Button } from '../components/Button';
import { Shell } from '../components/Shell';
import { Bench, type Places } from '../features/bench/Bench';
import { quickCss } from '../features/bench/quickCss';
import { isSameRange, nearestIn, rangesOf } from '../features/bench/ranges';
import { ThemeLook, VariableLook } from '../features/bench/ThemeLook';
import { forget, useWork } from '../features/bench/useWork';
import { Keys } from '../features/keys/Keys';
import { useKeys } from '../features/keys/useKeys';
import { Spines } from '../features/spines/Spines';
import { Differences } from '../features/stage/Differences';
import { Line } from '../features/stage/Line';
import { Ruler } from '../features/stage/Ruler';
import { Stage } from '../features/stage/Stage';
import { useFrame } from '../features/stage/useFrame';
import { useTelling } from '../features/stage/useTelling';

type Props = { site: SiteSummary; pages: SitePage[]; breakpoints: number[]; images: SiteImage[]; preview: string; sheet: Sheet };

export default function Restyle({ site, pages, breakpoints, images: theirs, preview, sheet: loaded }: Props) {
    const asked = useMemo(() => new URLSearchParams(location.search), []);
    const [page, setPage] = useState(asked.get('page') ?? pages[0]?.path ?? '');
    const [width, setWidth] = useState(() => (innerWidth < 700 ? 390 : 1280));
    const [height, setHeight] = useState(800);
    const work = useWork(site.id, loaded, asked.get('override'), page, width, height);
    const { sheet, at, setAt, draft, begun, shown, worn, trying, tried, picked, marks: examples, pages: marks, look } = work;
    const [before, setBefore] = useState(false);
    const [wipe, setWipe] = useState(false);
    const [help, setHelp] = useState(false);
    const [lookUp, setLookUp] = useState(false);
    const [variable, setVariable] = useState<{ name: string; value: string } | null>(null);
    const [boxOf, setBoxOf] = useState<Path | null>(null);
    const [misplaced, setMisplaced] = useState(0);
    const goTo = useRef<Path | null>(null);
    const climbing = useRef(false);
    const places: Places = { reach: useRef(null), changes: useRef(null), note: useRef(null), marks: useRef(null) };

    const address = `${preview}/${page.split('/').map(encodeURIComponent).join('/')}`;
    const pick = useCallback((path: string) => setAt({ page, path }), [page, setAt]);
    const { frame, ready, boxes, tell } = useFrame(address, {
        pick: (path, as) => {
            if (taking.current) {
                void takeFrom(path);
                return;
            }
            pick(path);
            setBoxOf(climbing.current ? path : null);
            climbing.current = false;
            if (as !== 'pick') work.mark(as, { page, path });
        },
        key: (key, shift) => press(key, shift),
        misplaced: (paths) => setMisplaced(paths.length),
        inside: (path, boxes) => work.setMeasured({ page, path, boxes }),
    });

    const taking = useRef<((colours: { what: string; colour: string }[]) => void) | null>(null);
    const takeFrom = async (path: string) => {
        const on = taking.current;
        taking.current = null;
        const { provenance } = await post<Picked>(`/api/sites/${site.id}/pick`, { page, path, ...work.view });
        const seen = provenance.filter(
            (p) => p.colour && p.pseudo === null && p.value !== 'rgba(0, 0, 0, 0)' && !p.value.startsWith('0px'),
        );
        on?.(seen.map((p) => ({ what: p.heading, colour: p.colour ?? '' })));
    };
    // The trial value goes on at once; the core's answer follows.
    const css = useMemo(() => {
        if (before) return '';
        if (begun && trying.isCurrent && trying.data) return trying.data.preview;
        const own = draft.selector && begun ? quickCss(draft, shown) : '';
        const kept = sheet.entries.filter((e) => e.kind !== 'override' || (e.enabled && e.id !== draft.id));
        return kept.map((e) => (e.kind === 'override' ? quickCss(e, shown) : e.kind === 'raw' ? e.css : '')).join('\n') + own;
    }, [before, draft, begun, sheet, shown, trying.isCurrent, trying.data]);
    const [putIn, setPutIn] = useState<SiteImage[]>([]);
    const paint = useMemo(
        () => ({
            measured: at?.page === page ? { address, css: rooted(css, preview), path: at.path } : null,
            site: site.id,
            images: [...putIn, ...theirs],
            preview,
            take: (on: typeof taking.current) => void (taking.current = on),
            putIn: async (file: File, onProgress: (share: number) => void) => {
                const image = await upload<SiteImage>(`/api/sites/${site.id}/images`, { file }, onProgress);
                setPutIn((list) => [image, ...list]);
                return image;
            },
        }),
        [site.id, putIn, theirs, preview, address, css, at, page],
    );
    const box = useMemo(
        () => padded(boxes?.boxes.pickedLook ?? null),
        [boxes?.boxes.pickedLook?.box.width, boxes?.boxes.pickedLook?.box.height],
    );

    useTelling({
        ready, tell, page, css: rooted(css, preview), worn, at, reached: marks, examples, begun, width, boxOf, setBoxOf, goTo,
    }); // prettier-ignore

    const turnTo = (target: string) => {
        setPage(target);
        setBoxOf(null);
        if (target !== page) setAt(null);
    };
    const go = (target: string, path: string) => {
        goTo.current = path;
        setPage(target);
        setAt({ page: target, path });
        if (target === page) tell({ type: 'show', path });
    };
    const turn = (by: number) => {
        const next = pages[(pages.findIndex((p) => p.path === page) + by + pages.length) % pages.length];
        if (next) turnTo(next.path);
    };
    const step = (to: Step) => {
        climbing.current = true;
        tell({ type: 'step', step: to, from: at?.page === page ? at.path : null });
    };
    const focusChanges = () => places.changes.current?.querySelector<HTMLElement>('input')?.focus();
    const press = (key: string, shift: boolean) => {
        const arrows: Record<string, Step> = { ArrowUp: 'out', ArrowDown: 'in', ArrowLeft: 'previous', ArrowRight: 'next' };
        if (arrows[key]) step(arrows[key]);
        else if (key === '[') turn(-1);
        else if (key === ']') turn(1);
        else if (key === 't' && at) work.mark('meant', at);
        else if (key === 'l' && at) work.mark('kept', at);
        else if (key === 'r') places.reach.current?.focus();
        else if (key === 'e') focusChanges();
        else if (key === 'n') places.note.current?.focus();
        else if (key === '/') setLookUp(true);
        else if (key === 'k') void work.keep();
        else if (key === 'b') setBefore((b) => !b);
        else if (key === 'w') setWipe((w) => !w);
        else if (key.toLowerCase() === 'z') (shift ? work.redo : work.undo)();
        else if (key === '?') setHelp(true);
        else if (key === 'Escape') setBoxOf(null);
    };
    useKeys(press, help || lookUp || variable !== null, () => frame.current?.parentElement?.focus());
    useEffect(() => {
        if (!begun) return;
        const warn = (event: BeforeUnloadEvent) => event.preventDefault();
        addEventListener('beforeunload', warn);
        const off = router.on('before', (event) => {
            if (event.detail.visit.method !== 'get') return;
            if (confirm('This override is not kept yet. Leave it?')) forget(site.id);
            else event.preventDefault();
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
                <>
                    <Button look="quiet" className="px-2! text-sm" title="/" onClick={() => setLookUp(true)}>
                        Look up in the theme
                    </Button>
                    <span className="text-sm text-soft">{standing(sheet)}</span>
                </>
            }
        >
            <main className="grid flex-1 grid-cols-1 lg:min-h-0 lg:grid-cols-[150px_minmax(0,1fr)_396px] lg:grid-rows-[minmax(0,1fr)] lg:overflow-hidden">
                <aside className="order-3 min-h-60 border-line bg-sill lg:order-1 lg:min-h-0 lg:border-r">
                    <Spines
                        pages={pages}
                        marks={marks}
                        examples={examples}
                        current={page}
                        view={boxes ? { top: boxes.top / boxes.height, height: boxes.view / boxes.height } : null}
                        measured={boxes?.marks ?? {}}
                        isLook={look !== null}
                        onPage={turnTo}
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
                            onChange={(event) => turnTo(event.target.value)}
                        >
                            {pages.map((p) => (
                                <option key={p.path} value={p.path}>
                                    {p.title.split(' · ')[0]}
                                </option>
                            ))}
                        </select>
                        {worn.map((w) => (
                            <span key={w.on + w.part} className="flex items-center gap-1 border border-ink px-1.5 text-sm">
                                wearing <code className="font-mono">{w.part}</code>
                                {work.looked.some((l) => l.on === w.on && l.part === w.part) && (
                                    <button
                                        type="button"
                                        className="px-1 hover:bg-press"
                                        aria-label={`Take off ${w.part}`}
                                        onClick={() => work.toggleLook(w)}
                                    >
                                        ×
                                    </button>
                                )}
                            </span>
                        ))}
                        <Button className="ml-auto" aria-pressed={wipe} onClick={() => setWipe(!wipe)} title="w">
                            wipe
                        </Button>
                        <Button aria-pressed={before} onClick={() => setBefore(!before)} title="b">
                            {before ? 'showing before' : 'before / after'}
                        </Button>
                    </div>
                    <div className="flex items-end gap-3">
                        <Ruler
                            width={width}
                            breakpoints={breakpoints}
                            own={begun ? (work.range ?? draft.widths) : null}
                            also={[...(work.range ? [draft.widths] : []), ...rangesOf(draft.declarations)].filter(
                                (r) => !isSameRange(r, work.range ?? draft.widths),
                            )}
                            others={sheet.entries.flatMap((e) =>
                                e.kind === 'override' && e.id !== draft.id && e.enabled && e.selector === draft.selector
                                    ? [e.widths, ...rangesOf(e.declarations)]
                                    : [],
                            )}
                            onWidth={setWidth}
                            onRange={work.moveRange}
                            onDraw={(range) => {
                                work.setRange(range);
                                setWidth(nearestIn(range, width));
                            }}
                        />
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
                        isLook={look !== null}
                        wipe={wipe}
                        onSize={setHeight}
                        onStep={step}
                    />
                    {(wipe || before) && (
                        <Differences
                            site={site.id}
                            page={page}
                            view={work.view}
                            draft={begun && tried?.selector.ok ? draft : null}
                            added={work.added}
                            revision={sheet.revision}
                            onGo={(path) => go(page, path)}
                        />
                    )}
                    <div className="flex flex-wrap items-center gap-x-3 gap-y-1">
                        <Line picked={at?.page === page ? picked : undefined} onPick={pick} onLook={setBoxOf} />
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
                <Bench
                    work={work}
                    site={site}
                    pages={pages}
                    page={page}
                    breakpoints={breakpoints}
                    paint={paint}
                    box={box}
                    places={places}
                    onLook={(isOn) => setBoxOf(isOn && at?.page === page ? at.path : null)}
                    onGo={go}
                    onPage={turnTo}
                    onVariable={(name, value) => setVariable({ name, value })}
                    onWidth={setWidth}
                    onLookUp={() => setLookUp(true)}
                />
            </main>
            <ThemeLook site={site.id} work={work} theme={site.theme} open={lookUp} onOpenChange={setLookUp} />
            <VariableLook site={site.id} work={work} at={at} variable={variable} onClose={() => setVariable(null)} />
            <Keys open={help} onOpenChange={setHelp} />
        </Shell>
    );
}

function standing(sheet: Sheet): string {
    if (sheet.changed) return sheet.live === null ? 'Nothing is live yet' : `Changed since release ${sheet.live}`;
    return sheet.live === null ? 'The sheet is empty' : `As release ${sheet.live}`;
}

/** What a background is positioned in: the box without its borders. */
function padded(look: BoxLook | null): { width: number; height: number } | null {
    if (!look) return null;
    const [top, right, bottom, left] = look.border;
    return { width: Math.round(look.box.width - left - right), height: Math.round(look.box.height - top - bottom) };
}

/** Addresses count from the site's root, which in the frame is the snapshot's. */
const rooted = (css: string, preview: string) => css.replace(/url\((\s*["']?)\/(?!\/)/g, `url($1${preview}/`);
