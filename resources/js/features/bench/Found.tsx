import { useState } from 'react';
import type { Loss, Mend, Place, Raise, Reading, SitePage, SpillGroup, Tried, Weighed } from '../../api/types';
import { Button } from '../../components/Button';
import { withValue } from '../editors/declarations';
import type { Work } from './useWork';

const deciders: Record<string, string> = {
    origin: 'by origin',
    importance: 'by !important',
    inline: 'by standing in the page itself',
    layer: 'by layer',
    specificity: 'by specificity',
    proximity: 'by scope',
    order: 'by source order',
};

function where(place: Place): string {
    if (place.origin === 'inline') return 'the page’s own style attribute';
    if (place.origin === 'hint') return 'an attribute in the page';
    if (place.origin === 'browser') return 'the browser’s default';
    return `the theme’s ${place.selector} at ${place.file}, line ${place.line}`;
}

/** What was found: does it win, can it be read, and what else changes, with the ways out. */
export function Found({
    work,
    tried,
    pages,
    onGo,
}: {
    work: Work;
    tried: Tried;
    pages: SitePage[];
    onGo: (page: string, path: string) => void;
}) {
    const { setDraft, weighed, isWeighing, unweighed } = work;
    const onColour = (hex: string) => work.setLines((lines) => withValue(lines, 'color', hex));
    const onMean = () => setDraft((d) => ({ ...d, meant: d.selector }));
    const titles = new Map(pages.map((p) => [p.path, p.title.split(' · ')[0] ?? p.path]));
    const failing = tried.readings.filter((r) => r.fails);
    const best = tried.readings[0];
    const matchedOutside = tried.changes.flatMap((c) => c.items.filter((i) => i.cause === 'matched')).length;
    const { verdict } = tried;
    return (
        <section aria-labelledby="found-title" className="text-sm">
            <h2 id="found-title" className="mb-1 font-semibold text-soft">
                What was found
            </h2>
            <ul className="grid gap-2">
                {verdict?.wins && verdict.beaten && (
                    <Item sign="good">
                        Beats {where(verdict.beaten)}, {deciders[verdict.beaten.by] ?? verdict.beaten.by}.
                    </Item>
                )}
                {verdict?.wins && !verdict.beaten && tried.pages.some((p) => p.count > 0) && (
                    <Item sign="good">Nothing in the theme stands against it.</Item>
                )}
                {verdict?.losses.map((loss) => (
                    <Item key={loss.property + loss.winner.selector} sign="bad">
                        <Lost loss={loss} />
                    </Item>
                ))}
                {verdict && verdict.losses.length > 0 && (
                    <Item sign={verdict.raises.length > 0 ? 'hint' : 'bad'}>
                        <Raises
                            raises={merged(verdict.raises, weighed?.raises)}
                            onRaise={(raise) => setDraft((d) => ({ ...d, selector: raise.selector, declarations: raise.declarations }))}
                        />
                    </Item>
                )}
                {weighed && <Elsewhere weighed={weighed} verdict={verdict} width={tried.width} />}
                {unweighed && <Item sign="bad">The other widths and states are not looked at: {unweighed}</Item>}
                {isWeighing && (
                    <li className="pl-5 text-soft">
                        <span role="status">Looking at the other widths and states…</span>
                    </li>
                )}
                {best && (
                    <Item sign={failing.length > 0 ? 'bad' : 'good'}>
                        {failing.length === 0
                            ? `All ${tried.read.total === 1 ? 'its text' : `${tried.read.total} texts`} can be read: contrast at least ${best.after.toFixed(1)} : 1 (was ${best.before.toFixed(1)} : 1), ${best.needed} is needed.`
                            : `${tried.read.failing} of ${tried.read.total} ${tried.read.total === 1 ? 'text' : 'texts'} can’t be read well.`}
                        {failing.length > 0 && weighed?.readable && (
                            <p>
                                <button
                                    type="button"
                                    className="link"
                                    onClick={() => {
                                        const { readable } = weighed;
                                        if (!readable) return;
                                        setDraft((d) => ({ ...d, declarations: readable.override.declarations }));
                                        if (readable.added) work.setAdded({ ...readable.added, id: '' });
                                    }}
                                >
                                    Make everything in here readable
                                </button>
                                :{' '}
                                <code className="font-mono">
                                    {weighed.readable.added
                                        ? `${weighed.readable.added.selector} { color: ${weighed.readable.added.declarations[0]?.value} }`
                                        : `color: ${weighed.readable.override.declarations.at(-1)?.value}`}
                                </code>
                            </p>
                        )}
                        <Unread readings={failing.slice(0, 5)} titles={titles} onGo={onGo} onColour={onColour} />
                    </Item>
                )}
                {weighed && <UnreadElsewhere weighed={weighed} tried={tried} titles={titles} onGo={onGo} />}
                {work.covered && work.covered.share > 0.02 && (
                    <Item sign={work.covered.share > 0.9 ? 'bad' : 'hint'}>
                        {Math.round(work.covered.share * 100)} % of its background is hidden by what is in it:{' '}
                        {work.covered.by.map((c, i) => (
                            <span key={c.label}>
                                {i > 0 && ', '}
                                <Go onGo={() => work.at && onGo(work.at.page, c.path)}>
                                    {c.count > 1 ? `${c.count} × ` : ''}
                                    {c.label}
                                </Go>{' '}
                                ({Math.round(c.share * 100)} %)
                            </span>
                        ))}
                        .
                    </Item>
                )}
                {tried.changes.length === 0 && tried.pages.some((p) => p.count > 0) && (
                    <Item sign="good">Nothing else changes anywhere on the site.</Item>
                )}
                {tried.changes.length > 0 && (
                    <Item sign="spill">
                        {tried.changes.reduce((sum, c) => sum + c.total, 0)} more{' '}
                        {tried.changes.reduce((sum, c) => sum + c.total, 0) === 1 ? 'element changes' : 'elements change'} that you did not
                        point at:
                        {matchedOutside > 0 && (
                            <>
                                {' '}
                                the selector takes more than was meant.{' '}
                                <button type="button" className="link" onClick={onMean}>
                                    I mean all of these
                                </button>
                            </>
                        )}
                        <div className="mt-1 grid gap-1">
                            {tried.changes.map((c) => (
                                <details key={c.page} open={tried.changes.length === 1}>
                                    <summary className="cursor-pointer">
                                        {titles.get(c.page)}: {c.total}
                                        {c.inherited === c.total
                                            ? ', by inheritance'
                                            : c.inherited > 0
                                              ? `, ${c.inherited} of them by inheritance`
                                              : ''}
                                    </summary>
                                    <ul className="ml-4">
                                        {c.items.map((item) => (
                                            <li key={item.path + item.label} className="py-0.5">
                                                <Go onGo={() => onGo(c.page, item.path)}>{item.label}</Go>{' '}
                                                {item.kept && <b>to be left alone </b>}
                                                <span className="text-soft">{item.excerpt}</span>
                                                <span className="block text-xs text-soft">
                                                    {Object.entries(item.properties)
                                                        .slice(0, 3)
                                                        .map(([name, [before, after]]) => `${name}: ${before} → ${after}`)
                                                        .join('; ')}
                                                </span>
                                            </li>
                                        ))}
                                    </ul>
                                </details>
                            ))}
                        </div>
                    </Item>
                )}
                {weighed && weighed.groups.length > 0 && (
                    <Item sign="hint">
                        Ways out, each tried on the whole site:
                        {weighed.groups.map((group, i) => (
                            <Group key={i} group={group} onGo={onGo} onMend={work.mend} />
                        ))}
                    </Item>
                )}
                {work.added && (
                    <Item sign="good">
                        A second rule is kept with it: <code className="font-mono">{work.added.selector}</code> gets{' '}
                        <code className="font-mono">{work.added.declarations.map((d) => `${d.name}: ${d.value}`).join('; ')}</code>.{' '}
                        <button type="button" className="link" onClick={() => work.setAdded(null)}>
                            Without it
                        </button>
                    </Item>
                )}
                {tried.accepted > 0 && (
                    <Item sign="good">
                        {tried.accepted} {tried.accepted === 1 ? 'change was' : 'changes were'} not meant and accepted.
                    </Item>
                )}
            </ul>
        </section>
    );
}

