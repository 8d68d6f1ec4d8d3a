import { useState } from 'react';
import type { Declaration, Finding, Picked, Tried } from '../../api/types';
import { borderName, sides, type Side } from './declarations';

/** What the rows of the bench share: the lines that are edited, and what is known of each property. */
export type Edit = {
    list: Declaration[];
    picked: Picked | undefined;
    tried: (Tried & { lines: Declaration[] }) | undefined;
    set: (name: string, value: string) => void;
    finding: (name: string) => Finding | undefined;
    was: (name: string) => string | undefined;
};

/**
 * What lines are made of, such as the layers of a background: as the core read them, or as they were just put together here. Null
 * while the core has not read the lines that stand there now: what is known of others is never taken for theirs.
 *
 * @param written  the lines that are about it
 * @param answer  the parts that the core read, and the lines that it read them from
 */
export function useParts<T>(written: Declaration[], answer: { of: Declaration[]; parts: T[] } | undefined) {
    const text = (lines: Declaration[]) => lines.map((d) => `${d.name}: ${d.value}${d.enabled ? '' : ' off'}`).join('; ');
    const now = text(written);
    const [put, setPut] = useState<{ of: string; parts: T[] } | null>(null);
    const read = answer && text(answer.of) === now ? answer.parts : put?.of === now ? put.parts : null;
    return {
        parts: now === '' ? [] : read,
        onPut: (parts: T[], lines: Declaration[]) => setPut({ of: text(lines), parts }),
    };
}

export const corners = ['all', 'top-left', 'top-right', 'bottom-right', 'bottom-left'] as const;

export const radiusName = (corner: (typeof corners)[number]) => (corner === 'all' ? 'border-radius' : `border-${corner}-radius`);

export const spaceName = (what: 'padding' | 'margin', side: Side) => (side === 'all' ? what : `${what}-${side}`);

export const borders = sides.map(borderName);

/** A computed value in few words: what shows nothing is “none”. */
export function short(value: string | undefined): string {
    if (!value || value === 'rgba(0, 0, 0, 0)' || value.startsWith('0px none')) return 'none';
    return value.replace(
        /rgb\((\d+), (\d+), (\d+)\)/,
        (_, r, g, b) => '#' + [r, g, b].map((n) => Number(n).toString(16).padStart(2, '0')).join(''),
    );
}
