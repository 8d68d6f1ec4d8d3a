import { Popover } from 'radix-ui';
import type { ReactNode } from 'react';

/** What opens under a word or a button, and closes by Escape or a click elsewhere. */
export function Drop({
    trigger,
    label,
    open,
    onOpenChange,
    children,
}: {
    trigger: ReactNode;
    label: string;
    open?: boolean;
    onOpenChange?: (open: boolean) => void;
    children: ReactNode;
}) {
    return (
        <Popover.Root {...(open === undefined ? {} : { open })} {...(onOpenChange ? { onOpenChange } : {})}>
            <Popover.Trigger asChild>{trigger}</Popover.Trigger>
            <Popover.Portal>
                <Popover.Content
                    align="start"
                    sideOffset={6}
                    collisionPadding={8}
                    aria-label={label}
                    className="z-30 max-h-[70vh] w-92 max-w-[94vw] overflow-auto border border-ink bg-paper p-3 text-sm"
                >
                    {children}
                </Popover.Content>
            </Popover.Portal>
        </Popover.Root>
    );
}
