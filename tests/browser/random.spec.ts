import { expect, test } from '@playwright/test';
import { execFileSync } from 'node:child_process';
import { random } from './helpers';

/** Random input with fixed seeds, asked of the core and of the browser: they must say the same of every case. */

const said = <T>(what: string, given: unknown): T =>
    JSON.parse(execFileSync('php', ['tests/browser/said.php', what], { input: JSON.stringify(given), maxBuffer: 1 << 28 }).toString()) as T;

const words = (text: string) => text.split(' ');

test('any tag soup becomes the tree that the browser makes of it', async ({ page }) => {
    const { below, pick } = random(20261125);
    const tags = words(
        'p div b i a font table tr td th tbody thead tfoot caption colgroup col ul li dl dt dd h1 h2 span select option optgroup form input button svg math mi mtext foreignObject desc title textarea style script template nobr address article br hr img pre ruby rt rp rb rtc body html head object applet marquee center noscript annotation-xml iframe details summary fieldset legend main section em code s u big image keygen param source track wbr xmp listing dialog menu search path g hgroup base link meta noembed',
    );
    const soups = Array.from({ length: 4000 }, () => {
        let soup = below(3) === 0 ? '' : '<!doctype html>';
        for (let i = 2 + below(14); i > 0; i--) {
            const kind = below(10);
            const tag = pick(tags);
            if (kind < 6) soup += `<${tag}${below(6) === 0 ? ' class=x' : ''}${below(12) === 0 ? '/' : ''}>`;
            else if (kind < 9) soup += `</${tag}>`;
            if (below(2)) soup += pick(['x', ' ', 'y z', '<!--c-->', '&amp;', '\n']);
        }
        return soup;
    });
    const theirs = await page.evaluate((all) => {
        // What is in a template or a frame stands in another document.
        const isClosed = (e: Element) => e.localName === 'template' || (e.localName === 'iframe' && e.namespaceURI?.endsWith('xhtml'));
        const tree = (e: Element): string => {
            const inside = isClosed(e) ? '' : [...e.children].map(tree).join(' ');
            return e.localName + (inside ? `(${inside})` : '');
        };
        return all.map((soup) => tree(new DOMParser().parseFromString(soup, 'text/html').documentElement));
    }, soups);
    const ours = said<string[]>('trees', soups);
    expect(soups.flatMap((soup, i) => (ours[i] === theirs[i] ? [] : [[soup, ours[i], theirs[i]]])).slice(0, 10)).toEqual([]);
});

