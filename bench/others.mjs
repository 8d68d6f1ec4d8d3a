/**
 * css-tree and css-select on the files that bench/engine.php measures ours on: times in milliseconds, as JSON.
 *
 *   node bench/others.mjs PAGE STYLESHEET < SELECTORS     the selectors as a JSON list
 */
import { readFileSync } from 'node:fs';
import { compile, selectAll } from 'css-select';
import * as csstree from 'css-tree';
import { parseDocument } from 'htmlparser2';

const [page, stylesheet] = process.argv.slice(2);
const css = readFileSync(stylesheet, 'utf8');
const selectors = JSON.parse(readFileSync(0, 'utf8'));
const document = parseDocument(readFileSync(page, 'utf8'));

const median = (work, rounds = 5) => {
    const times = Array.from({ length: rounds }, () => {
        const start = performance.now();
        work();
        return performance.now() - start;
    });
    return times.sort((a, b) => a - b)[rounds >> 1];
};

let refused = 0;
const queries = () => {
    refused = 0;
    return selectors.flatMap((text) => {
        try {
            return [compile(text)];
        } catch {
            refused++;
            return [];
        }
    });
};
const ready = queries();

console.log(
    JSON.stringify({
        parse: median(() => csstree.parse(css)),
        whole: median(() => queries().forEach((query) => selectAll(query, document)), 3),
        matching: median(() => ready.forEach((query) => selectAll(query, document)), 3),
        refused,
    }),
);
