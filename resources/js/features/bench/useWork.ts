import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { toast } from 'sonner';
import { get, post, Refused } from '../../api/client';
import type { Declaration, Mark, Mend, Override, PageMarks, Range, Sheet, Wear } from '../../api/types';
import { isSameRange, linesAt } from './ranges';
import {
    blank,
    draftOf,
    isBegun,
    useAim,
    useCovered,
    usePick,
    useReach,
    useTry,
    useWeigh,
    type At,
    type Draft,
    type View,
} from './useBench';

const same = (a: Wear, b: Wear) => a.on === b.on && a.part === b.part;

const unkeptKey = (site: number) => `insignum.unkept.${site}`;

function unkept(site: number): Draft | null {
    try {
        const draft = JSON.parse(sessionStorage.getItem(unkeptKey(site)) ?? 'null') as Partial<Draft> | null;
        return draft && typeof draft.selector === 'string' ? { ...blank, ...draft } : null;
    } catch {
        return null;
    }
}

/** Forgets it, when it is left on purpose. */
export const forget = (site: number) => sessionStorage.removeItem(unkeptKey(site));

/** The work on one override: what is picked, marked, tried and found, and the draft sheet that it is kept in. */
export function useWork(site: number, loaded: Sheet, edited: string | null, page: string, width: number, height: number) {
    const api = `/api/sites/${site}/sheet`;
    const [sheet, setSheet] = useState(loaded);
    const [at, setAt] = useState<At | null>(null);
    const [draft, setDraft] = useState<Draft>(() => {
        const entry = loaded.entries.find((e) => e.id === edited);
        return entry?.kind === 'override' ? draftOf(entry) : (unkept(site) ?? blank);
    });
    /** At which widths the values count that are being edited; null for those of the override. */
    const [range, setRange] = useState<Range | null>(null);
    /** A second override that a mend brought, kept together with the first. */
    const [added, setAdded] = useState<Override | null>(null);
    const [shown, setShown] = useState('');
    const [looked, setLooked] = useState<Wear[]>([]);
    const [look, setLook] = useState<string | null>(null);
    const [problem, setProblem] = useState<Refused | null>(null);
    const [busy, setBusy] = useState(false);
    /** The element that the draft was begun from: the first example, once there are more. */
    const origin = useRef<At | null>(null);
    const aimedFor = useRef('');

    const worn = useMemo(() => [...draft.wears, ...looked.filter((l) => !draft.wears.some((w) => same(w, l)))], [draft.wears, looked]);
    const view: View = useMemo(() => ({ width, height, shown, worn }), [width, height, shown, worn]);
    const picking = usePick(site, at, view, sheet.revision);
    const picked = at ? picking.data : undefined;
    const trying = useTry(site, draft, added, range, at, page, view, sheet.revision);
    const tried = draft.selector ? trying.data : undefined;
    const begun = isBegun(draft);
    const { weighed, isWeighing, unweighed } = useWeigh(
        site,
        draft,
        added,
        page,
        view,
        sheet.revision,
        begun && tried?.selector.ok === true,
    );
    const aiming = useAim(site, draft, view);
    const aimed = draft.marks.some((m) => m.kind === 'meant') ? aiming.data : undefined;
    const [measured, setMeasured] = useState<{ page: string; path: string; boxes: unknown[] } | null>(null);
    const covered = useCovered(site, draft, tried?.place && measured && measured.path === at?.path ? measured : null, view);
    const looking = useReach(site, look, view);
    const pages: PageMarks[] = useMemo(() => looking ?? tried?.pages ?? [], [looking, tried]);
    /** Where the marks stand now; those of the draft until the core has found them. */
    const marks = useMemo(() => (tried && trying.isCurrent ? tried.marks : draft.marks), [tried, trying.isCurrent, draft.marks]);

    // Work that is not kept yet outlives a reload of this tab.
    useEffect(() => {
        if (begun) sessionStorage.setItem(unkeptKey(site), JSON.stringify(draft));
        else sessionStorage.removeItem(unkeptKey(site));
    }, [site, draft, begun]);

    // The first look at an element proposes its kind in the nearest region; work that has begun is never taken over.
    useEffect(() => {
        if (picked && !picking.isPlaceholderData && !begun) {
            setDraft((d) => ({ ...blank, wears: d.wears, selector: picked.proposed, meant: picked.proposed }));
        }
    }, [picked?.page, picked?.path, picking.isPlaceholderData]);

    // What was picked before any work began is the first example, also where its answer has not come yet.
    useEffect(() => {
        if (at && !begun) origin.current = at;
    }, [at]);

    // New marks are answered with the selector that fits them best.
    const marksKey = JSON.stringify(draft.marks.filter((m) => m.kind !== 'accepted').map((m) => [m.kind, m.page, m.path]));
    useEffect(() => {
        const best = aiming.data?.fits[0];
        if (best && !aiming.isPlaceholderData && aimedFor.current !== marksKey && aimedFor.current !== '') {
            aimedFor.current = marksKey;
            setDraft((d) => ({ ...d, selector: best.selector, meant: best.selector }));
        }
    }, [aiming.data, aiming.isPlaceholderData, marksKey]);

    const mark = useCallback((kind: Mark['kind'], where: At) => {
        setDraft((d) => {
            const isHere = (m: { page: string; path: string | null }) => m.page === where.page && m.path === where.path;
            const before = d.marks.find((m) => isHere(m) && m.kind !== 'accepted');
            const rest = d.marks.filter((m) => !isHere(m) || m.kind === 'accepted');
            const first = origin.current;
            const example = (kind: Mark['kind'], at: At): Mark => ({ kind, ...at, print: '', note: '' });
            const begin = rest.length === 0 && before === undefined && first && !isHere(first) ? [example('meant', first)] : [];
            aimedFor.current = 'asked';
            return { ...d, marks: before?.kind === kind ? rest : [...begin, ...rest, example(kind, where)] };
        });
    }, []);
    const unmark = (gone: Mark) => {
        aimedFor.current = 'asked';
        setDraft((d) => ({ ...d, marks: d.marks.filter((m) => m.page !== gone.page || m.path !== gone.path || m.kind !== gone.kind) }));
    };
    /** Where the edited declarations stand in the draft, for what is told of each. */
    const lines = useMemo(() => linesAt(draft.declarations, range), [draft.declarations, range]);
    const setLines = (change: (lines: Declaration[]) => Declaration[]) =>
        setDraft((d) => ({
            ...d,
            declarations: [
                ...d.declarations.filter((x) => !isSameRange(x.widths, range)),
                ...change(linesAt(d.declarations, range)).map((x) => ({ ...x, widths: range })),
            ],
        }));
    /** The edited values count at other widths from now on. */
    const moveRange = (to: Range) => {
        if (range === null) return setDraft((d) => ({ ...d, widths: to }));
        if ((to.from === null && to.to === null) || draft.declarations.some((d) => isSameRange(d.widths, to))) return;
        setDraft((d) => ({ ...d, declarations: d.declarations.map((x) => (isSameRange(x.widths, range) ? { ...x, widths: to } : x)) }));
        setRange(to);
    };
    const choose = (selector: string) => {
        setLook(null);
        setDraft((d) => ({ ...d, selector, meant: selector }));
    };
    const begin = (override: Override) => {
        origin.current = null;
        setAdded(null);
        setRange(null);
        setDraft({ ...override, id: override.id, meant: override.meant || override.selector });
    };
    const startAnew = () => {
        setAdded(null);
        setRange(null);
        setDraft(picked ? { ...blank, selector: picked.proposed, meant: picked.proposed } : blank);
        if (picked) origin.current = { page: picked.page, path: picked.path };
    };
    const toggleLook = (wear: Wear) => setLooked((l) => (l.some((w) => same(w, wear)) ? l.filter((w) => !same(w, wear)) : [...l, wear]));
    /** The override counts while a sleeping state is on, or no longer. */
    const aimAt = async (wear: Wear) => {
        const off = draft.wears.some((w) => same(w, wear));
        const { selector } = await post<{ selector: string }>(`/api/sites/${site}/wear`, {
            selector: draft.selector,
            on: wear.on,
            part: wear.part,
            off,
        });
        setDraft((d) => ({ ...d, selector, meant: selector, wears: off ? d.wears.filter((w) => !same(w, wear)) : [...d.wears, wear] }));
    };
    /** A pseudo-element of what the selector takes, or the elements themselves. */
    const takePart = async (part: string) =>
        choose((await post<{ selector: string }>(`/api/sites/${site}/part`, { selector: draft.selector, part })).selector);
    const mend = (chosen: Mend, note: string) => {
        const { override } = chosen;
        aimedFor.current = '';
        setDraft((d) => ({
            ...d,
            selector: override.selector,
            meant: override.meant,
            marks: override.marks.map((m) => (m.kind === 'accepted' && !m.note ? { ...m, note } : m)),
        }));
        if (chosen.added) setAdded({ ...chosen.added, id: '' });
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
    const keep = async () => {
        if (!draft.selector || draft.declarations.length === 0 || busy) return;
        const body = {
            override: { ...draft, marks: draft.marks.map((m) => ({ ...m, path: m.path ?? '' })) },
            ...(added ? { added } : {}),
            revision: sheet.revision,
        };
        if (await saved(post<Sheet>(`${api}/overrides`, body), 'Kept. It is in the sheet, and not live yet.')) {
            setDraft(blank);
            setAdded(null);
            setRange(null);
            setAt(null);
            setLooked([]);
        }
    };
    const undo = () => sheet.undo && void saved(post<Sheet>(`${api}/undo`, { revision: sheet.revision }), `Undone: ${sheet.undo}`);
    const redo = () => sheet.redo && void saved(post<Sheet>(`${api}/redo`, { revision: sheet.revision }), `Done again: ${sheet.redo}`);
    const takeIn = async () => {
        setSheet(await get<Sheet>(api));
        setProblem(null);
    };

    return {
        site, sheet, at, setAt, draft, setDraft, range, setRange, moveRange, lines, setLines, added, setAdded, begun, shown, setShown, looked, toggleLook, worn, view,
        picking, picked, trying, tried, weighed, isWeighing, unweighed, aiming, aimed, covered, setMeasured, marks, pages, look, setLook,
        mark, unmark, choose, begin, startAnew, aimAt, takePart, mend, keep, undo, redo, takeIn, busy, problem,
    }; // prettier-ignore
}

export type Work = ReturnType<typeof useWork>;