test('any selector takes what the browser takes', async ({ page }) => {
    for (const seed of [1, 2, 3, 4]) {
        const { below, pick, some } = random(seed);
        const tags = words(
            'div p section ul li a span em h2 form input button select option textarea fieldset legend label details table svg img progress meter optgroup',
        );
        const attributes =
            'class="a"|class="a b"|class="b c"|class="A"|id="x"|id="y"|lang="fr"|lang="de-CH"|dir="rtl"|href="#"|href="/p"|type="text"|type="checkbox"|type="radio" name="r"|type="EMAIL"|type="number" min="1" max="5" value="9"|type="submit"|type="range"|type="date" min="2020-01-01" value="2019-01-01"|required|disabled|checked|readonly|placeholder="p"|value="v"|value=""|selected|open|multiple|contenteditable|data-k="a b-c"|data-k="A"|title=""|hidden|label="l"|type="search"'.split(
                '|',
            );
        let html = '<!doctype html><html lang="en-GB"><body class="page-home">';
        const open: string[] = [];
        for (let i = 0; i < 260; i++) {
            const tag = pick(tags);
            const own = new Map(Array.from({ length: below(4) }, () => pick(attributes)).map((a) => [a.split('=')[0], a]));
            html += `<${[tag, ...own.values()].join(' ')}>`;
            if (tag !== 'input' && tag !== 'img') open.push(tag);
            if (below(3)) html += pick(['x', ' ', '', '<!--c-->', 'שלום']);
            while (open.length > 0 && (open.length > 7 || below(10) < 6)) html += `</${open.pop()}>`;
        }
        const tests = words(
            '[class] [class~=b] [class^="a"] [class$=c] [lang|=de] [data-k=a] [data-k~="b-c"] [type=email] [title=""] [class*=""] [HREF^="#"] [value=v] [hidden] [readonly]',
        );
        const plain = words(
            ':first-child :last-child :only-child :first-of-type :last-of-type :only-of-type :empty :root :enabled :disabled :checked :required :optional :read-only :read-write :placeholder-shown :default :indeterminate :valid :invalid :in-range :out-of-range :any-link :link :visited :target :hover :focus :scope :defined :open :lang(fr) :lang("de-*") :lang(en-GB) :dir(rtl) :dir(ltr) :active :focus-within',
        );
        const nth = () =>
            pick(['odd', 'even', '3', '2n', '2n+1', '-n+3', 'n', '3n - 1', '+n+2', '-2n+7', '2 of .a, .b', 'odd of :not(.c)']);
        let depth = 0;
        const inside = (make: () => string) => {
            if (depth > 1) return ':first-child';
            depth++;
            const made = make();
            depth--;
            return made;
        };
        const pseudo = (): string =>
            below(2)
                ? pick(plain)
                : inside(() =>
                      pick([
                          () => `:nth-child(${nth()})`,
                          () => `:nth-last-child(${nth()})`,
                          () => `:nth-of-type(${nth().split(' of')[0]})`,
                          () => `:not(${list()})`,
                          () => `:is(${list()}, :nope)`,
                          () => `:where(${list()})`,
                          () => `:has(${pick(['', '> ', '+ ', '~ '])}${compound()})`,
                      ])(),
                  );
        const simple = () =>
            pick([() => `.${pick(['a', 'b', 'c', 'A', 'z'])}`, () => `#${pick(['x', 'y', 'z'])}`, () => pick(tests), pseudo, pseudo])();
        const compound = (): string => pick(['', '*', pick(tags), pick(tags)]) + some(2, simple, '');
        const complex = () => Array.from({ length: 1 + below(3) }, compound).join(pick([' ', ' > ', ' + ', ' ~ ']));
        const list = (): string => some(2, complex, ', ');
        const selectors = Array.from({ length: 1500 }, list);
        await page.setContent(html);
        const theirs = await page.evaluate((all) => {
            const at = new Map([...document.querySelectorAll('*')].map((e, i) => [e, i]));
            return all.map((selector) => {
                try {
                    return [...document.querySelectorAll(selector)].map((e) => at.get(e));
                } catch {
                    return null;
                }
            });
        }, selectors);
        const ours = said<(number[] | null)[]>('matches', { html, selectors });
        expect(
            selectors.flatMap((s, i) => (String(ours[i]) === String(theirs[i]) ? [] : [[s, ours[i], theirs[i]]])).slice(0, 5),
            `seed ${seed}`,
        ).toEqual([]);
    }
});

test('any media query holds where the browser says so', async ({ page }) => {
    const { below, pick } = random(3);
    const features =
        '(width > 400px)|(min-width: 80em)|(max-width: 1280px)|(400px <= width < 2000px)|(width)|(hover)|(hover: none)|(orientation: landscape)|(height: 800px)|(aspect-ratio > 1/1)|(min-aspect-ratio: 16/10)|(color)|(foo)|(foo: bar)|(prefers-color-scheme: dark)|(prefers-reduced-motion)|(resolution: 1dppx)|(min-resolution: 2x)|(pointer: fine)|(any-hover: hover)|(width = 1280px)|(1280px = width)|(width < 0)|(min-width: -1px)|(width: calc(640px * 2))|(device-width: 1280px)|(monochrome)|(grid: 0)|(update: fast)|(min-width)|(max-height: 50rem)|(width > 100px > 3px)|(100px < width > 3px)|(not (hover))|((hover) and (color))|((foo) or (hover))|(not (foo))|foo(bar)|()|(400PX < WIDTH)|(display-mode: browser)|(color-gamut: srgb)|(min-color: 4)|(-webkit-min-device-pixel-ratio: 1)|(overflow-block: scroll)|(inverted-colors)|(forced-colors: active)|(orientation)|(orientation: foo)|(hover: foo)'.split(
            '|',
        );
    const f = () => pick(features);
    const condition = () =>
        pick([
            f,
            f,
            () => `${f()} and ${f()}`,
            () => `${f()} or ${f()}`,
            () => `not ${f()}`,
            () => `${f()} and ${f()} or ${f()}`,
            () => `not ${f()} and ${f()}`,
            () => `(${f()} or ${f()}) and ${f()}`,
        ])();
    const typed = () =>
        pick('screen|print|all|tv|only screen|not print|not screen|not all|only|and|SCREEN|not foo'.split('|')) +
        pick(['', ` and ${f()}`, ` and ${condition()}`, ` or ${f()}`, `, ${condition()}`]);
    const queries = Array.from(
        { length: 3000 },
        () => (below(3) ? condition() : typed()) + pick(['', '', '', ', print', ' and', ')', ', ']),
    );
    await page.setViewportSize({ width: 1280, height: 800 });
    const theirs = await page.evaluate((all) => all.map((query) => matchMedia(query).matches), queries);
    const ours = said<boolean[]>('media', queries);
    expect(queries.filter((_, i) => ours[i] !== theirs[i]).slice(0, 10)).toEqual([]);
});

