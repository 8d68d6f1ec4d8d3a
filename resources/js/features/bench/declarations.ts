import type { Declaration } from '../../api/types';

/** Edits of a list of declarations. An emptied value takes its declaration away. */
export function withValue(list: Declaration[], name: string, value: string): Declaration[] {
    const at = list.findIndex((d) => d.name === name);
    if (value.trim() === '') return list.filter((d) => d.name !== name);
    if (at < 0) return [...list, { name, value, important: false, enabled: true }];
    return list.map((d, i) => (i === at ? { ...d, value } : d));
}

export function valueOf(list: Declaration[], name: string): string {
    return list.find((d) => d.name === name)?.value ?? '';
}

export const sides = ['all', 'top', 'right', 'bottom', 'left'] as const;

export type Side = (typeof sides)[number];

export const borderName = (side: Side) => (side === 'all' ? 'border' : `border-${side}`);

/** The three parts of a border value as it is edited; what isn't a width or a style counts as the colour. */
export function borderParts(value: string): { width: string; style: string; colour: string } {
    const parts = value.match(/[^\s(]+(?:\([^)]*\))?/g) ?? [];
    const style = parts.find((p) => lineStyles.includes(p)) ?? '';
    const width = parts.find((p) => /^(?:[\d.]|thin$|medium$|thick$|calc\()/.test(p)) ?? '';
    return { width, style, colour: parts.filter((p) => p !== style && p !== width).join(' ') };
}

export const lineStyles = ['solid', 'dashed', 'dotted', 'double', 'groove', 'ridge', 'inset', 'outset', 'none'];

export function borderValue(parts: { width: string; style: string; colour: string }): string {
    return [parts.width, parts.style, parts.colour].filter((p) => p.trim() !== '').join(' ');
}
