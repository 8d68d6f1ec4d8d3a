import { expect, test, type FrameLocator, type Page } from '@playwright/test';
import { computed, field, frameOf, live, point, practice, release, restyle } from './helpers';

const found = (page: Page) => page.getByRole('region', { name: 'What was found' });
const selector = (page: Page) => page.getByRole('region', { name: 'How far should it reach?' }).getByRole('textbox');
const code = (page: Page) => page.getByRole('textbox', { name: 'The CSS of this override' });

async function at(page: Page, title: string, target: string, frame: FrameLocator): Promise<void> {
    await page.getByRole('combobox', { name: 'Page' }).selectOption({ label: title });
    await frameOf(page);
    await point(page, frame.locator(target));
    await expect(page.getByRole('region', { name: 'How far should it reach?' })).toBeVisible();
}

async function keep(page: Page): Promise<void> {
    await page.getByRole('button', { name: 'Keep this override' }).click();
    await expect(page.getByText('Kept. It is in the sheet').last()).toBeVisible();
    await expect(page.getByText('Kept in the sheet')).toBeVisible();
}

/** A value on the live site at a width. */
async function liveAt(page: Page, width: number, path: string, target: string, property: string): Promise<string> {
    const visitor = await page.context().newPage();
    await visitor.setViewportSize({ width, height: 800 });
    await visitor.goto(`${practice}/${path}`);
    const value = await computed(visitor.locator(target), property);
    await visitor.close();
    return value;
}

