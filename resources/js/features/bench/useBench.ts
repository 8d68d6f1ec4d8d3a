import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { get, post } from '../../api/client';
import type {
    Aimed,
    CoveredReport,
    Declaration,
    Mark,
    Override,
    PageMarks,
    Picked,
    Range,
    SheetEntry,
    Sleeping,
    Tried,
    Wear,
    Weighed,
} from '../../api/types';
import { linesAt } from './ranges';

export type Draft = Override;

/** An element of a page. */
export type At = { page: string; path: string };

/** What was tried, with the lines that its layers and shadows were read from. */
export type Answered = Tried & { lines: Declaration[] };

/** Under what the site is looked at. */
export type View = { width: number; height: number; shown: string; worn: Wear[] };

export const blank: Draft = {
    id: '',
    selector: '',
    declarations: [],
    note: '',
    enabled: true,
    widths: { from: null, to: null },
    state: '',
    meant: '',
    wears: [],
    marks: [],
};

/** An entry of the sheet as the bench works on it. */
export function draftOf(entry: Extract<SheetEntry, { kind: 'override' }>): Draft {
    const { id, selector, declarations, note, enabled, widths, state, meant, wears, marks } = entry;
    return { id, selector, declarations, note, enabled, widths, state, meant, wears, marks };
}

export const isBegun = (draft: Draft) =>
    draft.declarations.length > 0 || draft.note !== '' || draft.marks.length > 0 || draft.wears.length > 0;

/** A value that follows another once it has been still for a moment. */
function useSettled<T>(value: T, wait: number): T {
    const [settled, setSettled] = useState(value);
    useEffect(() => {
        const timer = setTimeout(() => setSettled(value), wait);
        return () => clearTimeout(timer);
    }, [value, wait]);
    return settled;
}

export const sendable = (draft: Draft) => ({ ...draft, id: draft.id || 'draft', marks: sendableMarks(draft.marks) });

const sendableMarks = (marks: Mark[]) => marks.map(({ kind, page, path, print, note }) => ({ kind, page, path: path ?? '', print, note }));

export function usePick(site: number, at: At | null, view: View, revision: number) {
    const { width, height, worn } = view;
    return useQuery({
        queryKey: ['pick', site, at, width, worn, revision],
        queryFn: ({ signal }) => post<Picked>(`/api/sites/${site}/pick`, { ...at, width, height, worn }, signal),
        enabled: at !== null,
        placeholderData: keepPreviousData,
    });
}

export function useTry(
    site: number,
    draft: Draft,
    added: Draft | null,
    range: Range | null,
    at: At | null,
    page: string,
    view: View,
    revision: number,
) {
    const settled = useSettled(draft, 90);
    const query = useQuery<Answered>({
        queryKey: ['try', site, settled, added, range, at, page, view, revision],
        queryFn: ({ signal }) =>
            post<Tried>(
                `/api/sites/${site}/try`,
                { override: sendable(settled), added, page: at?.page ?? page, path: at?.path ?? null, range, ...view },
                signal,
            ).then((tried) => ({ ...tried, lines: linesAt(settled.declarations, range) })),
        enabled: settled.selector.trim() !== '',
        placeholderData: keepPreviousData,
    });
    return { ...query, isCurrent: settled === draft && query.data !== undefined && !query.isPlaceholderData };
}

/** What takes longer: asked for once the work has been still for a while. */
export function useWeigh(site: number, draft: Draft, added: Draft | null, page: string, view: View, revision: number, enabled: boolean) {
    const settled = useSettled(draft, 500);
    const query = useQuery({
        queryKey: ['weigh', site, settled, added, view, revision],
        queryFn: ({ signal }) =>
            post<Weighed>(`/api/sites/${site}/weigh`, { override: sendable(settled), added, page, path: null, ...view }, signal),
        enabled: enabled && settled.selector.trim() !== '' && settled.declarations.some((d) => d.enabled && d.value.trim() !== ''),
    });
    return {
        weighed: settled === draft ? query.data : undefined,
        isWeighing: query.isFetching || (enabled && settled !== draft),
        unweighed: settled === draft ? (query.error?.message ?? null) : null,
    };
}

/** How much of the background is hidden, from boxes that the frame measured. */
export function useCovered(site: number, draft: Draft, measured: { page: string; boxes: unknown[] } | null, view: View) {
    const isAbout = draft.declarations.some((d) => d.enabled && /^background/.test(d.name) && d.value.trim() !== '');
    const query = useQuery({
        queryKey: ['covered', site, draft, measured, view],
        queryFn: ({ signal }) =>
            post<CoveredReport>(
                `/api/sites/${site}/covered`,
                { override: sendable(draft), page: measured?.page, path: null, boxes: measured?.boxes, ...view },
                signal,
            ),
        enabled: isAbout && measured !== null && measured.boxes.length > 0,
    });
    return isAbout && measured ? query.data : undefined;
}

export function useAim(site: number, { marks, declarations }: Draft, view: View) {
    const { width, height, worn } = view;
    const properties = [...new Set(declarations.filter((d) => d.enabled && !d.important).map((d) => d.name))].sort();
    return useQuery({
        queryKey: ['aim', site, sendableMarks(marks), properties, width, worn],
        queryFn: ({ signal }) =>
            post<Aimed>(`/api/sites/${site}/aim`, { marks: sendableMarks(marks), properties, width, height, worn }, signal),
        enabled: marks.some((m) => m.kind === 'meant'),
        placeholderData: keepPreviousData,
    });
}

/** Where a selector lands, while it is only looked at. */
export function useReach(site: number, selector: string | null, view: View) {
    const { width, height, worn } = view;
    const settled = useSettled(selector, 120);
    const query = useQuery({
        queryKey: ['reach', site, settled, width, worn],
        queryFn: ({ signal }) => post<PageMarks[]>(`/api/sites/${site}/reach`, { selector: settled, width, height, worn }, signal),
        enabled: settled !== null,
    });
    return selector !== null && selector === settled ? query.data : undefined;
}

export function useSleeping(site: number) {
    return useQuery({ queryKey: ['sleeping', site], queryFn: ({ signal }) => get<Sleeping[]>(`/api/sites/${site}/sleeping`, signal) });
}
