import { expect, test, type Page } from '@playwright/test';
import { computed, restyle } from './helpers';

/** Tabs on until the element that has the focus carries the name. */
async function tabTo(page: Page, name: string | RegExp, most = 60): Promise<void> {
    for (let i = 0; i < most; i++) {
        await page.keyboard.press('Tab');
        const label = await page.evaluate(() => {
            const at = document.activeElement;
            return at?.getAttribute('aria-label') ?? (at as HTMLInputElement | null)?.labels?.[0]?.textContent ?? at?.textContent ?? '';
        });
        if (typeof name === 'string' ? label === name : name.test(label)) return;
    }
    throw new Error(`Nothing named ${name} came into focus`);
}

test('pick, choose, change, read, note and keep with the keyboard alone', async ({ page }) => {
    const frame = await restyle(page);
    const line = page.getByRole('navigation', { name: 'What the element is in' }).locator('[aria-current]');

    // 3. Into the page, down the tree, to the siblings, up again.
    await tabTo(page, /^The page\. Arrow up/);
    for (const [key, label] of [
        ['ArrowDown', 'body.page-home.kind-landing'],
        ['ArrowDown', 'header.bar'],
        ['ArrowRight', 'main'],
        ['ArrowDown', 'section.hero'],
        ['ArrowRight', 'section.band.tone-day'],
        ['ArrowRight', 'section.band.tone-night'],
        ['ArrowRight', 'section.band.tone-dusk'],
        ['ArrowDown', 'div.band__inner'],
        ['ArrowDown', 'h2'],
        ['ArrowUp', 'div.band__inner'],
        ['ArrowDown', 'h2'],
    ] as const) {
        await page.keyboard.press(key);
        await expect(line).toHaveText(label);
    }

    // 4. What sets it is there to be read.
    await expect(page.getByRole('region', { name: 'What sets its look now' })).toContainText('rgb(35, 38, 58)');

    // 5. To the reach by r; choose a candidate by Enter; type a selector.
    await page.keyboard.press('r');
    await page.keyboard.press('Shift+Tab');
    await page.keyboard.press('Enter');
    await page.keyboard.press('r');
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.type('.tone-dusk h2');
    await expect(page.getByText(/each heading inside a “tone dusk” section/)).toBeVisible();

    // 6. To the changes by Escape and e; by side with the radio buttons.
    await page.keyboard.press('Escape');
    await page.keyboard.press('e');
    await page.keyboard.type('#22304a');
    await tabTo(page, 'Text colour');
    await page.keyboard.type('#ffffff');
    await tabTo(page, 'bottom');
    await page.keyboard.press('Space');
    await tabTo(page, 'Border width, bottom');
    await page.keyboard.type('3px');
    await tabTo(page, 'Border colour, bottom');
    await page.keyboard.type('gold');
    const heading = frame.locator('.tone-dusk h2');
    await expect.poll(() => computed(heading, 'border-bottom')).toBe('3px solid rgb(255, 215, 0)');

    // 7. Found.
    await expect(page.getByRole('region', { name: 'What was found' })).toContainText('can be read: contrast at least');

    // 8. Note by n, keep by k, undo and redo by z.
    await page.keyboard.press('Escape');
    await page.keyboard.press('n');
    await page.keyboard.type('Headings on the dusk tone stand out.');
    await page.keyboard.press('Escape');
    await page.keyboard.press('b');
    await expect.poll(() => computed(heading, 'background-color')).toBe('rgba(0, 0, 0, 0)');
    await page.keyboard.press('b');
    await page.keyboard.press('k');
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
    await page.keyboard.press('z');
    await expect(page.getByText('Undone: New override .tone-dusk h2')).toBeVisible();
    await page.keyboard.press('Shift+Z');
    await expect(page.getByText('Done again: New override .tone-dusk h2')).toBeVisible();
    await page.keyboard.press('?');
    await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
    await page.keyboard.press('Escape');
});