test('what owners do to backgrounds, borders, text and space, each seen on the live page', async ({ page }) => {
    const frame = await restyle(page);

    await test.step('a photo behind one band only, nudged until it sits', async () => {
        await at(page, 'Home', '.tone-moss', frame);
        await selector(page).fill('.page-home .tone-moss');
        await page.getByRole('combobox', { name: 'Add an image as' }).selectOption('image');
        await page.getByRole('combobox', { name: 'Which image' }).selectOption('img/milky-way.jpg');
        await page.getByRole('button', { name: /^Move the image/ }).focus();
        await page.keyboard.press('Shift+ArrowDown');
        await page.keyboard.press('ArrowDown');
        await page.keyboard.press('ArrowLeft');
        await expect(page.getByRole('textbox', { name: 'Down', exact: true })).toHaveValue('calc(50% + 11px)');
        await expect(
            page.getByText(/1600 × 900 px file in a box of 1280 × \d+: drawn 1280 × 720, \d+ % of it cropped, soft on fine screens/),
        ).toBeVisible();
        await page.getByText('at other widths, and what the picture is about').click();
        await expect(page.getByText(/box 375 × \d+, drawn/)).toBeVisible();
        await expect(page.getByText(/box 1280 × \d+, drawn 1280 × 720/)).toBeVisible();
        await page.getByRole('button', { name: /^What the picture is about: 50% across, 50% down/ }).focus();
        for (let i = 0; i < 5; i++) await page.keyboard.press('Shift+ArrowDown');
        await expect(page.getByText('the point is cropped away').first()).toBeVisible();
        await expect.poll(() => computed(frame.locator('.tone-moss'), 'background-position')).toBe('calc(50% - 1px) calc(50% + 11px)');
        await expect.poll(() => computed(frame.locator('.tone-moss'), 'background-image')).toContain('milky-way.jpg');
        await keep(page);
    });

    await test.step('a gradient with a radius on the inner box of a question, and not on its wrapper', async () => {
        await at(page, 'Membership', '.question__body', frame);
        await page.getByRole('button', { name: /^\.question__body/ }).click();
        await page.getByRole('button', { name: 'Add a gradient' }).click();
        await page.getByRole('textbox', { name: 'Colour of stop 1' }).fill('#eef2ea');
        await page.getByRole('textbox', { name: 'Colour of stop 2' }).fill('#ffffff');
        await page.getByRole('slider', { name: 'Stop 2 at' }).focus();
        await page.keyboard.press('ArrowLeft');
        await field(page, 'Corner radius').fill('6px');
        await expect
            .poll(() => computed(frame.locator('.question__body'), 'background-image'))
            .toBe('linear-gradient(to right, rgb(238, 242, 234) 0%, rgb(255, 255, 255) 99%)');
        await keep(page);
    });

    await test.step('an unreadable badge made readable with one press', async () => {
        await at(page, 'Programme', '.badge', frame);
        await page
            .getByRole('button', { name: /^\.badge/ })
            .first()
            .click();
        await page.getByRole('button', { name: 'Pick: Text colour' }).click();
        await page.getByRole('button', { name: '#f8f4e8', exact: false }).first().click();
        await page.getByRole('button', { name: /^nearest that passes/ }).click();
        await page.keyboard.press('Escape');
        await expect(found(page)).toContainText('can be read: contrast at least 4.5 : 1');
        await keep(page);
    });

    await test.step('one form’s fields with a thick border, the other form untouched', async () => {
        await at(page, 'Contact', '#contact-form input, main form input', frame);
        const id = await frame.locator('main form').first().getAttribute('id');
        await selector(page).fill(`#${id} input`);
        await page.getByRole('radio', { name: 'all' }).first().click();
        await field(page, 'Border width, all').fill('3px');
        await field(page, 'Border width, all').press('ArrowUp');
        await field(page, 'Border colour, all').fill('#38503f');
        await expect(found(page)).toContainText('Nothing else changes anywhere on the site.');
        await keep(page);
    });

    await test.step('headings of one kind with background, padding and margin', async () => {
        await at(page, 'Visit', '.tone-dusk h2', frame);
        await selector(page).fill('.tone-dusk h2');
        await field(page, 'Background colour').fill('#ffffff');
        await page.getByText('Space, width, hiding').click();
        await field(page, 'Padding, all').fill('8px');
        await expect(page.getByText(/background \d+ × \d+, padding/)).toBeVisible();
        await page.getByRole('radiogroup', { name: 'Side of the space' }).getByRole('radio', { name: 'bottom' }).click();
        await field(page, 'Margin, bottom').fill('20px');
        await expect.poll(() => computed(frame.locator('.tone-dusk h2'), 'margin-bottom')).toBe('20px');
        await keep(page);
    });

    await test.step('link colours in one region, typed as CSS', async () => {
        await at(page, 'Home', '.foot a', frame);
        await page
            .getByRole('button', { name: /^\.foot a/ })
            .first()
            .click()
            .catch(() => selector(page).fill('.foot a'));
        await code(page).click();
        await page.keyboard.press('ControlOrMeta+a');
        await page.keyboard.insertText('.foot a {\n  color: #f0d593;\n  colr: red;\n}');
        await expect.poll(() => computed(frame.locator('.foot a'), 'color')).toBe('rgb(240, 213, 147)');
        await expect(page.locator('.cm-lintRange-error')).toHaveText('colr: red');
        const told = page.getByRole('status', { name: 'Findings in the CSS' });
        await expect(told).toContainText('Line 3: Browsers know no property named “colr”. Did you mean color?');
        await told.getByRole('button', { name: 'Use color' }).click();
        await expect(told).toHaveText('');
        await expect(code(page)).toContainText('color: red;');
        await code(page).click();
        await page.keyboard.press('ControlOrMeta+a');
        await page.keyboard.insertText('.foot a {\n  color: #f0d593;\n}');
        await expect(field(page, 'Text colour')).toHaveValue('#f0d593');
        await expect(page.getByText('gets 1 change')).toBeVisible();
        await keep(page);
    });

    await test.step('a strip tiled across the bar', async () => {
        await at(page, 'Visit', 'header.bar', frame);
        await page.getByRole('button', { name: /^\.bar 9 on 9/ }).click();
        await page.getByRole('combobox', { name: 'Add an image as' }).selectOption('strip');
        await page.getByRole('combobox', { name: 'Which image' }).selectOption('img/star-tile.png');
        await expect(page.getByText(/\d+ tiles/)).toBeVisible();
        await expect.poll(() => computed(frame.locator('.bar'), 'background-repeat')).toBe('repeat-x');
        await keep(page);
    });

    await test.step('a value on phones only', async () => {
        await at(page, 'Home', '.band__lead, .tone-day h2', frame);
        await selector(page).fill('.tone-day h2');
        await page.getByRole('button', { name: 'any width' }).click();
        await page.getByRole('button', { name: 'below 700' }).click();
        await page.keyboard.press('Escape');
        await page.getByText('Weight, size, alignment').click();
        await field(page, 'Font size').fill('1.25rem');
        await expect(page.getByText('699px and narrower')).toBeVisible();
        await keep(page);
    });

    await test.step('the credit line hidden', async () => {
        await at(page, 'Home', '.credit', frame);
        await page
            .getByRole('button', { name: /^\.credit/ })
            .first()
            .click();
        await page.getByText('Space, width, hiding').click();
        await page.getByRole('checkbox', { name: 'hide it' }).check();
        await expect(page.getByText('it is gone for everyone')).toBeVisible();
        await keep(page);
    });

    await release(page);
    expect(await live(page, '', '.tone-moss', 'background-position')).toBe('calc(50% - 1px) calc(50% + 11px)');
    expect(await live(page, '', '.tone-moss', 'background-image')).toContain('/img/milky-way.jpg');
    expect(await live(page, 'sampler.html', '.tone-moss', 'background-image')).toBe('none');
    expect(await live(page, 'membership.html', '.question__body', 'border-top-left-radius')).toBe('6px');
    expect(await live(page, 'membership.html', '.question', 'background-image')).toBe('none');
    expect(await live(page, 'programme.html', '.badge', 'color')).not.toBe('rgb(248, 244, 232)');
    expect(await live(page, 'contact.html', 'main form input', 'border-top-width')).toBe('4px');
    expect(await live(page, 'book.html', 'main form input', 'border-top-width')).toBe('1px');
    expect(await live(page, 'visit.html', '.tone-dusk h2', 'padding-top')).toBe('8px');
    expect(await live(page, '', '.foot a', 'color')).toBe('rgb(240, 213, 147)');
    expect(await live(page, 'visit.html', '.bar', 'background-repeat')).toBe('repeat-x');
    expect(await liveAt(page, 375, '', '.tone-day h2', 'font-size')).toBe('20px');
    expect(await liveAt(page, 1280, '', '.tone-day h2', 'font-size')).toBe('30px');
    expect(await live(page, '', '.credit', 'display')).toBe('none');
});

