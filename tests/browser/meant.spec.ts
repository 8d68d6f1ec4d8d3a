import { expect, test, type Page } from '@playwright/test';
import { computed, enter, field, frameOf, live, point, practice, release, restyle } from './helpers';

const bench = (page: Page) => page.getByRole('region', { name: 'Bench' });
const found = (page: Page) => page.getByRole('region', { name: 'What was found' });
const selector = (page: Page) => page.getByRole('region', { name: 'How far should it reach?' }).getByRole('textbox');

async function keepAndRelease(page: Page): Promise<void> {
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
    await release(page);
}

async function turnTo(page: Page, title: string): Promise<void> {
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: title });
    await frameOf(page);
}

test('marked on two pages, with one to leave alone: the selector that fits is found, kept with its marks, and live', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('.tone-dusk .card'));
    await turnTo(page, 'Visit');
    await page.keyboard.down('Shift');
    await point(page, frame.locator('.tone-dusk .card'));
    await page.keyboard.up('Shift');
    await expect(bench(page).getByRole('list', { name: 'These', exact: true }).getByRole('listitem')).toHaveCount(2);
    await expect(selector(page)).toHaveValue('.card');

    // By key: back to Home, to a card that is to stay, and l.
    await turnTo(page, 'Home');
    await point(page, frame.locator('.tone-day .card'));
    await page.keyboard.press('l');
    await expect(bench(page).getByRole('list', { name: 'Leave alone' }).getByRole('listitem')).toHaveCount(1);
    await expect(selector(page)).toHaveValue('.tone-dusk .card');
    page.on('dialog', (dialog) => void dialog.accept());
    await page.reload();
    await expect(bench(page).getByRole('list', { name: 'These', exact: true }).getByRole('listitem')).toHaveCount(2);
    await expect(bench(page).getByText('and leaves one alone')).toBeVisible();
    await expect(page.getByRole('button', { name: 'Left alone on Home' })).toBeVisible();

    await page.getByRole('radiogroup', { name: 'Side of the border' }).getByRole('radio', { name: 'top' }).click();
    await field(page, 'Border width, top').fill('5px');
    await field(page, 'Border colour, top').fill('#e0b354');
    await expect.poll(() => computed(frame.locator('.tone-dusk .card'), 'border-top-width')).toBe('5px');
    await expect(found(page)).toContainText('Nothing else changes anywhere on the site.');
    await keepAndRelease(page);
    expect(await live(page, '', '.tone-dusk .card', 'border-top')).toBe('5px solid rgb(224, 179, 84)');
    expect(await live(page, 'visit.html', '.tone-dusk .card', 'border-top')).toBe('5px solid rgb(224, 179, 84)');
    expect(await live(page, '', '.tone-day .card', 'border-top-width')).toBe('1px');

    // The marks are there again when the override is opened later.
    await page.getByRole('link', { name: 'Restyle' }).click();
    await frameOf(page);
    await page.getByRole('button', { name: /^\.tone-dusk \.card/ }).click();
    await expect(bench(page).getByRole('list', { name: 'These', exact: true }).getByRole('listitem')).toHaveCount(2);
    await bench(page).getByRole('list', { name: 'These', exact: true }).getByRole('button', { name: /Visit/ }).click();
    await expect(frame.locator('h1')).toHaveText('Visit');
});

test('a spill is found, shown where it is, and mended', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('.hero .button').first());
    await page.getByRole('button', { name: /^\.hero \.button/ }).click();
    await field(page, 'Background colour').fill('#7a2a1a');
    await selector(page).fill('.button');
    await expect(found(page)).toContainText('the selector takes more than was meant');
    const group = found(page)
        .getByRole('region', { name: /× .*\.button/ })
        .first();
    await group.getByRole('button', { name: /× .*\.button/ }).click();
    await group.getByRole('button', { name: 'Aim narrower' }).click();
    await expect(found(page)).toContainText('Nothing else changes anywhere on the site.');
    await expect(page.getByRole('navigation', { name: 'Where it lands' })).toContainText('0 spilled');
    await keepAndRelease(page);
    expect(await live(page, '', '.hero .button', 'background-color')).toBe('rgb(122, 42, 26)');
    expect(await live(page, '', '.foot .button', 'background-color')).toBe('rgb(224, 179, 84)');
    expect(await live(page, 'book.html', '.form .button', 'background-color')).toBe('rgb(224, 179, 84)');
});

test('an override that loses is raised, and wins live', async ({ page }) => {
    const frame = await restyle(page);
    await turnTo(page, 'Membership');
    await point(page, frame.locator('.plan__name'));
    await page.getByRole('button', { name: /^\.plan__name/ }).click();
    await field(page, 'Text colour').fill('#00584f');
    await expect(found(page)).toContainText('loses on 3 elements to the theme’s #content .plans .plan .plan__name');
    await found(page).getByText('Or another way').click();
    await found(page).getByRole('button', { name: 'Do that' }).click();
    await expect(found(page)).toContainText('Beats the theme’s #content .plans .plan .plan__name');
    await expect(found(page)).toContainText('The same at 375, 768 and 1079 px');
    await keepAndRelease(page);
    expect(await live(page, 'membership.html', '.plan__name', 'color')).toBe('rgb(0, 88, 79)');
});

