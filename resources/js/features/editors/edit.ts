import type { Declaration, Finding, Picked, Tried } from '../../api/types';
import { borderName, sides, type Side } from './declarations';

/** What the rows of the bench share: the lines that are edited, and what is known of each property. */
export type Edit = {
    list: Declaration[];
    picked: Picked | undefined;
    tried: Tried | undefined;
    set: (name: string, value: string) => void;
    finding: (name: string) => Finding | undefined;
    was: (name: string) => string | undefined;
};

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
