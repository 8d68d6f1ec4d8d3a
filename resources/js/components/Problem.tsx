import type { ReactNode } from 'react';

/** What went wrong, what was kept, and what to do. */
export function Problem({ children }: { children: ReactNode }) {
    return (
        <div role="alert" className="border-l-4 border-reach bg-sheet px-3 py-2">
            {children}
        </div>
    );
}
