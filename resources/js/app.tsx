import { createInertiaApp } from '@inertiajs/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createRoot } from 'react-dom/client';
import { Toaster } from 'sonner';
import { Refused } from './api/client';

const pages = import.meta.glob('./pages/*.tsx');
/** Questions change nothing: what did not get through, or broke on our side, is asked again before it is told. */
const isPassing = (times: number, error: Error) => times < 2 && error instanceof Refused && (error.status === 0 || error.status >= 500);
const queries = new QueryClient({
    defaultOptions: { queries: { retry: isPassing, retryDelay: 400, refetchOnWindowFocus: false, staleTime: 60_000 } },
});

createInertiaApp({
    title: (title) => (title ? `${title} · Insignum` : 'Insignum'),
    resolve: async (name) => {
        const load = pages[`./pages/${name}.tsx`];
        if (!load) throw new Error(`There is no page named ${name}`);
        return (await load()) as never;
    },
    setup: ({ el, App, props }) =>
        createRoot(el).render(
            <QueryClientProvider client={queries}>
                <App {...props} />
                <Toaster
                    position="top-center"
                    offset={{ top: 6 }}
                    mobileOffset={{ top: 6 }}
                    toastOptions={{ className: 'toast', duration: 6000 }}
                />
            </QueryClientProvider>,
        ),
    progress: { color: 'var(--color-green)' },
});
