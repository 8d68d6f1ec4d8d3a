import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { post } from '../../api/client';
import type { Override, Picked, SheetEntry, Tried } from '../../api/types';

export type Draft = Override;

export const blank: Draft = {
    id: '',
    selector: '',
    declarations: [],
    note: '',
    enabled: true,
    widths: { from: null, to: null },
    state: '',
    meant: '',
};

/** An entry of the sheet as the bench works on it. */
export function draftOf(entry: Extract<SheetEntry, { kind: 'override' }>): Draft {
    const { id, selector, declarations, note, enabled, widths, state, meant } = entry;
    return { id, selector, declarations, note, enabled, widths, state, meant };
}

export const isBegun = (draft: Draft) => draft.declarations.length > 0 || draft.note !== '';

/** A value that follows another once it has been still for a moment. */
function useSettled<T>(value: T, wait: number): T {
    const [settled, setSettled] = useState(value);
    useEffect(() => {
        const timer = setTimeout(() => setSettled(value), wait);
        return () => clearTimeout(timer);
    }, [value, wait]);
    return settled;
}

export function usePick(site: number, at: { page: string; path: string } | null, width: number, height: number, revision: number) {
    return useQuery({
        queryKey: ['pick', site, at, width, revision],
        queryFn: ({ signal }) => post<Picked>(`/api/sites/${site}/pick`, { ...at, width, height }, signal),
        enabled: at !== null,
        placeholderData: keepPreviousData,
    });
}

export function useTry(
    site: number,
    draft: Draft,
    at: { page: string; path: string } | null,
    page: string,
    width: number,
    height: number,
    shown: string,
    revision: number,
) {
    const settled = useSettled(draft, 90);
    const query = useQuery({
        queryKey: ['try', site, settled, at, page, width, shown, revision],
        queryFn: ({ signal }) =>
            post<Tried>(
                `/api/sites/${site}/try`,
                {
                    override: { ...settled, id: settled.id || 'draft' },
                    page: at?.page ?? page,
                    path: at?.path ?? null,
                    width,
                    height,
                    shown,
                },
                signal,
            ),
        enabled: settled.selector.trim() !== '',
        placeholderData: keepPreviousData,
    });
    return { ...query, isCurrent: settled === draft && query.data !== undefined && !query.isPlaceholderData };
}
