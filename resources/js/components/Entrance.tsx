import { Head } from '@inertiajs/react';
import type { ReactNode } from 'react';

/** The screens before one is signed in. */
export function Entrance({ title, children }: { title: string; children: ReactNode }) {
    return (
        <main className="mx-auto grid min-h-dvh max-w-sm content-center gap-6 p-6">
            <Head title={title} />
            <header>
                <p className="flex items-center gap-2 font-serif text-3xl font-semibold">
                    <img src="/mark.svg" alt="" width="34" height="34" />
                    Insignum
                </p>
                <p className="mt-2 font-serif text-lg text-soft italic">
                    Restyle a theme somebody else wrote, and prove that nothing else changed.
                </p>
            </header>
            {children}
        </main>
    );
}

export function Labelled({ label, error, children }: { label: string; error?: string | undefined; children: ReactNode }) {
    return (
        <label className="block">
            <span className="mb-1 block font-semibold">{label}</span>
            {children}
            {error && (
                <span role="alert" className="mt-1 block text-sm text-reach">
                    {error}
                </span>
            )}
        </label>
    );
}
