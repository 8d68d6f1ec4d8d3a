import { useEffect, useRef } from 'react';
import type { Path, Picked } from '../../api/types';

/** The line of ancestors from the root to the picked element, whose end is always in view. Pointing at one shows its box. */
export function Line({
    picked,
    onPick,
    onLook,
}: {
    picked: Picked | undefined;
    onPick: (path: Path) => void;
    onLook: (path: Path | null) => void;
}) {
    const line = useRef<HTMLElement>(null);
    useEffect(() => {
        line.current?.scrollTo({ left: line.current.scrollWidth });
    }, [picked]);
    return (
        <nav ref={line} aria-label="What the element is in" className="min-w-0 flex-1 overflow-x-auto font-mono text-xs whitespace-nowrap">
            {!picked && <span className="font-sans text-soft">Point at something on the page and click it, or press ↓.</span>}
            {picked?.line.map((step, i) => (
                <span key={step.path}>
                    {i > 0 && <span className="text-soft"> › </span>}
                    <button
                        type="button"
                        aria-current={step.path === picked.path ? 'true' : undefined}
                        className="py-1 hover:underline aria-[current]:border-b-2 aria-[current]:border-reach aria-[current]:font-bold"
                        title={`${step.noun}: pointing here shows how far its background runs`}
                        onPointerEnter={() => onLook(step.path)}
                        onPointerLeave={() => onLook(null)}
                        onFocus={() => onLook(step.path)}
                        onBlur={() => onLook(null)}
                        onClick={() => onPick(step.path)}
                    >
                        {step.label}
                    </button>
                </span>
            ))}
        </nav>
    );
}