/** Texts that can't be read well, each with the nearest colour that passes. */
function Unread({
    readings,
    titles,
    onGo,
    onColour,
}: {
    readings: Reading[];
    titles: Map<string, string>;
    onGo: (page: string, path: string) => void;
    onColour?: (hex: string) => void;
}) {
    if (readings.length === 0) return null;
    return (
        <ul className="mt-1 grid gap-1">
            {readings.map((r) => (
                <li key={r.page + r.path}>
                    <Go onGo={() => onGo(r.page, r.path)}>{r.excerpt || r.label}</Go> on {titles.get(r.page)}: {r.after.toFixed(2)} : 1, was{' '}
                    {r.before.toFixed(2)}; needs {r.needed}.{' '}
                    {r.nearest && onColour && (
                        <button type="button" className="link" onClick={() => onColour(r.nearest ?? '')}>
                            Nearest that passes: {r.nearest}
                        </button>
                    )}
                    {!r.certain && ' An image behind it could not be sampled.'}
                </li>
            ))}
        </ul>
    );
}

/** Texts that can be read here, and not at another width or in another state. */
function UnreadElsewhere({
    weighed,
    tried,
    titles,
    onGo,
}: {
    weighed: Weighed;
    tried: Tried;
    titles: Map<string, string>;
    onGo: (page: string, path: string) => void;
}) {
    const here = new Set(tried.readings.filter((r) => r.fails).map((r) => r.page + r.path));
    const groups = new Map<string, Weighed['viewings']>();
    for (const v of weighed.viewings) {
        if (v.failing > tried.read.failing || v.readings.some((r) => !here.has(r.page + r.path))) {
            const key = JSON.stringify([v.failing, v.readings]);
            groups.set(key, [...(groups.get(key) ?? []), v]);
        }
    }
    return [...groups].map(([key, alike]) => (
        <Item key={key} sign="bad">
            {upperFirst(placed(alike))}, {alike[0]?.failing} {alike[0]?.failing === 1 ? 'text' : 'texts'} can’t be read well:
            <Unread readings={alike[0]?.readings ?? []} titles={titles} onGo={onGo} />
        </Item>
    ));
}

