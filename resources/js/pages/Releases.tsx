import { Link, router, useForm } from '@inertiajs/react';
import { useState } from 'react';
import { toast } from 'sonner';
import { post, Refused } from '../api/client';
import type { Release } from '../api/types';
import { Button } from '../components/Button';
import { Labelled } from '../components/Entrance';
import { Problem } from '../components/Problem';
import { Shell } from '../components/Shell';
import { Window } from '../components/Window';
import { Account } from '../features/account/Account';

type Props = {
    site: { id: number; name: string; destination: string | null; hasToken: boolean };
    difference: { sign: string; text: string }[];
    revision: number;
    /** The titles of the pages by path. */
    titles: Record<string, string>;
    releases: Release[];
};

type Pending = { title: string; url: string; body: Record<string, unknown> };

const states: Record<Release['state'], string> = {
    live: 'live now',
    replaced: 'was live',
    failed: 'did not go live',
    sending: 'being sent',
};

export default function Releases({ site, difference, revision, titles, releases }: Props) {
    const [pending, setPending] = useState<Pending | null>(null);
    const [busy, setBusy] = useState(false);
    const [problem, setProblem] = useState<Refused | null>(null);
    const form = useForm({ url: site.destination ?? '', token: '' });
    const next = Math.max(0, ...releases.map((r) => r.number)) + 1;
    const send = async (what: Pending, overwrite = false) => {
        setBusy(true);
        setProblem(null);
        try {
            const release = await post<Release>(what.url, { ...what.body, overwrite });
            toast(`Release ${release.number} is live, and was fetched back to prove it.`);
            setPending(null);
            router.reload();
        } catch (error) {
            if (!(error instanceof Refused)) throw error;
            setProblem(error);
            router.reload();
        } finally {
            setBusy(false);
        }
    };
    return (
        <Shell title={`Releases of ${site.name}`} site={site} at="releases">
            <main className="mx-auto grid w-full max-w-5xl grid-cols-[minmax(0,1fr)] gap-8 p-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
                <div className="grid min-w-0 grid-cols-[minmax(0,1fr)] content-start gap-8">
                    <section aria-labelledby="difference-title">
                        <h1 id="difference-title" className="mb-2 font-serif text-3xl">
                            Draft against live
                        </h1>
                        {difference.length === 0 ? (
                            <p className="border-y border-line py-4">
                                {releases.length === 0
                                    ? 'The sheet is empty: keep an override first.'
                                    : 'The live site carries exactly what the draft says.'}
                            </p>
                        ) : (
                            <>
                                <Difference rows={difference} />
                                <div className="mt-3">
                                    <Button
                                        look="main"
                                        disabled={!site.destination}
                                        onClick={() => {
                                            setProblem(null);
                                            setPending({
                                                title: `Release ${next}`,
                                                url: `/api/sites/${site.id}/releases`,
                                                body: { revision },
                                            });
                                        }}
                                    >
                                        Release {next}…
                                    </Button>
                                    {!site.destination && <span className="ml-3 text-sm text-soft">Say where the live site is first.</span>}
                                </div>
                            </>
                        )}
                    </section>
                    {difference.length > 0 && (
                        <Account key={revision} site={site.id} revision={revision} titles={new Map(Object.entries(titles))} />
                    )}
                    <section aria-labelledby="releases-title">
                        <h2 id="releases-title" className="mb-2 font-serif text-2xl">
                            Releases
                        </h2>
                        {releases.length === 0 ? (
                            <p className="text-soft">None yet. Each release keeps the one before it, and any can be brought back.</p>
                        ) : (
                            <ol className="border-t border-line">
                                {releases.map((release) => (
                                    <li key={release.number} className="border-b border-line py-3">
                                        <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
                                            <span className="font-serif text-xl">Release {release.number}</span>
                                            <span
                                                className={
                                                    release.state === 'live'
                                                        ? 'font-semibold text-green'
                                                        : release.state === 'failed'
                                                          ? 'text-reach'
                                                          : 'text-soft'
                                                }
                                            >
                                                {states[release.state]}
                                            </span>
                                            <span className="text-sm text-soft">
                                                {new Date(release.at).toLocaleString()}
                                                {release.restoredFrom && `, release ${release.restoredFrom} brought back`}
                                            </span>
                                            <span className="ml-auto flex flex-wrap gap-1">
                                                {release.state === 'replaced' && (
                                                    <Button
                                                        onClick={() => {
                                                            setProblem(null);
                                                            setPending({
                                                                title: `Bring release ${release.number} back`,
                                                                url: `/api/sites/${site.id}/releases/${release.number}/again`,
                                                                body: {},
                                                            });
                                                        }}
                                                    >
                                                        Bring back…
                                                    </Button>
                                                )}
                                                <Button
                                                    look="quiet"
                                                    onClick={() =>
                                                        void post(`/api/sites/${site.id}/releases/${release.number}/draft`, { revision })
                                                            .then(() => {
                                                                toast(
                                                                    `The draft is as release ${release.number} was. Undo takes that back.`,
                                                                );
                                                                router.reload();
                                                            })
                                                            .catch((error: unknown) => error instanceof Refused && toast(error.message))
                                                    }
                                                >
                                                    Set draft to this
                                                </Button>
                                            </span>
                                        </div>
                                        <p className="text-sm text-soft">
                                            {release.proof.same === true && (
                                                <>
                                                    Proven: fetched back from{' '}
                                                    <a
                                                        className="link break-all"
                                                        href={release.proof.page}
                                                        target="_blank"
                                                        rel="noreferrer"
                                                    >
                                                        {release.proof.page}
                                                    </a>
                                                    , which links a sheet with the same bytes,{' '}
                                                    <code className="font-mono">{release.hash}</code>.
                                                </>
                                            )}
                                            {release.proof.same === false && 'Not proven: the live page did not carry it.'}
                                            {release.proof.message}
                                        </p>
                                        <details className="text-sm">
                                            <summary className="cursor-pointer text-soft">CSS</summary>
                                            <pre className="mt-1 overflow-x-auto rounded-[4px] bg-code p-3 font-mono text-on-code">
                                                {release.css || '/* empty */'}
                                            </pre>
                                        </details>
                                    </li>
                                ))}
                            </ol>
                        )}
                    </section>
                </div>
                <aside>
                    <h2 className="mb-2 font-serif text-xl">Destination</h2>
                    <form
                        className="grid gap-3"
                        onSubmit={(event) => {
                            event.preventDefault();
                            form.put(`/sites/${site.id}/destination`, { onSuccess: () => toast('Kept.') });
                        }}
                    >
                        <Labelled label="Address of the live site" error={form.errors.url}>
                            <input
                                className="field font-mono text-sm"
                                value={form.data.url}
                                placeholder="https://"
                                onChange={(e) => form.setData('url', e.target.value)}
                            />
                        </Labelled>
                        <Labelled label="Token" error={form.errors.token}>
                            <input
                                className="field font-mono text-sm"
                                type="password"
                                autoComplete="off"
                                value={form.data.token}
                                placeholder={site.hasToken ? 'kept; type to replace it' : ''}
                                onChange={(e) => form.setData('token', e.target.value)}
                            />
                        </Labelled>
                        <div>
                            <Button type="submit" disabled={form.processing}>
                                Keep destination
                            </Button>
                        </div>
                    </form>
                    <p className="mt-4 text-sm text-soft">
                        No such host?{' '}
                        <Link className="link" href={`/sites/${site.id}/sheet`}>
                            Copy or download the sheet
                        </Link>{' '}
                        and paste it into your site.
                    </p>
                </aside>
            </main>
            <Window title={pending?.title ?? ''} open={pending !== null} onOpenChange={(open) => !open && !busy && setPending(null)}>
                {pending && (
                    <div className="grid gap-4">
                        {pending.body.revision !== undefined ? (
                            <Difference rows={difference} />
                        ) : (
                            <p>The live site gets that release’s sheet again, as release {next}. The draft stays as it is.</p>
                        )}
                        <p className="text-sm text-soft">
                            It goes to {site.destination}. The page is then fetched back to prove that it is there.
                        </p>
                        {problem && (
                            <Problem>
                                <p>{problem.message}</p>
                                {typeof problem.details.live === 'string' && (
                                    <pre className="mt-2 max-h-48 overflow-auto font-mono text-xs">
                                        {problem.details.live || '(an empty sheet)'}
                                    </pre>
                                )}
                            </Problem>
                        )}
                        <div className="flex flex-wrap gap-2">
                            <Button look="main" disabled={busy} onClick={() => void send(pending)}>
                                {busy ? 'Sending…' : problem ? 'Try again' : 'Make it live'}
                            </Button>
                            {problem?.reason === 'changed-elsewhere' && (
                                <Button disabled={busy} onClick={() => void send(pending, true)}>
                                    Replace what is there
                                </Button>
                            )}
                            <Button look="quiet" disabled={busy} onClick={() => setPending(null)}>
                                Not now
                            </Button>
                        </div>
                    </div>
                )}
            </Window>
        </Shell>
    );
}

function Difference({ rows }: { rows: { sign: string; text: string }[] }) {
    return (
        <pre tabIndex={0} aria-label="Difference" className="max-h-80 overflow-auto border-y border-line py-2 font-mono text-sm">
            {rows.map((row, i) => (
                <div key={i} className={row.sign === '+' ? 'bg-green-tint' : row.sign === '-' ? 'text-soft line-through' : ''}>
                    <span aria-hidden className="inline-block w-5 text-center no-underline">
                        {row.sign}
                    </span>
                    {row.text}
                </div>
            ))}
        </pre>
    );
}
