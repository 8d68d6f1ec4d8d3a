import { expect, test } from '@playwright/test';
import { readFile } from 'node:fs/promises';
import { computed, enter, field, frameOf, live, point, practice, release, restyle } from './helpers';

test.describe.configure({ mode: 'serial' });

test('the whole job with the mouse: from signing in to a changed live site and back', async ({ page }) => {
    // 1. Sites and their state.
    await enter(page);
    const row = page.getByRole('link', { name: /Larkmoor Observatory/ });
    await expect(row).toContainText('9 pages, theme Orrery 1.4');
    await expect(row).toContainText('nothing overridden yet');
    await row.click();

    // 2. The page as the theme renders it, at a real width, in a sandboxed frame; pages and widths can be switched.
    const frame = await frameOf(page);
    await expect(page.locator('iframe')).toHaveAttribute('sandbox', 'allow-scripts');
    expect(await frame.locator('html').evaluate(() => innerWidth)).toBe(1280);
    await page.getByRole('group', { name: 'Width' }).getByRole('button', { name: '700' }).click();
    await expect.poll(() => frame.locator('html').evaluate(() => innerWidth)).toBe(700);
    await page.getByRole('spinbutton', { name: 'Width in pixels' }).fill('1280');
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Visit' });
    await expect(frame.locator('h1')).toHaveText('Visit');
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Home' });
    await frameOf(page);

    // 3. Point, click; the line of ancestors leads to the wrapper and back.
    const quote = frame.locator('.tone-night .quote');
    await point(page, quote);
    const line = page.getByRole('navigation', { name: 'What the element is in' });
    await expect(line.locator('[aria-current]')).toHaveText('blockquote.quote');
    await line.getByRole('button', { name: 'section.band.tone-night' }).click();
    await expect(line.locator('[aria-current]')).toHaveText('section.band.tone-night');
    await point(page, quote);

    // 4. What sets its look: file, line, selector, value.
    const sets = page.getByRole('region', { name: 'What sets its look now' });
    await expect(sets).toContainText('Orrery 1.4, css/orrery.css line 106, .band .quote: color: #4a4f66');
    await expect(sets).toContainText('#pull-7f3a91 generated');

    // 5. Candidates with specificity and counts; typed selectors that are broken or hit nothing.
    const reach = page.getByRole('region', { name: 'How far should it reach?' });
    expect(await reach.getByRole('listitem').count()).toBeGreaterThanOrEqual(4);
    await expect(reach.getByRole('button', { name: /^\.quote 13 on 7 pages/ })).toContainText('0·1·0');
    await expect(reach.getByRole('button', { name: /#pull-7f3a91/ })).toContainText('looks generated');
    await reach.getByRole('textbox').fill('.tone-night .quote >');
    await expect(reach.getByRole('status')).toContainText('At character 21: A selector is missing here.');
    await reach.getByRole('textbox').fill('.tone-nigth .quote');
    await expect(reach.getByRole('status')).toContainText('The nearest that exists is .tone-night');
    await reach.getByRole('button', { name: /^\.tone-night \.quote/ }).click();
    await expect(page.getByRole('button', { name: 'Visit: 2 reached, 0 spilled' })).toBeVisible();

    // 6. Change it; the page follows without a reload.
    await frame.locator('html').evaluate((html) => html.setAttribute('data-same', ''));
    await field(page, 'Background colour').fill('#4a2234');
    await expect.poll(() => computed(quote, 'background-color')).toBe('rgb(74, 34, 52)');
    await field(page, 'Text colour').fill('#f4e3c2');
    await page.getByRole('radiogroup', { name: 'Side of the border' }).getByRole('radio', { name: 'left' }).click();
    await field(page, 'Border width, left').fill('6px');
    await page.getByRole('button', { name: 'Pick: Border colour, left' }).click();
    await page.getByRole('button', { name: /^#e0b354, used/ }).click();
    await page.keyboard.press('Escape');
    await field(page, 'Corner radius').fill('8px');
    await expect.poll(() => computed(quote, 'border-left')).toBe('6px solid rgb(224, 179, 84)');
    expect(await frame.locator('html').getAttribute('data-same')).toBe('');

    // 7. What was found: it wins, it can be read, and what else changes, a click away.
    const found = page.getByRole('region', { name: 'What was found' });
    await expect(found).toContainText('Beats the theme’s .band .quote at css/orrery.css, line 105, by source order.');
    await expect(found).toContainText('All 10 texts can be read: contrast at least 7.3 : 1 (was 1.8 : 1)');
    await expect(found).toContainText('5 more elements change that you did not point at');
    await found.getByText('Visit: 2, by inheritance').click();
    await found.getByRole('button', { name: 'cite' }).first().click();
    await expect(frame.locator('h1')).toHaveText('Visit');
    await expect(page.getByText('cite', { exact: true }).last()).toBeVisible();

    // 8. Note, keep, sentence, CSS; undo and redo across reloads.
    await field(page, 'Note: what and why').fill('Night quotations were unreadable on the dark band.');
    await expect(
        page.getByText(
            'On 4 of 9 pages, each quotation inside a “tone night” section .tone-night .quote gets 4 changes at any width, resting.',
        ),
    ).toBeVisible();
    await expect(page.getByLabel('The CSS of this override')).toContainText('border-left: 6px solid #e0b354;');
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
    await page.reload();
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('button', { name: 'Undo' })).toBeDisabled();
    await page.reload();
    await page.getByRole('button', { name: 'Redo' }).click();
    await expect(page.getByText('Kept in the sheet')).toBeVisible();

    // 9. Release: the difference, live over HTTP, proven, seen outside; again, and the first brought back.
    await release(page);
    await expect(page.getByText('Proven: fetched back from')).toBeVisible();
    expect(await live(page, '', '.tone-night .quote', 'background-color')).toBe('rgb(74, 34, 52)');
    expect(await (await page.request.get(`${practice}/-/sheet`)).text()).toContain(
        '/* Night quotations were unreadable on the dark band. */',
    );
});

test('a second release, and the first brought back', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('.badge'));
    await page.getByRole('button', { name: /^\.badge/ }).click();
    await field(page, 'Text colour').fill('#f6f0dc');
    const found = page.getByRole('region', { name: 'What was found' });
    await expect(found).toContainText('can’t be read well');
    await found
        .getByRole('button', { name: /Nearest that passes/ })
        .first()
        .click();
    await expect(found).toContainText('can be read: contrast at least 4.5 : 1');
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
    await release(page);
    const badge = await live(page, 'programme.html', '.badge', 'color');
    expect(badge).not.toBe('rgb(248, 244, 232)');
    await page.getByRole('button', { name: 'Bring back…' }).click();
    await page.getByRole('button', { name: 'Make it live' }).click();
    await expect(page.getByText('Release 3 is live, and was fetched back')).toBeVisible();
    await expect(page.getByText('release 1 brought back')).toBeVisible();
    expect(await live(page, 'programme.html', '.badge', 'color')).toBe('rgb(248, 244, 232)');
    expect(await live(page, '', '.tone-night .quote', 'background-color')).toBe('rgb(74, 34, 52)');
});

test('the sheet is ordered, switched, copied and downloaded', async ({ page, context }) => {
    await context.grantPermissions(['clipboard-read', 'clipboard-write']);
    await restyle(page);
    await page.getByRole('link', { name: 'Sheet', exact: true }).click();
    await page.getByRole('textbox', { name: 'Heading' }).fill('Night and badges');
    await page.getByRole('button', { name: 'Add heading' }).click();
    await page.getByRole('button', { name: 'Move Night and badges up' }).click();
    await page.getByRole('button', { name: 'Move Night and badges up' }).click();
    await expect(page.getByRole('button', { name: 'Move Night and badges up' })).toBeDisabled();
    await page.getByRole('checkbox', { name: '.badge is on' }).uncheck();
    await page.getByRole('button', { name: 'Copy all' }).click();
    const css = await page.evaluate(() => navigator.clipboard.readText());
    expect(css).toMatch(/^\/\* # Night and badges \*\/\n\n\/\* Night quotations[^]*\/\* off:\n\.badge \{/);
    const [download] = await Promise.all([page.waitForEvent('download'), page.getByRole('link', { name: 'Download' }).click()]);
    expect(download.suggestedFilename()).toBe('larkmoor-observatory-overrides.css');
    expect(await readFile(await download.path(), 'utf8')).toBe(css);
    await page.getByRole('button', { name: 'Delete .badge' }).click();
    await expect(page.getByRole('checkbox', { name: '.badge is on' })).toHaveCount(0);
    await page.getByRole('button', { name: 'Undo' }).click();
    await expect(page.getByRole('checkbox', { name: '.badge is on' })).not.toBeChecked();
});

test('an override that loses is told why, and raised by the least that wins', async ({ page }) => {
    const frame = await restyle(page);
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Membership' });
    await frameOf(page);
    await point(page, frame.locator('.plan__name'));
    await page.getByRole('button', { name: /^\.plan__name/ }).click();
    await field(page, 'Text colour').fill('teal');
    const found = page.getByRole('region', { name: 'What was found' });
    await expect(found).toContainText('color loses on 3 elements to the theme’s #content .plans .plan .plan__name at css/orrery.css');
    await expect(found).toContainText('by specificity');
    await found.getByRole('button', { name: 'Do that' }).click();
    await expect(found).toContainText('Beats the theme’s #content .plans .plan .plan__name');
    await expect.poll(() => computed(frame.locator('.plan__name'), 'color')).toBe('rgb(0, 128, 128)');
});
