import { expect, type FrameLocator, type Locator, type Page } from '@playwright/test';

export const practice = `http://127.0.0.1:${process.env.PRACTICE_PORT ?? 8411}`;
const token = process.env.PRACTICE_HOST_TOKEN ?? 'only-for-tests';

export async function enter(page: Page): Promise<void> {
    await page.goto('/login');
    await page.getByRole('button', { name: 'Enter as the demo owner' }).click();
    await expect(page.getByRole('heading', { name: 'Your sites' })).toBeVisible();
}

/** The Restyle view with its frame open. */
export async function restyle(page: Page): Promise<FrameLocator> {
    await enter(page);
    await page.getByRole('link', { name: /Larkmoor Observatory/ }).click();
    return frameOf(page);
}

export async function frameOf(page: Page): Promise<FrameLocator> {
    await expect(page.locator('iframe')).toBeVisible();
    await expect(page.getByText('Opening the page…')).toHaveCount(0, { timeout: 60_000 });
    return page.frameLocator('iframe[title="The page as the theme renders it"]');
}

export const field = (page: Page, name: string): Locator => page.getByRole('textbox', { name, exact: true });

/** A value in the frame as the browser computes it. */
export const computed = (locator: Locator, property: string): Promise<string> =>
    locator.first().evaluate((element, name) => getComputedStyle(element).getPropertyValue(name), property);

/** A value on the live site, outside the editor. */
export async function live(page: Page, path: string, selector: string, property: string): Promise<string> {
    const visitor = await page.context().newPage();
    await visitor.goto(`${practice}/${path}`);
    const value = await computed(visitor.locator(selector), property);
    await visitor.close();
    return value;
}

export async function mood(page: Page, name: string): Promise<void> {
    const answer = await page.request.post(`${practice}/-/mood`, { data: { mood: name }, headers: { Authorization: `Bearer ${token}` } });
    expect(answer.ok()).toBe(true);
}

/** Somebody else puts a sheet on the live site by hand. */
export async function meddle(page: Page, css: string): Promise<void> {
    const current = await page.request.get(`${practice}/-/sheet`);
    const answer = await page.request.put(`${practice}/-/sheet`, {
        data: css,
        headers: { Authorization: `Bearer ${token}`, 'If-Match': current.headers().etag ?? '', 'Content-Type': 'text/css' },
    });
    expect(answer.status()).toBe(204);
}

export async function release(page: Page): Promise<void> {
    await page.getByRole('link', { name: 'Releases' }).click();
    await page.getByRole('button', { name: /^Release \d+…$/ }).click();
    await page.getByRole('button', { name: 'Make it live' }).click();
    await expect(page.getByText(/is live, and was fetched back/)).toBeVisible();
}

/** Clicks an element of the framed page with the mouse: the frame is scaled, which the driver's own clicks don't reckon with. */
export async function point(page: Page, locator: Locator): Promise<void> {
    const target = locator.first();
    const inside = await target.evaluate((element) => {
        element.scrollIntoView({ block: 'center', behavior: 'instant' });
        const box = element.getBoundingClientRect();
        return { x: box.x + Math.min(6, box.width / 2), y: box.y + Math.min(6, box.height / 2), width: innerWidth };
    });
    const outside = await page.locator('iframe').boundingBox();
    if (!outside) throw new Error('There is no frame');
    const scale = outside.width / inside.width;
    await page.mouse.click(outside.x + inside.x * scale, outside.y + inside.y * scale);
}

/** Numbers below k, the same for the same seed: mulberry32. */
export function random(seed: number) {
    const below = (k: number) => {
        seed = (seed + 0x6d2b79f5) | 0;
        let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
        t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
        return Math.floor((((t ^ (t >>> 14)) >>> 0) / 4294967296) * k);
    };
    const pick = <T>(list: readonly T[]): T => list[below(list.length)] as T;
    const some = (most: number, make: () => string, between = ' ') => Array.from({ length: 1 + below(most) }, make).join(between);
    return { below, pick, some };
}
