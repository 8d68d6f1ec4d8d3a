/**
 * The one script that runs in the sandboxed page. It reports what is pointed at and where things are, puts trial CSS on, and
 * changes nothing else: outlines are drawn outside, over the frame, so that no selector of the page is disturbed.
 */
import { unwrap, wrap, type Box, type BoxLook, type Edges, type FromFrame, type Path, type Step, type ToFrame } from './messages';

const script = document.currentScript as HTMLScriptElement;
const home = new URL(script.src).origin;
script.remove();

// Scripts are off for the page, but on for us, so the browser kept what noscript holds as text: it is read as elements here.
for (const element of document.querySelectorAll('noscript')) {
    const holder = document.createElement('template');
    holder.innerHTML = element.textContent ?? '';
    element.replaceChildren(holder.content);
}

const sheet = new CSSStyleSheet();
const still = new CSSStyleSheet();
still.replaceSync('noscript { display: inline }');
document.adoptedStyleSheets = [still, sheet];

let watched: Extract<ToFrame, { type: 'watch' }> = { type: 'watch', picked: null, reach: [], spill: [], meant: [], kept: [], look: null };
let takeOff: (() => void)[] = [];
let pointed: Element | null = null;
let due = false;
const innermost = new Map<Element, Element>();

function say(message: FromFrame): void {
    parent.postMessage(wrap(message), home);
}

function pathOf(element: Element): Path {
    const steps: number[] = [];
    for (let at = element; at.parentElement; at = at.parentElement) steps.unshift([...at.parentElement.children].indexOf(at));
    return steps.join('.');
}

function at(path: Path): Element | null {
    let element: Element | undefined = document.documentElement;
    for (const step of path === '' ? [] : path.split('.')) element = element?.children[Number(step)];
    return element ?? null;
}

function boxOf(element: Element | null): Box | null {
    const box = element?.getBoundingClientRect();
    return box && (box.width > 0 || box.height > 0) ? { x: box.x, y: box.y, width: box.width, height: box.height } : null;
}

function boxesOf(paths: Path[]): Box[] {
    return paths.map((path) => boxOf(at(path))).filter((box) => box !== null);
}

function lookOf(element: Element | null): BoxLook | null {
    const box = boxOf(element);
    if (!element || !box) return null;
    const style = getComputedStyle(element);
    const edges = (name: (side: string) => string) =>
        ['top', 'right', 'bottom', 'left'].map((side) => parseFloat(style.getPropertyValue(name(side))) || 0) as Edges;
    return {
        box,
        border: edges((side) => `border-${side}-width`),
        padding: edges((side) => `padding-${side}`),
        margin: edges((side) => `margin-${side}`),
    };
}

/** So many elements are measured at once. */
const most = 500;

function measured(element: Element): [Path, number, number, number, number][] {
    const box = boxOf(element);
    return box ? [[pathOf(element), box.x, box.y, box.width, box.height]] : [];
}

