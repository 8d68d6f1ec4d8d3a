import { Link } from '@inertiajs/react';
import type { SiteSummary } from '../api/types';
import { Shell } from '../components/Shell';

function state(site: SiteSummary): string {
    if (site.pages === 0) return site.snapshot?.state === 'failed' ? 'could not be read' : 'being read in';
    if (!site.live) return site.overrides === 0 ? 'nothing overridden yet' : `${site.overrides} in the draft, nothing live yet`;
    return site.live.same ? `release ${site.live.number} is live` : `release ${site.live.number} is live, the draft differs`;
}

export default function Sites({ sites }: { sites: SiteSummary[] }) {
    return (
        <Shell title="Sites">
            <main className="mx-auto w-full max-w-3xl p-6">
                <div className="mb-4 flex flex-wrap items-baseline justify-between gap-3">
                    <h1 className="font-serif text-3xl">Your sites</h1>
                    <Link className="rounded-[4px] border border-line bg-sheet px-3 py-1.5 hover:border-ink" href="/sites/new">
                        Add a site
                    </Link>
                </div>
                {sites.length === 0 ? (
                    <div className="border-y border-line py-8">
                        <p className="font-serif text-xl">Nothing here yet.</p>
                        <p className="mt-2">
                            Save a few pages of your site with your browser, or ask whoever hosts it for the files, and{' '}
                            <Link className="link" href="/sites/new">
                                bring them in
                            </Link>
                            . The site itself is not touched.
                        </p>
                    </div>
                ) : (
                    <ul className="border-t border-line">
                        {sites.map((site) => (
                            <li key={site.id} className="border-b border-line">
                                <Link href={`/sites/${site.id}`} className="flex flex-wrap items-baseline gap-x-4 px-2 py-3 hover:bg-press">
                                    <span className="font-serif text-xl">{site.name}</span>
                                    <span className="text-soft">
                                        {site.pages > 0 && `${site.pages} ${site.pages === 1 ? 'page' : 'pages'}`}
                                        {site.theme && `, theme ${site.theme}`}
                                    </span>
                                    <span className="ml-auto">{state(site)}</span>
                                </Link>
                            </li>
                        ))}
                    </ul>
                )}
            </main>
        </Shell>
    );
}
