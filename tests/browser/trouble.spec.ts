import AxeBuilder from '@axe-core/playwright';
import { expect, test, type Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { computed, enter, field, frameOf, meddle, mood, point, practice, restyle } from './helpers';

async function newSite(page: Page, folder: string, name: string): Promise<void> {
    await enter(page);
    await page.getByRole('link', { name: 'Add a site' }).click();
    await page.getByRole('textbox', { name: 'Name' }).fill(name);
    await page.getByLabel('Or a whole folder').setInputFiles(folder);
    await page.getByRole('button', { name: 'Bring it in' }).click();
    await expect(page.getByRole('navigation', { name: 'Where it lands' })).toBeVisible({ timeout: 90_000 });
}

for (const theme of ['startbootstrap-creative', 'startbootstrap-resume']) {
    test(`a site saved from elsewhere is brought in and restyled: ${theme}`, async ({ page }) => {
        await newSite(page, `node_modules/${theme}/dist`, theme);
        const frame = await frameOf(page);
        await point(page, frame.locator('h1'));
        await expect(page.getByRole('region', { name: 'How far should it reach?' }).getByRole('listitem').first()).toBeVisible();
        await field(page, 'Text colour').fill('rebeccapurple');
        const found = page.getByRole('region', { name: 'What was found' });
        await expect(found).toContainText(/Beats|loses on/);
        if (theme.endsWith('creative')) {
            await expect(found).toContainText('to the theme’s .text-white at css/styles.css, line 8084');
            await found.getByRole('button', { name: 'Do that' }).click();
            await expect(page.getByLabel('The CSS of this override')).toContainText('color: rebeccapurple !important;');
        }
        await expect(found).toContainText(/contrast at least|can’t be read well/);
        await expect.poll(() => computed(frame.locator('h1'), 'color')).toBe('rgb(102, 51, 153)');
        await page.getByRole('button', { name: 'Keep this override' }).click();
        await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
        await expect(page.getByText(/stand elsewhere in the browser/)).toHaveCount(0);
    });
}

test('a host that is slow, fails, refuses or was changed by somebody else', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('.foot h4'));
    await expect(page.getByRole('region', { name: 'How far should it reach?' })).toBeVisible();
    await field(page, 'Text colour').fill('#aab0cc');
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
    await page.getByRole('link', { name: 'Releases' }).click();
    await page.getByRole('button', { name: /^Release \d+…$/ }).click();
    const dialog = page.getByRole('dialog');
    for (const [name, words] of [
        ['slow', 'did not answer in time. Nothing was changed there'],
        ['failing', 'answered with error 500'],
        ['refusing', 'refused: the token is not the right one'],
        ['forgetful', 'does not carry it'],
    ] as const) {
        await mood(page, name);
        await dialog.getByRole('button', { name: /Make it live|Try again/ }).click();
        await expect(dialog.getByRole('alert')).toContainText(words);
        // A slow host works off what it was asked before it answers again.
        await expect.poll(() => mood(page, 'well').then(() => true), { timeout: 60_000 }).toBe(true);
    }
    await meddle(page, '.by-hand { color: red }');
    await dialog.getByRole('button', { name: 'Try again' }).click();
    await expect(dialog.getByRole('alert')).toContainText('somebody else changed it');
    await expect(dialog).toContainText('.by-hand { color: red }');
    await dialog.getByRole('button', { name: 'Replace what is there' }).click();
    await expect(page.getByText(/is live, and was fetched back/)).toBeVisible();
});

test('the practice host takes images, and nothing else under that name', async ({ page }) => {
    const put = (name: string, body: Buffer | string, token = process.env.PRACTICE_HOST_TOKEN ?? 'only-for-tests') =>
        page.request.put(`${practice}/-/images/${name}`, { data: body, headers: { Authorization: `Bearer ${token}` } });
    const image = readFileSync('demo/theme/img/star-tile.png');
    expect((await put('tile.png', image)).status()).toBe(201);
    const back = await page.request.get(`${practice}/-/images/tile.png`);
    expect(back.headers()['content-type']).toBe('image/png');
    expect((await back.body()).equals(image)).toBe(true);
    expect((await put('tile.png', 'no image')).status()).toBe(415);
    expect((await put('..%2fevil.php', image)).status()).toBe(422);
    expect((await put('tile.png', image, 'wrong')).status()).toBe(403);
    expect((await page.request.get(`${practice}/../../etc/passwd`)).status()).toBe(404);
});

test('a second tab that saves first is told of, and nothing is lost', async ({ page, context }) => {
    const frame = await restyle(page);
    const other = await context.newPage();
    await other.goto(page.url());
    await point(other, (await frameOf(other)).locator('.note, .card'));
    await field(other, 'Background colour').fill('ivory');
    await point(page, frame.locator('.card'));
    await field(page, 'Background colour').fill('honeydew');
    await other.getByRole('button', { name: 'Keep this override' }).click();
    await expect(other.getByText('Kept. It is in the sheet')).toBeVisible();
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByRole('alert')).toContainText('The sheet was changed in another tab meanwhile. Both are kept');
    await expect(field(page, 'Background colour')).toHaveValue('honeydew');
    await page.getByRole('button', { name: 'Take in the other change' }).click();
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
});

for (const colorScheme of ['light', 'dark'] as const) {
    for (const width of [1280, 375]) {
        test(`no serious accessibility finding and no sideways scrolling, ${colorScheme} at ${width} px`, async ({ page }) => {
            const check = async (name: string) => {
                const { violations } = await new AxeBuilder({ page }).exclude('iframe').analyze();
                const serious = violations.filter((v) => v.impact === 'serious' || v.impact === 'critical');
                expect(serious.map((v) => `${name}: ${v.id} ${v.nodes[0]?.html}`)).toEqual([]);
                expect(await page.evaluate(() => document.documentElement.scrollWidth <= innerWidth), name).toBe(true);
            };
            await page.emulateMedia({ colorScheme });
            await page.setViewportSize({ width, height: 800 });
            await page.goto('/login');
            await check('sign in');
            await enter(page);
            for (const path of ['/sites', '/sites/new', '/sites/1', '/sites/1/sheet', '/sites/1/releases']) {
                await page.goto(path);
                await page.waitForLoadState('networkidle');
                if (path === '/sites/1') {
                    const frame = await frameOf(page);
                    await frame.locator('.quote').first().dispatchEvent('click');
                    await expect(page.getByRole('region', { name: 'What sets its look now' })).toBeVisible();
                    await field(page, 'Text colour').fill('gold');
                    await expect(page.getByRole('region', { name: 'What was found' })).toBeVisible();
                }
                await check(path);
            }
        });
    }
}
