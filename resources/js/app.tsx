import { createInertiaApp } from '@inertiajs/react';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { createRoot } from 'react-dom/client';
import { Toaster } from 'sonner';

const pages = import.meta.glob('./pages/*.tsx');
const queries = new QueryClient({ defaultOptions: { queries: { retry: false, refetchOnWindowFocus: false, staleTime: 60_000 } } });

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
                    position="top-right"
                    offset={{ top: 58, right: 12 }}
                    mobileOffset={{ top: 8 }}
                    toastOptions={{ className: 'toast', duration: 6000 }}
                />
            </QueryClientProvider>,
        ),
    progress: { color: 'var(--color-green)' },
});
