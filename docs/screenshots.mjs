/**
 * The pictures in docs/screenshots, from the demo data: bin/demo --background, then node docs/screenshots.mjs
 * What it keeps in the draft on the way it takes back by undo.
 */
import { chromium } from '@playwright/test';

const base = process.env.BASE ?? 'http://127.0.0.1:8400';
const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
});

async function visit(options, work) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, baseURL: base, ...options });
    const page = await context.newPage();
    await page.goto('/login');
    await page.getByRole('button', { name: 'Enter as the demo owner' }).click();
    await page.getByRole('heading', { name: 'Your sites' }).waitFor();
    await work(page);
    await context.close();
}

const shot = (page, name) => page.screenshot({ path: `docs/screenshots/${name}.png` });
const field = (page, name) => page.getByRole('textbox', { name, exact: true });

async function workOnQuotation(page) {
    await page.getByRole('link', { name: /Larkmoor Observatory/ }).click();
    await page.locator('iframe').waitFor();
    await page.getByText('Opening the page…').waitFor({ state: 'detached' });
    const quote = page.frameLocator('iframe').locator('.tone-night .quote');
    await quote.evaluate((element) => element.scrollIntoView({ block: 'center', behavior: 'instant' }));
    await quote.dispatchEvent('click');
    await field(page, 'Background colour').fill('#4a2234');
    await field(page, 'Text colour').fill('#f4e3c2');
    await page.getByRole('radiogroup', { name: 'Side of the border' }).getByRole('radio', { name: 'left' }).click();
    await field(page, 'Border width, left').fill('6px');
    await field(page, 'Border colour, left').fill('#e0b354');
    await field(page, 'Note: what and why').fill('Night quotations were unreadable on the dark band.');
    await page.getByRole('region', { name: 'What was found' }).waitFor();
    await page.waitForTimeout(600);
}

await visit({}, async (page) => {
    await shot(page, 'sites');
    await page.goto('/sites/new');
    await shot(page, 'add-a-site');
    await page.goto('/sites');
    await workOnQuotation(page);
    await page.mouse.move(5, 5);
    await page.locator('#reach-title').evaluate((e) => e.closest('.overflow-y-auto')?.scrollTo(0, 0));
    await shot(page, 'restyle');
    await page.getByText('Looking at the other widths and states…').waitFor({ state: 'hidden' });
    await page.getByRole('heading', { name: 'What was found' }).evaluate((e) => e.scrollIntoView({ block: 'start' }));
    await shot(page, 'restyle-found');
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await page.getByText('Kept in the sheet').waitFor();
    await page.getByRole('link', { name: 'Sheet', exact: true }).click();
    await page.getByRole('heading', { name: 'The sheet', exact: true }).waitFor();
    await page.waitForTimeout(7000);
    await shot(page, 'sheet');
    await page.getByRole('link', { name: 'Releases' }).click();
    await page.getByRole('button', { name: /^Release \d+…$/ }).click();
    await page.getByRole('button', { name: 'Make it live' }).waitFor();
    await page.keyboard.press('Escape');
    await page.getByText('All 9 pages looked at').waitFor();
    await shot(page, 'release');
    await page.getByRole('link', { name: 'Sheet', exact: true }).click();
    await page.getByRole('button', { name: 'Undo' }).click();
    await page.getByText('No override yet.').waitFor();
});
// What begins here is dropped again: nothing of it is kept.
await visit({}, async (page) => {
    const open = async () => {
        await page.goto('/sites/1');
        await page.locator('iframe').waitFor();
        await page.getByText('Opening the page…').waitFor({ state: 'detached' });
    };
    const frame = page.frameLocator('iframe').first();
    const click = async (target, keys = {}) => {
        const element = frame.locator(target).first();
        await element.evaluate((e) => e.scrollIntoView({ block: 'center', behavior: 'instant' }));
        await page.waitForTimeout(200);
        await element.dispatchEvent('click', keys);
        await page.waitForTimeout(900);
    };
    const drop = async () => {
        await page.getByRole('button', { name: 'Drop it' }).click();
        await page.evaluate(() => sessionStorage.clear());
    };
    await open();
    await click('.tone-night .quote');
    await field(page, 'Background colour').fill('#4a2234');
    await field(page, 'Text colour').fill('#f4e3c2');
    await page.getByRole('spinbutton', { name: 'Width in pixels' }).fill('390');
    await page.getByRole('button', { name: 'Other values at 699px and narrower' }).click();
    await field(page, 'Corner radius').fill('14px');
    await field(page, 'Background colour').fill('#33203f');
    await page.getByRole('region', { name: 'Changes' }).evaluate((e) => e.scrollIntoView());
    await page.waitForTimeout(2500);
    await shot(page, 'widths');
    await drop();
    await page.getByRole('spinbutton', { name: 'Width in pixels' }).fill('1280');
    await page.waitForTimeout(600);
    await click('.tone-night .quote');
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Visit' });
    await page.waitForTimeout(1200);
    await click('.quote', { shiftKey: true });
    await click('.card', { altKey: true });
    await page.waitForTimeout(1200);
    await page.locator('#reach-title').evaluate((e) => e.closest('.overflow-y-auto')?.scrollTo(0, 0));
    await shot(page, 'examples');
    await drop();
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: 'Home' });
    await page.waitForTimeout(1200);
    await click('header.bar');
    await page.getByRole('button', { name: 'resting' }).click();
    await page.getByRole('button', { name: 'Aim at .bar--stuck' }).click();
    await page.waitForTimeout(1200);
    await shot(page, 'sleeping');
    await page.keyboard.press('Escape');
    await drop();
    await click('.tone-night');
    await page.getByRole('button', { name: /^\.tone-night/ }).first().click();
    await page.getByRole('combobox', { name: 'Add an image as' }).selectOption('photo');
    await page.getByRole('combobox', { name: 'Which image' }).selectOption('img/milky-way.jpg');
    await page.getByRole('region', { name: 'Changes' }).evaluate((e) => e.scrollIntoView());
    await page.waitForTimeout(2500);
    await shot(page, 'layers');
    await page.getByRole('button', { name: 'Pick: Text colour' }).click();
    await page.waitForTimeout(900);
    await shot(page, 'colour');
    await page.keyboard.press('Escape');
    await page.getByRole('button', { name: 'wipe' }).click();
    await page.waitForTimeout(1500);
    await shot(page, 'wipe');
    await page.getByRole('button', { name: 'wipe' }).click();
    await page.getByRole('navigation', { name: 'What the element is in' }).getByRole('button').last().hover();
    await page.waitForTimeout(700);
    await shot(page, 'box');
    await drop();
});
await visit({ colorScheme: 'dark' }, async (page) => {
    await workOnQuotation(page);
    await page.mouse.move(5, 5);
    await page.locator('#reach-title').evaluate((e) => e.closest('.overflow-y-auto')?.scrollTo(0, 0));
    await shot(page, 'restyle-dark');
    await field(page, 'Note: what and why').fill('');
});
await visit({ viewport: { width: 375, height: 760 } }, async (page) => {
    await workOnQuotation(page);
    await page.evaluate(() => scrollTo(0, 0));
    await page.waitForTimeout(800);
    await shot(page, 'restyle-narrow');
});
await browser.close();
