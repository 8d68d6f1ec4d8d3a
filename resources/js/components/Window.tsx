import { Dialog } from 'radix-ui';
import type { ReactNode } from 'react';

/** A dialog, with its title and a way out. */
export function Window({
    title,
    open,
    onOpenChange,
    children,
}: {
    title: string;
    open: boolean;
    onOpenChange: (open: boolean) => void;
    children: ReactNode;
}) {
    return (
        <Dialog.Root open={open} onOpenChange={onOpenChange}>
            <Dialog.Portal>
                <Dialog.Overlay className="fixed inset-0 z-40 bg-black/40" />
                <Dialog.Content
                    aria-describedby={undefined}
                    className="fixed inset-x-4 top-[8vh] z-50 mx-auto max-h-[84vh] max-w-2xl overflow-auto border border-line bg-paper p-6"
                >
                    <div className="mb-4 flex items-baseline justify-between gap-4">
                        <Dialog.Title className="font-serif text-2xl">{title}</Dialog.Title>
                        <Dialog.Close className="link text-sm">Close</Dialog.Close>
                    </div>
                    {children}
                </Dialog.Content>
            </Dialog.Portal>
        </Dialog.Root>
    );
}
