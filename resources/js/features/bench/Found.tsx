import type { Override, Place, SitePage, Tried } from '../../api/types';

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

/** What was found: does it win, can it be read, and what else changes. */
export function Found({
    tried,
    pages,
    onGo,
    onColour,
    onRaise,
    onMean,
}: {
    tried: Tried;
    pages: SitePage[];
    onGo: (page: string, path: string) => void;
    onColour: (hex: string) => void;
    onRaise: (change: Partial<Override>) => void;
    onMean: () => void;
}) {
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
                        <code className="font-mono">{loss.property}</code> loses on {loss.elements}{' '}
                        {loss.elements === 1 ? 'element' : 'elements'} to {where(loss.winner)} (
                        <code className="font-mono">{loss.winner.declaration}</code>), {deciders[loss.by] ?? loss.by}.
                    </Item>
                ))}
                {verdict && verdict.losses.length > 0 && (
                    <Item sign={verdict.raise ? 'hint' : 'bad'}>
                        {verdict.raise ? (
                            <>
                                The smallest change that makes it win: {verdict.raise.words}.{' '}
                                <button
                                    type="button"
                                    className="link"
                                    onClick={() =>
                                        verdict.raise &&
                                        onRaise({ selector: verdict.raise.selector, declarations: verdict.raise.declarations })
                                    }
                                >
                                    Do that
                                </button>
                            </>
                        ) : (
                            'No small change of the selector makes it win everywhere: aim at another element, or at fewer.'
                        )}
                    </Item>
                )}
                {best && (
                    <Item sign={failing.length > 0 ? 'bad' : 'good'}>
                        {failing.length === 0
                            ? `All ${tried.readings.length === 1 ? 'its text' : `${tried.readings.length} texts`} can be read: contrast at least ${best.after.toFixed(1)} : 1 (was ${best.before.toFixed(1)} : 1), ${best.needed} is needed.`
                            : `${failing.length} of ${tried.readings.length} ${tried.readings.length === 1 ? 'text' : 'texts'} can’t be read well.`}
                        {failing.length > 0 && (
                            <ul className="mt-1 grid gap-1">
                                {failing.slice(0, 5).map((r) => (
                                    <li key={r.page + r.path}>
                                        <Go onGo={() => onGo(r.page, r.path)}>{r.excerpt || r.label}</Go> on {titles.get(r.page)}:{' '}
                                        {r.after.toFixed(2)} : 1, was {r.before.toFixed(2)}; needs {r.needed}.{' '}
                                        {r.nearest && (
                                            <button type="button" className="link" onClick={() => onColour(r.nearest ?? '')}>
                                                Nearest that passes: {r.nearest}
                                            </button>
                                        )}
                                        {!r.certain && ' An image behind it could not be sampled.'}
                                    </li>
                                ))}
                            </ul>
                        )}
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