const upperFirst = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

function Lost({ loss }: { loss: Loss }) {
    return (
        <>
            <code className="font-mono">{loss.property}</code> loses on {loss.elements} {loss.elements === 1 ? 'element' : 'elements'} to{' '}
            {where(loss.winner)} (<code className="font-mono">{loss.winner.declaration}</code>), {deciders[loss.by] ?? loss.by}.
        </>
    );
}

const merged = (own: Raise[], more: Raise[] | undefined) => (more && more.length > 0 ? more : own);

function Raises({ raises, onRaise }: { raises: Raise[]; onRaise: (raise: Raise) => void }) {
    const [least, ...others] = raises;
    if (!least) return 'No small change of the selector makes it win everywhere: aim at another element, or at fewer.';
    return (
        <>
            The smallest change that makes it win: {least.words}.{' '}
            <button type="button" className="link" onClick={() => onRaise(least)}>
                Do that
            </button>
            {others.length > 0 && (
                <details>
                    <summary className="cursor-pointer text-soft">Or another way: {others.length}</summary>
                    <ul>
                        {others.map((raise) => (
                            <li key={raise.words}>
                                <button type="button" className="link text-left" onClick={() => onRaise(raise)}>
                                    {raise.words}
                                </button>
                            </li>
                        ))}
                    </ul>
                </details>
            )}
        </>
    );
}

const stateWords: Record<string, string> = { hover: 'while pointed at', 'focus-visible': 'while focused by key', active: 'while pressed' };

