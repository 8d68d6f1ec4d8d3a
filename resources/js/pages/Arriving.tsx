import { Link, router } from '@inertiajs/react';
import { useEffect, useState } from 'react';
import { get, post } from '../api/client';
import type { SiteSummary } from '../api/types';
import { Button } from '../components/Button';
import { Problem } from '../components/Problem';
import { Shell } from '../components/Shell';

type Progress = { state: string; progress: number; message: string | null };

/** A site whose pages are being read in, or could not be. */
export default function Arriving({ site, snapshot }: { site: SiteSummary; snapshot: Progress | null }) {
    const [now, setNow] = useState(snapshot);
    const going = now !== null && ['waiting', 'reading'].includes(now.state);
    useEffect(() => {
        if (!going) return;
        const timer = setInterval(() => {
            void get<Progress>(`/api/sites/${site.id}/snapshot`).then((next) => {
                setNow(next);
                if (next.state === 'ready') router.visit(`/sites/${site.id}`, { replace: true });
            });
        }, 700);
        return () => clearInterval(timer);
    }, [going, site.id]);
    return (
        <Shell title={site.name}>
            <main className="mx-auto grid w-full max-w-2xl gap-4 p-6">
                <h1 className="font-serif text-3xl">{site.name}</h1>
                {going ? (
                    <>
                        <p aria-live="polite">
                            {now.state === 'waiting' ? 'Waiting for its turn…' : `Reading pages, stylesheets and images: ${now.progress} %`}
                        </p>
                        <progress className="w-full accent-green" value={now.progress} max={100} aria-label="Reading" />
                        <div>
                            <Button onClick={() => void post<Progress>(`/api/sites/${site.id}/snapshot/cancel`).then(setNow)}>
                                Cancel
                            </Button>
                        </div>
                    </>
                ) : (
                    <>
                        <Problem>{now?.message ?? 'Nothing was brought in for this site yet.'}</Problem>
                        <p>
                            <Link className="link" href="/sites/new">
                                Choose files again
                            </Link>
                        </p>
                    </>
                )}
            </main>
        </Shell>
    );
}