test('a shorthand that wipes is told and mended, colours are taken off the page, and the edge wipes', async ({ page }) => {
    const frame = await restyle(page);
    await point(page, frame.locator('.hero'));
    await code(page).click();
    await page.keyboard.press('ControlOrMeta+a');
    await page.keyboard.insertText('.hero {\n  background: #202a4e;\n}');
    await expect(page.getByText('background resets background-image')).toBeVisible();
    await page.getByRole('region', { name: 'Changes' }).getByRole('button', { name: 'Do that' }).click();
    await expect.poll(() => computed(frame.locator('.hero'), 'background-image')).toContain('dome-night.jpg');

    // The sliders, by key; then a colour off the page.
    await page.getByRole('button', { name: 'Pick: Background colour' }).click();
    await page.getByRole('slider', { name: 'Lightness' }).focus();
    await page.keyboard.press('ArrowRight');
    await expect(field(page, 'Background colour')).toHaveValue(/^oklch\(/);
    await page.getByRole('button', { name: 'Take one off the page' }).click();
    await point(page, frame.locator('.tone-night'));
    await expect(field(page, 'Background colour')).toHaveValue('rgb(22, 27, 46)');
    await page.keyboard.press('Escape');

    await page.getByRole('button', { name: 'wipe' }).click();
    const edge = page.getByRole('slider', { name: 'How far the page before is shown' });
    await edge.focus();
    await page.keyboard.press('End');
    await expect(edge).toHaveValue('100');
    const before = page.frameLocator('iframe[title="The page without the overrides"]');
    await expect.poll(() => computed(before.locator('.hero'), 'background-color')).toBe('rgb(32, 42, 78)');
    page.on('dialog', (dialog) => void dialog.accept());
});

test('one override with values at two ranges of widths, drawn on the ruler, read at each, and live', async ({ page }) => {
    const frame = await restyle(page);
    const values = page.getByRole('group', { name: 'Values at' });
    await point(page, frame.locator('.tone-dusk h2').first());
    await selector(page).fill('.tone-dusk h2');
    await field(page, 'Background colour').fill('#ffffff');
    await field(page, 'Text colour').fill('#2b2540');
    await expect(found(page)).toBeVisible();

    // Drawn along the line, from the left end to near the theme's first breakpoint: it ends at it.
    const ruler = await page.getByRole('group', { name: 'Width', exact: true }).boundingBox();
    if (!ruler) throw new Error('no ruler');
    const x = (px: number) => ruler.x + ((px - 320) / 1280) * ruler.width;
    await page.mouse.move(x(322), ruler.y + ruler.height - 20);
    await page.mouse.down();
    await page.mouse.move(x(705), ruler.y + ruler.height - 20, { steps: 5 });
    await page.mouse.up();
    await expect(values.getByRole('button', { name: '699px and narrower' })).toHaveAttribute('aria-pressed', 'true');
    await expect(page.getByRole('spinbutton', { name: 'Width in pixels' })).toHaveValue('699');
    await expect(field(page, 'Text colour')).toHaveValue('');

    // Its own value there; unreadable, and told so also from the other width.
    await field(page, 'Text colour').fill('#f0eef6');
    await expect.poll(() => computed(frame.locator('.tone-dusk h2').first(), 'color')).toBe('rgb(240, 238, 246)');
    await expect(page.getByText('1 more at 699px and narrower')).toBeVisible();
    await values.getByRole('button', { name: 'any width' }).click();
    await page.getByRole('spinbutton', { name: 'Width in pixels' }).fill('1280');
    await expect.poll(() => computed(frame.locator('.tone-dusk h2').first(), 'color')).toBe('rgb(43, 37, 64)');
    await expect(page.getByText(/^At .*699 px, \d+ texts? can’t be read well/)).toBeVisible();
    await page.getByRole('button', { name: 'wipe', exact: true }).click();
    await expect(
        page
            .getByRole('region', { name: /difference/ })
            .getByText(/color .* → rgb\(43, 37, 64\)/)
            .first(),
    ).toBeVisible();
    await page.getByRole('button', { name: 'wipe', exact: true }).click();

    // By key: the range's end is moved, and the value said at all widths is written once.
    await values.getByRole('button', { name: '699px and narrower' }).click();
    await page.getByRole('slider', { name: 'The values count to' }).press('ArrowLeft');
    await expect(values.getByRole('button', { name: '698px and narrower' })).toBeVisible();
    await field(page, 'Text colour').fill('#2b2540');
    await expect(code(page)).not.toContainText('@media');
    await field(page, 'Text colour').fill('#000000');
    await expect(code(page)).toContainText('@media (max-width: 698px)');
    await page.getByRole('textbox', { name: 'Note: what and why' }).fill('Dusk headings');
    await keep(page);
    await release(page);
    expect(await liveAt(page, 375, 'visit.html', '.tone-dusk h2', 'color')).toBe('rgb(0, 0, 0)');
    expect(await liveAt(page, 1280, 'visit.html', '.tone-dusk h2', 'color')).toBe('rgb(43, 37, 64)');
});
