import { expect, test } from '@playwright/test';
import type { Declaration, Layer } from '../../resources/js/api/types';
import {
    borderParts,
    borderValue,
    nudged,
    shadowText,
    stepped,
    withLayers,
    withValue,
} from '../../resources/js/features/editors/declarations';
import { linesAt, nearestIn, rangesOf, rangeWords, stretchAt } from '../../resources/js/features/bench/ranges';

/** What the editors write, without a browser. */

const line = (name: string, value: string, widths: Declaration['widths'] = null): Declaration => ({
    name,
    value,
    important: false,
    enabled: true,
    widths,
});
const css = (list: Declaration[]) => list.map((d) => `${d.name}: ${d.value}`);
const layer: Layer = {
    image: 'url(a.png)',
    kind: 'image',
    address: 'a.png',
    gradient: null,
    position: ['0%', '0%'],
    size: 'auto',
    repeat: 'repeat',
    attachment: 'scroll',
    origin: 'padding-box',
    clip: 'border-box',
    blend: 'normal',
} as Layer;

test('a border is taken apart and put together, whatever its colour is written as', () => {
    for (const [value, width, style, colour] of [
        ['1px solid red', '1px', 'solid', 'red'],
        ['dashed color-mix(in srgb, rgb(1 2 3), red 20%) thick', 'thick', 'dashed', 'color-mix(in srgb, rgb(1 2 3), red 20%)'],
        ['calc(1px + (2px * 2)) solid', 'calc(1px + (2px * 2))', 'solid', ''],
        ['rgb(from var(--a) r g b)', '', '', 'rgb(from var(--a) r g b)'],
    ] as const) {
        expect(borderParts(value)).toEqual({ width, style, colour });
        expect(borderParts(borderValue({ width, style, colour }))).toEqual({ width, style, colour });
    }
});

test('lengths are nudged and stepped in the shortest form that says so', () => {
    expect([nudged('center', 1), nudged('calc(50% + 1px)', -1), nudged('right', -10), nudged('', 10), nudged('3px', -3), nudged('2em', 1)]).toEqual([
        'calc(50% + 1px)', '50%', 'calc(100% - 10px)', '10px', '0px', 'calc(2em + 1px)',
    ]); // prettier-ignore
    expect([stepped('1.5rem', 1), stepped('10px', -10), stepped('', 1), stepped('50%', 1), stepped('auto', 1)]).toEqual([
        '1.6rem',
        '0px',
        '1px',
        '51%',
        'auto',
    ]);
});

test('layers are written as longhands, in the place of a shorthand, and its colour is kept', () => {
    const before = [line('color', 'red'), line('background', 'gold url(b.png)'), line('padding', '1em')];
    expect(css(withLayers(before, [layer, { ...layer, image: 'none', size: 'cover' }], 'gold'))).toEqual([
        'color: red',
        'background-color: gold',
        'background-image: url(a.png), none',
        'background-size: auto, cover',
        'padding: 1em',
    ]);
    expect(css(withLayers(before, [], 'gold'))).toEqual(['color: red', 'background-color: gold', 'background-image: none', 'padding: 1em']);
    expect(css(withValue(withValue(before, 'color', ''), 'padding', '2em'))).toEqual(['background: gold url(b.png)', 'padding: 2em']);
});

test('a shadow says no more than it must', () => {
    expect(
        shadowText([
            { x: '0', y: '2px', blur: '0', spread: '0', colour: 'currentcolor', inset: false },
            { x: '1px', y: '1px', blur: '0', spread: '3px', colour: 'red', inset: true },
        ]),
    ).toBe('0 2px, inset 1px 1px 0 3px red');
});

test('ranges lie between the breakpoints, and lines are told by them', () => {
    const narrow = { from: null, to: 699 };
    const list = [line('color', 'red'), line('color', 'teal', narrow), line('top', '0', { ...narrow })];
    expect(rangesOf(list)).toEqual([narrow]);
    expect(css(linesAt(list, narrow))).toEqual(['color: teal', 'top: 0']);
    // 699 and 700 are one edge, told from either side.
    expect([375, 700, 1280].map((width) => rangeWords(stretchAt(width, [699, 700, 960])))).toEqual([
        '698px and narrower',
        '699 to 959px',
        '960px and wider',
    ]);
    expect([nearestIn(narrow, 1280), nearestIn({ from: 700, to: null }, 375), nearestIn(narrow, 375)]).toEqual([699, 700, 375]);
});