test('the bar is restyled in the state that it wears once it sticks', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('header.bar'));
    await page.getByRole('button', { name: 'resting' }).click();
    await expect(page.getByRole('dialog').getByText('on this element')).toBeVisible();
    await page.getByRole('button', { name: 'Aim at .bar--stuck' }).click();
    await page.keyboard.press('Escape');
    await expect(page.getByText('while .bar has .bar--stuck')).toBeVisible();
    await expect(selector(page)).toHaveValue('.bar.bar--stuck');
    await expect(frame.locator('.bar')).toHaveClass(/bar--stuck/);
    await field(page, 'Background colour').fill('#e7eaf1');
    await expect.poll(() => computed(frame.locator('.bar'), 'background-color')).toBe('rgb(231, 234, 241)');
    await expect(found(page)).toContainText('Beats the theme’s .bar.bar--stuck');
    await expect(page.getByRole('button', { name: 'Home: 1 reached, 0 spilled' })).toBeVisible();
    await keepAndRelease(page);
    const visitor = await page.context().newPage();
    await visitor.goto(practice);
    expect(await computed(visitor.locator('.bar'), 'background-color')).toBe('rgba(0, 0, 0, 0)');
    await visitor.locator('.bar').evaluate((bar) => bar.classList.add('bar--stuck'));
    await expect.poll(() => computed(visitor.locator('.bar'), 'background-color')).toBe('rgb(231, 234, 241)');
    await visitor.close();
});

test('a selector that hits nothing is taken apart and mended', async ({ page }) => {
    await restyle(page);
    await page.keyboard.press('/');
    await page.getByRole('textbox', { name: /A class, a property/ }).fill('credit');
    await page.getByRole('button', { name: 'Begin an override here' }).click();
    await selector(page).fill('.foot > .credits');
    const told = page.getByRole('region', { name: 'How far should it reach?' }).getByRole('status');
    await expect(told).toContainText('No page has an element with the class “credits”. The nearest that exists is .credit.');
    await told.getByRole('button', { name: 'Use .foot > .credit' }).click();
    await field(page, 'Text colour').fill('#c9cde0');
    await expect(found(page)).toContainText('Beats the theme’s .credit');
    await keepAndRelease(page);
    expect(await live(page, 'contact.html', '.credit', 'color')).toBe('rgb(201, 205, 224)');
});

test('before a release, the account of the whole site', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('.foot'));
    await field(page, 'Text colour').fill('#d5d9ea');
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet')).toBeVisible();
    await page.getByRole('link', { name: 'Releases' }).click();
    const account = page.getByRole('region', { name: 'What it changes on the whole site' });
    await expect(account.getByText('All 9 pages looked at')).toBeVisible();
    await expect(account).toContainText('without being meant');
    await expect(account.locator('details[open]')).toContainText(/by \.foot, by inheritance/);
});

test('the look before a choice, wrapper or inner box, the spines and a custom property, by key', async ({ page }) => {
    await enter(page);
    await page.goto('/sites/1');
    const frame = await frameOf(page);
    await frame.locator('.tone-moss').evaluate((element) => element.scrollIntoView({ block: 'center', behavior: 'instant' }));
    await point(page, frame.locator('.tone-moss .band__inner'));

    // Up to the wrapper: how far its background would run is drawn on the page.
    await page.getByRole('application').focus();
    await page.keyboard.press('ArrowUp');
    await expect(page.getByText(/background 1280 × \d+, padding 84 24, margin 0/)).toBeVisible();
    await page.keyboard.press('ArrowDown');
    await expect(page.getByText(/background 1040 × \d+, padding 0, margin 0 96/)).toBeVisible();

    // A reach is looked at before it is chosen.
    const reaches = page.getByRole('list', { name: 'Reaches' }).getByRole('button');
    await expect(reaches.first()).toContainText('.band__inner');
    await page.keyboard.press('r');
    for (let i = 0; i < 25 && !(await reaches.first().evaluate((e) => e === document.activeElement)); i++)
        await page.keyboard.press('Shift+Tab');
    await expect(page.getByRole('heading', { name: 'Where it would land' })).toBeVisible();
    await expect(selector(page)).not.toHaveValue((await reaches.first().locator('code').innerText()).trim());

    // Its kind in the sections of some tones, put together one press after the other.
    await point(page, frame.locator('.tone-night .quote'));
    await page.getByText('By tone, by tag, or the text inside').click();
    const tones = page.getByRole('group', { name: 'In sections of the tone' });
    await expect(tones.getByRole('button', { name: 'tone-night, 5' })).toHaveAttribute('aria-pressed', 'true');
    await tones.getByRole('button', { name: 'tone-dusk, 1' }).click();
    await expect(selector(page)).toHaveValue(':is(.tone-night, .tone-dusk) .quote');
    await expect(page.getByText('6 reached, on')).toBeVisible();
    await tones.getByRole('button', { name: 'tone-night, 5' }).click();
    await expect(selector(page)).toHaveValue('.tone-dusk .quote');
    await page.getByRole('button', { name: /^\.tone-night \.quote/ }).click();

    // From spine to spine and down to a mark, and there by Enter.
    await page.getByRole('button', { name: /^Home: / }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(page.getByRole('button', { name: /^Book a night: / })).toBeFocused();
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowDown');
    await expect(page.getByRole('button', { name: 'Reached on Home' }).first()).toBeFocused();

    // Who else uses the custom property behind a colour.
    await point(page, frame.locator('.tone-dusk'));
    await page.getByRole('button', { name: 'Who else uses it?' }).first().click();
    const dialog = page.getByRole('dialog', { name: /^--/ });
    await expect(dialog.getByText(/rules? uses? it/)).toBeVisible();
    await dialog
        .getByRole('button', { name: /^\.tone-dusk/ })
        .first()
        .click();
    await expect(bench(page).getByText(/gets/)).toContainText('1 change');
});