/** Puts sleeping states on, after taking off those that were: what wears them is told by the selector that the core gave. */
function wear(wears: { on: string; part: string }[]): void {
    takeOff.forEach((off) => off());
    takeOff = [];
    for (const { on, part } of wears) {
        const attribute = /^\[([-\w]+)(?:=["']?(.*?)["']?)?\]$/.exec(part);
        const name = attribute ? (attribute[1] ?? '') : part.slice(1).replaceAll('\\', '');
        for (const element of document.querySelectorAll(on)) {
            if (element.matches(part)) continue;
            if (attribute) {
                const before = element.getAttribute(name);
                element.setAttribute(name, attribute[2] ?? '');
                takeOff.push(() => (before === null ? element.removeAttribute(name) : element.setAttribute(name, before)));
            } else {
                element.classList.add(name);
                takeOff.push(() => element.classList.remove(name));
            }
        }
    }
}

function label(element: Element): string {
    const first = element.classList[0];
    return element.localName + (first ? '.' + first : '');
}

function report(): void {
    due = false;
    const height = Math.max(document.documentElement.scrollHeight, 1);
    const marks: Record<Path, number> = {};
    for (const path of [...watched.reach, ...watched.spill, ...watched.meant, ...watched.kept]) {
        const box = boxOf(at(path));
        if (box) marks[path] = Math.min(1, Math.max(0, (box.y + scrollY) / height));
    }
    say({
        type: 'boxes',
        boxes: {
            picked: watched.picked === null ? null : boxOf(at(watched.picked)),
            pickedLook: watched.picked === null ? null : lookOf(at(watched.picked)),
            pointed: boxOf(pointed),
            pointedLabel: pointed ? label(pointed) : '',
            reach: boxesOf(watched.reach),
            spill: boxesOf(watched.spill),
            meant: boxesOf(watched.meant),
            kept: boxesOf(watched.kept),
            look: watched.look === null ? null : lookOf(at(watched.look)),
        },
        top: scrollY,
        view: innerHeight,
        height,
        marks,
    });
}

function soon(): void {
    if (!due) {
        due = true;
        requestAnimationFrame(report);
    }
}

function isPart(element: Element): boolean {
    return !['script', 'style', 'link', 'meta', 'title', 'template', 'head'].includes(element.localName);
}

function neighbour(element: Element, step: Step): Element | null {
    if (step === 'out') {
        if (element.parentElement) innermost.set(element.parentElement, element);
        return element === document.body ? null : element.parentElement;
    }
    if (step === 'in') return innermost.get(element) ?? [...element.children].find(isPart) ?? null;
    let next = step === 'next' ? element.nextElementSibling : element.previousElementSibling;
    while (next && !isPart(next)) next = step === 'next' ? next.nextElementSibling : next.previousElementSibling;
    return next;
}

function compare(tree: [string, number][]): void {
    const misplaced: Path[] = [];
    const elements = [document.documentElement, ...document.documentElement.querySelectorAll('*')].filter((e) => !e.closest('template *'));
    elements.forEach((element, index) => {
        const expected = tree[index];
        const children = element.localName === 'template' || element.localName === 'iframe' ? 0 : element.children.length;
        if (!expected || expected[0] !== element.localName || expected[1] !== children) misplaced.push(pathOf(element));
    });
    if (tree.length > elements.length) misplaced.push('');
    say({ type: 'misplaced', paths: misplaced.slice(0, 50) });
}

function obey(message: ToFrame): void {
    switch (message.type) {
        case 'css':
            sheet.replaceSync(message.css);
            soon();
            break;
        case 'watch':
            watched = message;
            soon();
            break;
        case 'wear':
            wear(message.wears);
            soon();
            break;
        case 'step': {
            const from = message.from === null ? null : at(message.from);
            const next = from ? neighbour(from, message.step) : document.body;
            if (next) say({ type: 'pick', path: pathOf(next), as: 'pick' });
            break;
        }
        case 'show':
            at(message.path)?.scrollIntoView({ block: 'center', behavior: 'instant' });
            soon();
            break;
        case 'scroll':
            scrollTo({ top: message.share * document.documentElement.scrollHeight - innerHeight / 2, behavior: 'instant' });
            break;
        case 'inside': {
            const host = at(message.path);
            const boxes = host ? [host, ...host.querySelectorAll('*')].slice(0, most).flatMap((e) => measured(e)) : [];
            say({ type: 'inside', path: message.path, look: lookOf(host), boxes });
            break;
        }
        case 'place':
            scrollTo({ top: message.top, behavior: 'instant' });
            break;
        case 'tree':
            compare(message.tree);
    }
}

addEventListener('message', (event) => {
    const message = event.source === parent && event.origin === home ? unwrap(event.data) : null;
    if (message && ['css', 'watch', 'wear', 'step', 'show', 'scroll', 'place', 'inside', 'tree'].includes(message.type))
        obey(message as ToFrame);
});
addEventListener(
    'pointermove',
    (event) => {
        const element = event.target as Element;
        if (element !== pointed && isPart(element)) {
            pointed = element;
            soon();
        }
    },
    { passive: true },
);
document.addEventListener('pointerleave', () => {
    pointed = null;
    soon();
});
// Links and buttons of the page do nothing here: a click means “this one”, with Shift “this one too”, with Alt “not this one”.
addEventListener(
    'click',
    (event) => {
        event.preventDefault();
        event.stopPropagation();
        const element = event.target as Element;
        if (isPart(element)) say({ type: 'pick', path: pathOf(element), as: event.shiftKey ? 'meant' : event.altKey ? 'kept' : 'pick' });
    },
    true,
);
addEventListener('submit', (event) => event.preventDefault(), true);
addEventListener(
    'keydown',
    (event) => {
        if (event.ctrlKey || event.metaKey || event.altKey) return;
        if (event.key.length === 1 || event.key.startsWith('Arrow') || event.key === 'Escape' || event.key === 'Enter') {
            event.preventDefault();
            say({ type: 'key', key: event.key, shift: event.shiftKey });
        }
    },
    true,
);
addEventListener('scroll', soon, { passive: true, capture: true });
addEventListener('resize', soon);
new ResizeObserver(soon).observe(document.documentElement);
const ready = () => say({ type: 'ready', at: location.href });
if (document.readyState === 'complete') ready();
else addEventListener('load', ready);
document.fonts.ready.then(soon);
