import { Head, Link, router, usePage } from '@inertiajs/react';
import type { ReactNode } from 'react';

type Shared = { user: { name: string; email: string } | null; demo: boolean };

/** The bar on top of every screen: where one is, and the ways from here. */
export function Shell({
    title,
    site,
    at,
    tools,
    children,
}: {
    title: string;
    site?: { id: number; name: string };
    at?: 'restyle' | 'sheet' | 'releases';
    tools?: ReactNode;
    children: ReactNode;
}) {
    const { user } = usePage<Shared>().props;
    const views = site
        ? ([
              ['restyle', 'Restyle', ''],
              ['sheet', 'Sheet', '/sheet'],
              ['releases', 'Releases', '/releases'],
          ] as const)
        : [];
    return (
        <div className={`flex min-h-dvh flex-col ${at === 'restyle' ? 'lg:h-dvh' : ''}`}>
            <Head title={title} />
            <header className="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-line px-4 py-1.5">
                <Link href="/sites" className="flex items-center gap-2 font-serif text-lg font-semibold">
                    <img src="/mark.svg" alt="" width="22" height="22" />
                    Insignum
                </Link>
                {site && (
                    <nav aria-label="Views of this site" className="flex flex-wrap items-center gap-1">
                        <span className="mr-2 hidden text-soft sm:inline">{site.name}</span>
                        {views.map(([key, label, suffix]) => (
                            <Link
                                key={key}
                                href={`/sites/${site.id}${suffix}`}
                                aria-current={at === key ? 'page' : undefined}
                                className="rounded-[4px] px-2.5 py-1 hover:bg-press aria-[current]:bg-press aria-[current]:font-semibold"
                            >
                                {label}
                            </Link>
                        ))}
                    </nav>
                )}
                <div className="ml-auto flex items-center gap-3">
                    {tools}
                    {user && (
                        <button type="button" className="link text-sm" title={user.email} onClick={() => router.post('/logout')}>
                            Sign out
                        </button>
                    )}
                </div>
            </header>
            {children}
        </div>
    );
}
