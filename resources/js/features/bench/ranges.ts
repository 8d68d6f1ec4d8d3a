import type { Declaration, Range } from '../../api/types';

export const isSameRange = (a: Range | null, b: Range | null) => a?.from === b?.from && a?.to === b?.to;

/** Those that count at a range; null for the override's own. */
export const linesAt = (declarations: Declaration[], range: Range | null) => declarations.filter((d) => isSameRange(d.widths, range));

/** The ranges that have values of their own, each once. */
export function rangesOf(declarations: Declaration[]): Range[] {
    const ranges: Range[] = [];
    for (const { widths } of declarations) {
        if (widths && !ranges.some((r) => isSameRange(r, widths))) ranges.push(widths);
    }
    return ranges;
}

/** The width itself, or the nearest one in the range. */
export const nearestIn = (range: Range, width: number) => Math.max(range.from ?? 0, Math.min(range.to ?? width, width));

/** The theme's breakpoints, where two that are one pixel apart are one. */
export const edgesOf = (breakpoints: number[]) => breakpoints.filter((b, i) => breakpoints[i - 1] !== b - 1);

/** The range between the theme's breakpoints that a width lies in. */
export function stretchAt(width: number, breakpoints: number[]): Range {
    const edges = edgesOf(breakpoints);
    const next = edges.find((b) => b > width);
    return { from: edges.findLast((b) => b <= width) ?? null, to: next === undefined ? null : next - 1 };
}

export function rangeWords({ from, to }: Range): string {
    if (from === null && to === null) return 'any width';
    if (from === null) return `${to}px and narrower`;
    return to === null ? `${from}px and wider` : `${from} to ${to}px`;
}
