import type { Declaration, Layer, Shadow } from '../../api/types';

const line = (name: string, value: string): Declaration => ({ name, value, important: false, enabled: true, widths: null });

/** Edits of a list of declarations that count at the same widths. An emptied value takes its declaration away. */
export function withValue(list: Declaration[], name: string, value: string): Declaration[] {
    const at = list.findIndex((d) => d.name === name);
    if (value.trim() === '') return list.filter((d) => d.name !== name);
    if (at < 0) return [...list, line(name, value)];
    return list.map((d, i) => (i === at ? { ...d, value } : d));
}

export function valueOf(list: Declaration[], name: string): string {
    return list.find((d) => d.name === name)?.value ?? '';
}

export const sides = ['all', 'top', 'right', 'bottom', 'left'] as const;

export type Side = (typeof sides)[number];

export const borderName = (side: Side) => (side === 'all' ? 'border' : `border-${side}`);

/** The words of a value, each with all that its parentheses hold. */
export function wordsOf(value: string): string[] {
    const words: string[] = [];
    let depth = 0;
    let word = '';
    for (const char of value) {
        if (/\s/.test(char) && depth === 0) {
            if (word) words.push(word);
            word = '';
        } else {
            depth += char === '(' ? 1 : char === ')' ? -1 : 0;
            word += char;
        }
    }
    return word ? [...words, word] : words;
}

/** The three parts of a border value as it is edited; what isn't a width or a style counts as the colour. */
export function borderParts(value: string): { width: string; style: string; colour: string } {
    const parts = wordsOf(value);
    const style = parts.find((p) => lineStyles.includes(p)) ?? '';
    const width = parts.find((p) => /^(?:[\d.]|thin$|medium$|thick$|(?:calc|min|max|clamp)\()/.test(p)) ?? '';
    return { width, style, colour: parts.filter((p) => p !== style && p !== width).join(' ') };
}

export const lineStyles = ['solid', 'dashed', 'dotted', 'double', 'groove', 'ridge', 'inset', 'outset', 'none'];

export function borderValue(parts: { width: string; style: string; colour: string }): string {
    return [parts.width, parts.style, parts.colour].filter((p) => p.trim() !== '').join(' ');
}

/** What each part of a layer is written as, and what it is where nothing is written. */
const layerParts = [
    ['background-position', (l: Layer) => l.position.join(' '), '0% 0%'],
    ['background-size', (l: Layer) => l.size, 'auto'],
    ['background-repeat', (l: Layer) => l.repeat, 'repeat'],
    ['background-attachment', (l: Layer) => l.attachment, 'scroll'],
    ['background-origin', (l: Layer) => l.origin, 'padding-box'],
    ['background-clip', (l: Layer) => l.clip, 'border-box'],
    ['background-blend-mode', (l: Layer) => l.blend, 'normal'],
] as const;

const layerNames = ['background-image', 'background-position-x', 'background-position-y', ...layerParts.map(([name]) => name)];

/**
 * Layers as longhands, in the place of what was written of them: a shorthand would wipe the colour that the theme gives.
 * A colour in a shorthand that was there becomes a line of its own.
 */
export function withLayers(list: Declaration[], layers: Layer[], colour: string): Declaration[] {
    const at = list.findIndex((d) => d.name === 'background' || layerNames.includes(d.name));
    const hadShorthand = list.some((d) => d.name === 'background');
    const rest = list.filter((d) => d.name !== 'background' && !layerNames.includes(d.name));
    const own: Declaration[] = [];
    if (hadShorthand && colour && !rest.some((d) => d.name === 'background-color')) own.push(line('background-color', colour));
    if (layers.length > 0) {
        own.push(line('background-image', layers.map((l) => l.image).join(', ')));
        for (const [name, read, initial] of layerParts) {
            const values = layers.map(read);
            if (values.some((v) => v !== initial)) own.push(line(name, new Set(values).size === 1 ? (values[0] ?? '') : values.join(', ')));
        }
    } else if (hadShorthand) own.push(line('background-image', 'none'));
    const before = at < 0 ? rest.length : list.slice(0, at).filter((d) => rest.includes(d)).length;
    return [...rest.slice(0, before), ...own, ...rest.slice(before)];
}

export function gradientText(gradient: NonNullable<Layer['gradient']>): string {
    const stops = gradient.stops.map((s) => [s.colour, s.at].filter(Boolean).join(' '));
    return `${gradient.name}(${[...(gradient.head ? [gradient.head] : []), ...stops].join(', ')})`;
}

export const shadowText = (shadows: Shadow[]) =>
    shadows
        .map((s) =>
            [
                s.inset ? 'inset' : '',
                s.x,
                s.y,
                s.blur === '0' && s.spread === '0' ? '' : s.blur,
                s.spread === '0' ? '' : s.spread,
                s.colour === 'currentcolor' ? '' : s.colour,
            ]
                .filter(Boolean)
                .join(' '),
        )
        .join(', ');

const keywordShares: Record<string, string> = { left: '0%', top: '0%', center: '50%', right: '100%', bottom: '100%' };

/** A length or share moved by some pixels, in the shortest form that says so. */
export function nudged(value: string, by: number): string {
    const text = keywordShares[value.trim()] ?? (value.trim() || '0px');
    const px = /^(-?[\d.]+)(?:px)?$/.exec(text);
    if (px) return `${round(Number(px[1]) + by)}px`;
    const sum = /^calc\((.+) ([+-]) ([\d.]+)px\)$/.exec(text);
    const base = sum ? (sum[1] ?? '') : text;
    const off = round((sum ? Number(sum[3]) * (sum[2] === '-' ? -1 : 1) : 0) + by);
    return off === 0 ? base : `calc(${base} ${off < 0 ? '-' : '+'} ${Math.abs(off)}px)`;
}

/** A length stepped in its own unit. */
export function stepped(value: string, by: number): string {
    const m = /^(-?[\d.]+)([a-z%]*)$/.exec(value.trim() || '0px');
    if (!m) return value;
    const unit = m[2] || 'px';
    const size = unit === 'px' || unit === '%' ? 1 : 0.1;
    return `${round(Number(m[1]) + by * size)}${unit}`;
}

const round = (n: number) => Math.round(n * 1000) / 1000;