test('any value is valid where the browser says so, and computes to the same', async ({ page }) => {
    const { below, pick, some } = random(7);
    const of = (text: string) => () => pick(text.split('|'));
    const number = () => pick(words('0 1 2 0.5 -1 3.25 10 1e2 .5 +4 -0.25'));
    const length = () =>
        below(4)
            ? number() + pick(words('px em rem pt in cm mm q vw vh vmin vmax pc % svw dvh'))
            : pick(
                  '0|calc(1px + 2em)|calc(50% - 3px)|min(3px, 1em)|max(10%, 2px)|clamp(1px, 5vw, 20px)|calc(2 * (3px + 1rem))|calc(10px / 4)|calc(-1 * 5px)|calc(1px * pi)|abs(-3px)|round(7px, 2px)|mod(7px, 3px)|calc(sqrt(4) * 1px)|hypot(3px, 4px)'.split(
                      '|',
                  ),
              );
    const colour = () =>
        pick(
            'red|transparent|currentcolor|#abc|#abcd|#aabbccdd|rgb(1 2 3)|rgb(1, 2, 3, .5)|rgb(10% 20% 30% / 40%)|rgba(300 -5 0)|hsl(120 50% 50%)|hsl(-30deg, 100%, 25%)|hsla(1turn 50% 50% / .3)|hwb(90 10% 20%)|lab(50% 20 -30)|lch(50 30 120deg)|oklab(0.5 0.1 -0.1)|oklch(60% 0.1 200 / 50%)|color(srgb 1 0.5 0)|color(display-p3 0 1 0 / .5)|color-mix(in srgb, red 30%, blue)|rgb(from red r g 100)|hsl(from #abc h s 50%)|light-dark(red, blue)|rgb(none 1 2)|Canvas|GrayText|rgb(calc(1 + 2) 3 4)|nocolor|#12|rgb(1 2)|hsl(1 2 3 4)|rgb(1%, 2, 3)|color-mix(in lab longer hue, red, blue)|contrast-color(#777)|contrast-color(gold)'.split(
                '|',
            ),
        );
    const stops = () => some(2, () => colour() + pick(['', '', ' 10%', ' 20px', ' 50% 60%']), pick([', ', ', 30%, '])) + ', blue';
    const image = () =>
        pick([
            () =>
                pick(
                    'none|url(a.png)|url("b c.png")|image-set("a.png" 1x, "b.png" 2x)|linear-gradient(red)|linear-gradient(in oklab, red, blue)'.split(
                        '|',
                    ),
                ),
            () => `linear-gradient(${pick(['', '45deg, ', '.25turn, ', 'to top left, ', '30, '])}${stops()})`,
            () => `radial-gradient(${pick(['', 'circle, ', 'ellipse at top, ', 'closest-side at 10% 20px, ', '10px 20%, '])}${stops()})`,
            () =>
                `conic-gradient(${pick(['', 'from 45deg, ', 'at 10% 20%, '])}${pick(['red, blue', 'red 10% 20%, blue', 'red, 30%, blue'])})`,
        ])();
    const place = () =>
        pick(
            'left|center|right 10px top 20%|top|10px|50% 25%|bottom 3px right|left 10px|calc(100% - 5px) top|10px left|left left|top 10% left 20px|right bottom|20% top 3px'.split(
                '|',
            ),
        );
    const size = () => pick('auto|cover|contain|10px|50% auto|auto 20px|1em 2em|-1px|cover contain'.split('|'));
    const repeat = () => pick('repeat|no-repeat|repeat-x|space round|no-repeat repeat|repeat-y space'.split('|'));
    const line = () => pick(words('none solid dashed dotted double groove ridge inset outset hidden wavy'));
    const thick = () => pick(['thin', 'medium', 'thick', length(), length()]);
    const shadow = () =>
        pick([
            () => 'none',
            () => `${pick(['', 'inset '])}${length()} ${length()}${pick(['', ` ${length()}`])}${pick(['', ` ${colour()}`])}`,
            () => '1px',
            () => `${colour()} 1px 2px 3px 4px`,
            () => some(5, of('inset|red|1px|2px|0')),
        ])();
    const angle = of('0|10deg|-.5turn|1rad|5|calc(1deg + 1turn)|10px');
    const moved = () => {
        const [name, least, most, kind] = pick<[string, number, number, () => string]>([
            ['translate', 1, 2, length], ['translateX', 1, 1, length], ['translateZ', 1, 1, length], ['scale', 1, 2, of('1|-.5|20%|1px|0')], ['scale3d', 3, 3, number],
            ['rotate', 1, 1, angle], ['rotateX', 1, 1, angle], ['skew', 1, 2, angle], ['skewY', 1, 1, angle], ['matrix', 6, 6, number], ['perspective', 1, 1, of('none|3px|-1px|0|2')],
        ]); // prettier-ignore
        return `${name}(${Array.from({ length: least + below(most - least + 2) }, kind).join(', ')})`;
    };
    const filtered = () =>
        pick([
            () =>
                `${pick(words('brightness contrast grayscale invert opacity saturate sepia'))}(${pick(words('1 50% -1 2 0 calc(1+1) 3px'))})`,
            () => `blur(${length()})`,
            () => `hue-rotate(${angle()})`,
            () => `drop-shadow(${some(4, of('red|1px|2px|0'))})`,
            of('url(#a)|blur()|sepia()|bloor(2px)|none|drop-shadow()|brightness(1, 2)'),
        ])();
    const time = of('0s|1s|200ms|-1s|.3|0|calc(1s / 2)|2px');
    const grammar: Record<string, () => string> = {
        transform: () => pick([() => some(2, moved), of('none|rotate|none none')])(),
        filter: () => some(2, filtered),
        'backdrop-filter': filtered,
        transition: () =>
            some(2, () => some(4, of('opacity|all|none|1s|.2s|-1s|.3|ease|linear|steps(2)|cubic-bezier(0, 0, 1, 1)|allow-discrete')), ', '),
        'transition-duration': () => some(2, time, ', '),
        'transition-delay': () => some(2, time, ', '),
        'animation-duration': () => some(2, time, ', '),
        animation: () => some(4, of('1s|2s|a|infinite|3|-1|2px|ease-in|"b"')),
        'align-items': of(
            'center|middle|first baseline|safe center|left|auto|stretch|space-between|self-end|last baseline|baseline last|flex-start',
        ),
        'align-self': of('auto|top|unsafe end|anchor-center|normal|right|center safe'),
        'justify-self': of('auto|left|safe right|middle|stretch|first baseline|self-start'),
        'justify-content': of('space-between|left|between|safe flex-end|baseline|center center|normal|self-start|start'),
        'align-content': of('space-evenly|left|baseline|safe space-between|stretch|unsafe center|auto'),
        color: colour,
        'background-color': colour,
        'background-image': () => some(2, image, ', '),
        'background-position': () => some(2, place, ', '),
        'background-size': () => some(2, size, ', '),
        'background-repeat': () => some(2, repeat, ', '),
        'background-clip': of('padding-box|border-box|content-box|text|border-box, text|none'),
        background: () =>
            `${some(2, () => [image(), `${place()} / ${size()}`, repeat()].filter(() => below(3)).join(' ') || 'none', ', ')} ${colour()}`,
        'border-style': () => some(4, line),
        'border-width': () => some(4, thick),
        'border-color': () => some(4, colour),
        border: () => [thick(), line(), colour()].filter(() => below(3)).join(' ') || 'none',
        outline: () => [thick(), pick(['auto', line()]), colour()].slice(below(3)).join(' '),
        'border-radius': () => some(4, length) + pick(['', ` / ${some(4, length)}`]),
        'box-shadow': () => some(2, shadow, ', '),
        margin: () => some(4, () => pick(['auto', length()])),
        padding: () => some(4, length),
        width: () => pick(['auto', 'min-content', 'fit-content', 'none', length()]),
        'max-width': () => pick(['none', 'auto', length()]),
        'font-weight': of('bold|bolder|lighter|normal|100|950|1001|0|350.5|calc(100 * 2)'),
        'font-style': of('italic|oblique|oblique 10deg|normal|oblique 100deg'),
        'font-size': () =>
            pick(['small', 'xx-large', 'larger', 'smaller', '10', '1.5em', '120%', 'max(50%, 20px)', 'calc(1rem + 2vw)', '-1px']),
        'line-height': of('normal|1.5|20px|150%|-1|calc(1 + 0.2)|2em'),
        font: of(
            '12px serif|italic bold 1.2em/2 "A B", serif|caption|small-caps 100 condensed 80% Arial|12px|bold|12px/normal x, y|oblique 10deg 12px x',
        ),
        'text-decoration': of(
            'none|underline|underline dotted red|line-through 2px|overline underline|underline underline|wavy underline 10% rgb(1 2 3)',
        ),
        opacity: of('0.5|50%|2|-1|calc(1 / 3)|.25e1|auto'),
        visibility: of('hidden|collapse|visible|none'),
        display: of(
            'block|inline|flex|inline-flex|none|contents|table-cell|flow-root|block flex|inline flow-root|list-item|inline list-item|flow|run-in',
        ),
        position: of('static|sticky|fixed|page'),
        'z-index': of('auto|1|-5|1.5|calc(1.4)'),
        'text-align': of('start|center|justify-all|match-parent|left'),
        'text-transform': of('uppercase|none|capitalize full-width'),
        'vertical-align': of('top|10%|2px|sub|foo'),
        'white-space': of('nowrap|pre|pre-wrap|collapse wrap|preserve nowrap|balance'),
        'object-fit': of('cover|none|foo'),
        'mix-blend-mode': of('multiply|plus-lighter|foo'),
        'accent-color': () => pick(['auto', colour()]),
    };
    const names = Object.keys(grammar);
    const cases = Array.from({ length: 2500 }, (): [string, string] => {
        const name = pick(names);
        return [name, below(40) === 0 ? pick(words('inherit initial unset revert')) : (grammar[name]?.() ?? '')];
    });
    const ours = said<[boolean, Record<string, string>][]>('values', cases);
    await page.route('**/*', (route) => route.fulfill({ contentType: 'text/html', body: '<!doctype html><body>' }));
    await page.goto('http://site.test/');
    const theirs = await page.evaluate(
        ([all, properties]) => {
            return all.map(([name, value]): [boolean, Record<string, string>] => {
                // A new one each time: nothing moves on from the value before.
                const element = document.createElement('div');
                document.body.replaceChildren(element);
                element.style.setProperty(name, value);
                const style = getComputedStyle(element);
                return [
                    CSS.supports(name, value),
                    Object.fromEntries(properties.map((p) => [p, style.getPropertyValue(p).replaceAll('http://site.test', '')])),
                ];
            });
        },
        [cases, Object.keys(ours[0]?.[1] ?? {})] as const,
    );
    expect(
        cases
            .flatMap((c, i) => (ours[i]?.[0] === theirs[i]?.[0] ? [] : [[c, ours[i]?.[0] ? 'is valid only here' : 'is valid only there']]))
            .slice(0, 10),
    ).toEqual([]);
    // The last digits of mixed colours are the one thing that may differ: docs/engine.md.
    const differences = cases.flatMap((c, i) =>
        Object.entries(ours[i]?.[1] ?? {}).flatMap(([p, value]) =>
            value === theirs[i]?.[1][p] ? [] : [[c.join(': '), p, value, theirs[i]?.[1][p]]],
        ),
    );
    expect(differences.length, JSON.stringify(differences.slice(0, 10), null, 1)).toBeLessThan(4);
});
