import { expect, test, type Browser } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { extname, join } from 'node:path';

type Row = [path: string, tag: string, values: Record<string, string>];

const types: Record<string, string> = { '.css': 'text/css', '.html': 'text/html; charset=utf-8', '.svg': 'image/svg+xml' };

const pagesIn = (folder: string) => readdirSync(folder).filter((file) => file.endsWith('.html'));

/** Sites whose every value is compared with the browser's: our own, and open-source themes. */
const sites: { root: string; pages: string[] }[] = [
    { root: 'storage/demo/larkmoor', pages: pagesIn('storage/demo/larkmoor') },
    { root: 'node_modules/startbootstrap-creative/dist', pages: ['index.html'] },
    { root: 'node_modules/startbootstrap-resume/dist', pages: ['index.html'] },
];

/** What the browser computes for every element of a page, scripts off. */
async function browserRows(browser: Browser, root: string, page: string, width: number, properties: string[]): Promise<Row[]> {
    const context = await browser.newContext({ viewport: { width, height: 800 }, javaScriptEnabled: false });
    const tab = await context.newPage();
    await tab.route('**/*', (route) => {
        const url = new URL(route.request().url());
        const file = join(root, decodeURIComponent(url.pathname));
        if (url.host !== 'site.test' || !existsSync(file)) return route.abort();
        return route.fulfill({ body: readFileSync(file), contentType: types[extname(file)] ?? 'application/octet-stream' });
    });
    await tab.goto(`http://site.test/${page}`, { waitUntil: 'load' });
    const rows = await tab.evaluate((names) => {
        const still = document.createElement('style');
        still.textContent = '*, *::before, *::after { transition: none !important; animation: none !important }';
        document.head.append(still);
        const rows: [string, string, Record<string, string>][] = [];
        const walk = (element: Element, path: number[]) => {
            const style = getComputedStyle(element);
            rows.push([path.join('.'), element.localName, Object.fromEntries(names.map((n) => [n, style.getPropertyValue(n)]))]);
            [...element.children].filter((child) => child !== still).forEach((child, i) => walk(child, [...path, i]));
        };
        walk(document.documentElement, []);
        return rows;
    }, properties);
    await context.close();
    return rows.map(([path, tag, values]) => [
        path,
        tag,
        Object.fromEntries(Object.entries(values).map(([n, v]) => [n, v.replaceAll('http://site.test', '')])),
    ]);
}

for (const { root, pages } of sites) {
    for (const width of [1280, 375]) {
        test(`computed values are the browser’s: ${root} at ${width}`, async ({ browser }) => {
            const out = execFileSync('php', ['artisan', 'insignum:computed', ...pages, `--root=${root}`, `--width=${width}`], {
                maxBuffer: 1 << 30,
                stdio: ['ignore', 'pipe', 'ignore'],
            });
            const ours = JSON.parse(out.toString()) as Record<string, Row[]>;
            let cells = 0;
            const differences: string[] = [];
            for (const page of pages) {
                const rows = ours[page] ?? [];
                const properties = Object.keys(rows[0]?.[2] ?? {});
                const theirs = new Map((await browserRows(browser, root, page, width, properties)).map((row) => [row[0], row]));
                expect(rows.length, `${page}: as many elements`).toBe(theirs.size);
                for (const [path, tag, values] of rows) {
                    const other = theirs.get(path);
                    expect(other?.[1], `${page} ${path}`).toBe(tag);
                    for (const name of properties) {
                        cells++;
                        if (values[name] !== other?.[2][name])
                            differences.push(`${page} ${tag}@${path} ${name}: ${values[name]} for ${other?.[2][name]}`);
                    }
                }
            }
            console.log(`${root} at ${width}: ${cells} values, ${differences.length} differ`);
            expect(cells).toBeGreaterThan(1000);
            expect(differences.slice(0, 20).concat(differences.length / cells > 0.005 ? ['too many'] : [])).toEqual(
                differences.slice(0, 20),
            );
        });
    }
}