/** The other widths, and the states in which the theme takes over: told once for all that are alike. */
function Elsewhere({ weighed, verdict, width }: { weighed: Weighed; verdict: Tried['verdict']; width: number }) {
    const others = weighed.viewings.filter((v) => v.width !== width || v.state !== '');
    const groups = new Map<string, Weighed['viewings']>();
    for (const v of others) {
        const key = JSON.stringify(v.losses);
        groups.set(key, [...(groups.get(key) ?? []), v]);
    }
    const here = JSON.stringify(verdict?.losses ?? []);
    return [...groups].map(([key, alike]) => {
        const losses = alike[0]?.losses ?? [];
        if (key === here)
            return (
                <Item key={key} sign={losses.length === 0 ? 'good' : 'bad'}>
                    The same {placed(alike)}.
                </Item>
            );
        if (losses.length === 0)
            return (
                <Item key={key} sign="good">
                    It wins {placed(alike)}.
                </Item>
            );
        return (
            <Item key={key} sign={alike.every((v) => v.state !== '') ? 'hint' : 'bad'}>
                But {placed(alike)},{' '}
                {losses.map((loss, i) => (
                    <span key={i}>
                        <Lost loss={loss} />{' '}
                    </span>
                ))}
                {alike.every((v) => v.state !== '') && 'Give it a value for that state too, if it should stay.'}
            </Item>
        );
    });
}

const listed = (items: (number | string)[]) => new Intl.ListFormat('en-GB').format(items.map(String));

/** “at 375 and 768 px, and while pointed at” */
function placed(viewings: Weighed['viewings']): string {
    const widths = [...new Set(viewings.filter((v) => v.state === '').map((v) => v.width))].sort((a, b) => a - b);
    const states = [...new Set(viewings.map((v) => stateWords[v.state]).filter(Boolean))];
    return [widths.length > 0 ? `at ${listed(widths)} px` : '', states.join(' and ')].filter(Boolean).join(', and ');
}

const mendLabels = { narrower: 'Aim narrower', leave: 'Leave alone', restore: 'Put back', accept: 'Accept' };

/** Spilled elements of one kind, and what can be done about them. */
function Group({
    group,
    onGo,
    onMend,
}: {
    group: SpillGroup;
    onGo: (page: string, path: string) => void;
    onMend: (mend: Mend, note: string) => void;
}) {
    const [note, setNote] = useState('');
    return (
        <section aria-label={`${group.total} × ${group.label}`} className="mt-1.5 border-t border-line pt-1.5">
            <p>
                <Go onGo={() => onGo(group.first.page, group.first.path)}>
                    {group.total} × {group.label}
                </Go>
                <span className="text-soft">
                    {group.cause === 'inherited' ? ', by inheritance' : ', by match'},{' '}
                    {Object.keys(group.properties).slice(0, 2).join(', ')}
                </span>
            </p>
            <ul className="grid gap-1 pt-1">
                {group.mends.map((mend) => (
                    <li key={mend.kind} className="flex items-baseline gap-2">
                        <Button
                            className="min-h-7! shrink-0 px-2! text-sm"
                            disabled={mend.kind === 'accept' && note.trim() === ''}
                            onClick={() => onMend(mend, note)}
                        >
                            {mendLabels[mend.kind]}
                        </Button>
                        {mend.kind === 'accept' ? (
                            <input
                                aria-label={`Why ${group.label} may change`}
                                className="field py-0.5! font-serif italic"
                                placeholder="why that is all right"
                                value={note}
                                onChange={(e) => setNote(e.target.value)}
                            />
                        ) : (
                            <span className="min-w-0 break-words">
                                {mend.words}
                                {mend.left > 0 && <span className="text-soft"> ({mend.left} others still spill)</span>}
                            </span>
                        )}
                    </li>
                ))}
            </ul>
        </section>
    );
}

const signs = {
    good: 'rounded-[3px] bg-green',
    bad: 'rounded-full bg-reach',
    spill: 'hatched border border-spill',
    hint: 'border-2 border-green',
};

function Item({ sign, children }: { sign: keyof typeof signs; children: React.ReactNode }) {
    return (
        <li className="flex items-start gap-2.5">
            <span aria-hidden className={`mt-1.5 h-2.5 w-2.5 shrink-0 ${signs[sign]}`} />
            <div className="min-w-0">{children}</div>
        </li>
    );
}

function Go({ onGo, children }: { onGo: () => void; children: React.ReactNode }) {
    return (
        <button type="button" className="link text-left" onClick={onGo}>
            {children}
        </button>
    );
}
