import { Link } from '@inertiajs/react';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { get, post, Refused } from '../api/client';
import type { Account, Sheet as SheetData, SiteSummary } from '../api/types';
import { Button } from '../components/Button';
import { Problem } from '../components/Problem';
import { Shell } from '../components/Shell';
import { Window } from '../components/Window';
import { Sentence } from '../features/bench/Sentence';
import { Images } from '../features/images/Images';

export default function Sheet({ site, sheet: loaded, preview }: { site: SiteSummary; sheet: SheetData; preview: string | null }) {
    const [sheet, setSheet] = useState(loaded);
    const [problem, setProblem] = useState<string | null>(null);
    const [heading, setHeading] = useState('');
    const [scope, setScope] = useState(loaded.scope);
    const [pasting, setPasting] = useState(false);
    const [pasted, setPasted] = useState('');
    const api = `/api/sites/${site.id}/sheet`;
    const account = useQuery({
        queryKey: ['account', site.id, sheet.revision],
        queryFn: ({ signal }) => get<Account>(`/api/sites/${site.id}/account`, signal),
        enabled: preview !== null && sheet.entries.some((e) => e.kind === 'override'),
        placeholderData: keepPreviousData,
    });
    // One after the other, each on top of what the one before answered: quick clicks are no conflict.
    const latest = useRef(loaded);
    const line = useRef<Promise<unknown>>(Promise.resolve());
    const run = (path: string, body: Record<string, unknown>, done?: string): Promise<boolean> => {
        const turn = line.current.then(() => send(path, body, done));
        line.current = turn;
        return turn;
    };
    // A move is from where the entry stands when its turn comes, so that two quick clicks move it by two.
    const move = (id: string, by: 1 | -1) => {
        line.current = line.current.then(() => {
            const { entries } = latest.current;
            const position = entries.findIndex((entry) => entry.id === id) + by;
            return position < 0 || position >= entries.length || send(`/entries/${id}/move`, { position });
        });
    };
    const show = (next: SheetData) => {
        latest.current = next;
        setSheet(next);
    };
    const send = async (path: string, body: Record<string, unknown>, done?: string) => {
        setProblem(null);
        try {
            show(await post<SheetData>(`${api}${path}`, { ...body, revision: latest.current.revision }));
            if (done) toast(done);
            return true;
        } catch (error) {
            if (!(error instanceof Refused)) throw error;
            setProblem(error.message);
            if (error.reason === 'saved-elsewhere' || path.endsWith('/switch')) show(await get<SheetData>(api));
            return false;
        }
    };
    return (
        <Shell
            title={`Sheet of ${site.name}`}
            site={site}
            at="sheet"
            tools={
                <>
                    <Button
                        disabled={!sheet.undo}
                        title={sheet.undo ?? undefined}
                        onClick={() => void run('/undo', {}, `Undone: ${sheet.undo}`)}
                    >
                        Undo
                    </Button>
                    <Button
                        disabled={!sheet.redo}
                        title={sheet.redo ?? undefined}
                        onClick={() => void run('/redo', {}, `Done again: ${sheet.redo}`)}
                    >
                        Redo
                    </Button>
                </>
            }
        >
            <main className="mx-auto grid w-full max-w-6xl grid-cols-[minmax(0,1fr)] gap-8 p-6 lg:grid-cols-[minmax(0,1fr)_minmax(0,26rem)]">
                <section aria-labelledby="entries-title">
                    <h1 id="entries-title" className="mb-3 font-serif text-3xl">
                        The sheet
                    </h1>
                    {problem && <Problem>{problem}</Problem>}
                    {sheet.entries.length === 0 ? (
                        <div className="border-y border-line py-6">
                            <p className="font-serif text-xl">No override yet.</p>
                            <p className="mt-1">
                                <Link className="link" href={`/sites/${site.id}`}>
                                    Point at something
                                </Link>{' '}
                                that should look different, or read in CSS that you have.
                            </p>
                        </div>
                    ) : (
                        <ol className="border-t border-line">
                            {sheet.entries.map((entry, index) => {
                                const name = entry.kind === 'heading' ? entry.text : entry.kind === 'raw' ? 'block of CSS' : entry.selector;
                                return (
                                    <li key={entry.id} className="flex flex-wrap items-start gap-3 border-b border-line py-3">
                                        <div className="min-w-0 flex-1 basis-72">
                                            {entry.kind === 'heading' && <h2 className="font-serif text-xl font-semibold">{entry.text}</h2>}
                                            {entry.kind === 'raw' && (
                                                <pre className="overflow-x-auto font-mono text-sm text-soft">{entry.css}</pre>
                                            )}
                                            {entry.kind === 'override' && (
                                                <div className={entry.enabled ? '' : 'text-soft line-through decoration-1'}>
                                                    <div className="[&_p]:text-lg">
                                                        <Sentence parts={entry.sentence} selector={entry.selector} />
                                                    </div>
                                                    {entry.note && (
                                                        <p className="mt-1 border-l-2 border-line pl-3 font-serif text-soft italic">
                                                            {entry.note}
                                                        </p>
                                                    )}
                                                    {entry.enabled && (
                                                        <Advice of={account.data?.overrides.find((o) => o.id === entry.id)} />
                                                    )}
                                                    <details className="mt-1 text-sm">
                                                        <summary className="cursor-pointer text-soft">CSS</summary>
                                                        <pre className="mt-1 overflow-x-auto rounded-[4px] bg-code p-3 font-mono text-on-code">
                                                            {entry.css}
                                                        </pre>
                                                    </details>
                                                </div>
                                            )}
                                        </div>
                                        <div className="flex flex-wrap items-center gap-1 text-sm">
                                            {entry.kind === 'override' && (
                                                <>
                                                    <label className="flex items-center gap-1.5 px-2">
                                                        <input
                                                            type="checkbox"
                                                            className="accent-green"
                                                            checked={entry.enabled}
                                                            aria-label={`${name} is on`}
                                                            onChange={(e) => {
                                                                const enabled = e.target.checked;
                                                                setSheet((now) => ({
                                                                    ...now,
                                                                    entries: now.entries.map((x) =>
                                                                        x === entry ? { ...entry, enabled } : x,
                                                                    ),
                                                                }));
                                                                void run(`/entries/${entry.id}/switch`, { enabled });
                                                            }}
                                                        />
                                                        on
                                                    </label>
                                                    <Link className="link px-2" href={`/sites/${site.id}?override=${entry.id}`}>
                                                        Edit
                                                    </Link>
                                                </>
                                            )}
                                            <Button
                                                look="quiet"
                                                aria-label={`Move ${name} up`}
                                                disabled={index === 0}
                                                onClick={() => move(entry.id, -1)}
                                            >
                                                ↑
                                            </Button>
                                            <Button
                                                look="quiet"
                                                aria-label={`Move ${name} down`}
                                                disabled={index === sheet.entries.length - 1}
                                                onClick={() => move(entry.id, 1)}
                                            >
                                                ↓
                                            </Button>
                                            <Button
                                                look="quiet"
                                                aria-label={`Delete ${name}`}
                                                onClick={() => void run(`/entries/${entry.id}/remove`, {}, 'Deleted. Undo brings it back.')}
                                            >
                                                Delete
                                            </Button>
                                        </div>
                                    </li>
                                );
                            })}
                        </ol>
                    )}
                    <form
                        className="mt-4 flex flex-wrap gap-2"
                        onSubmit={(event) => {
                            event.preventDefault();
                            if (heading.trim()) void run('/headings', { text: heading }).then((ok) => ok && setHeading(''));
                        }}
                    >
                        <input
                            aria-label="Heading"
                            className="field max-w-xs"
                            placeholder="A heading for what follows"
                            value={heading}
                            onChange={(e) => setHeading(e.target.value)}
                        />
                        <Button type="submit">Add heading</Button>
                        <Button onClick={() => setPasting(true)}>Read in CSS</Button>
                    </form>
                </section>
                <section aria-labelledby="css-title" className="min-w-0">
                    <div className="mb-3 flex items-baseline justify-between gap-3">
                        <h2 id="css-title" className="font-serif text-xl">
                            As CSS
                        </h2>
                        <span className="flex gap-2">
                            <Button
                                onClick={() =>
                                    void line.current
                                        .then(() => navigator.clipboard.writeText(latest.current.css))
                                        .then(() => toast('The whole sheet is copied.'))
                                }
                            >
                                Copy all
                            </Button>
                            <a
                                className="inline-flex min-h-9 items-center rounded-[4px] border border-line bg-sheet px-3 hover:border-ink"
                                href={`/sites/${site.id}/sheet.css`}
                                download
                            >
                                Download
                            </a>
                        </span>
                    </div>
                    <pre
                        className="overflow-x-auto rounded-[4px] bg-code p-4 font-mono text-sm text-on-code"
                        tabIndex={0}
                        aria-label="The whole sheet as CSS"
                    >
                        {sheet.css || '/* empty */'}
                    </pre>
                    <p className="mt-2 text-sm text-soft">Paste it into your site’s own place for custom CSS, or release it from here.</p>
                    <form
                        className="mt-6 text-sm"
                        onSubmit={(event) => {
                            event.preventDefault();
                            void run('/scope', { scope }, scope.trim() ? 'New selectors will start with it.' : 'No scope any more.');
                        }}
                    >
                        <label>
                            <span className="font-semibold text-soft">In front of every new selector</span>
                            <span className="mt-1 flex gap-2">
                                <input
                                    className="field font-mono text-sm"
                                    value={scope}
                                    placeholder="nothing"
                                    spellCheck={false}
                                    onChange={(e) => setScope(e.target.value)}
                                />
                                <Button type="submit" disabled={scope.trim() === sheet.scope}>
                                    Keep
                                </Button>
                            </span>
                        </label>
                        <p className="mt-1 text-soft">
                            Some themes need a selector around everything, such as <code className="font-mono">#content</code>, for an
                            override to win. Overrides that are in the sheet stay as they are.
                        </p>
                    </form>
                    {preview && <Images site={site.id} preview={preview} />}
                </section>
            </main>
            <Window title="Read in CSS" open={pasting} onOpenChange={setPasting}>
                <form
                    className="grid gap-3"
                    onSubmit={(event) => {
                        event.preventDefault();
                        void run('/import', { css: pasted }, 'Read in, at the end of the sheet.').then((ok) => {
                            if (ok) {
                                setPasted('');
                                setPasting(false);
                            }
                        });
                    }}
                >
                    <label>
                        Rules become overrides; a comment before one becomes its note, and a comment that starts with # a heading. What fits
                        neither is kept as it is.
                        <textarea
                            className="field mt-2 font-mono text-sm"
                            rows={12}
                            spellCheck={false}
                            value={pasted}
                            onChange={(e) => setPasted(e.target.value)}
                        />
                    </label>
                    <div>
                        <Button type="submit" look="main" disabled={!pasted.trim()}>
                            Read in
                        </Button>
                    </div>
                </form>
            </Window>
        </Shell>
    );
}

/** What is to be said about an override as it stands in the sheet. */
function Advice({ of }: { of: Account['overrides'][number] | undefined }) {
    if (!of) return null;
    const losses = of.losses.map(
        (l) =>
            `${l.property} loses to ${l.winner.selector ?? 'the page itself'} on ${l.elements} ${l.elements === 1 ? 'element' : 'elements'}.`,
    );
    const all = [
        ...(of.problem ? [of.problem] : []),
        ...losses,
        ...of.findings.map((f) => f.message),
        ...(of.lost > 0 ? [`${of.lost} of its marks can’t be found on the pages any more.`] : []),
    ];
    if (all.length === 0) return null;
    return (
        <ul className="mt-1.5 grid gap-1 text-sm">
            {all.map((message) => (
                <li key={message} className="flex items-start gap-2">
                    <span aria-hidden className="mt-1.5 h-2 w-2 shrink-0 rounded-full bg-reach" />
                    {message}
                </li>
            ))}
        </ul>
    );
}
