import { Fragment, useState, type ReactNode } from 'react';
import type { SentencePart } from '../../api/types';
import { Drop } from '../../components/Drop';

/**
 * What the override does, in words. An underlined part opens: what it opens is shown under it, or leads to its place on the
 * bench.
 */
export function Sentence({
    parts,
    selector,
    drops = {},
    onOpen,
    openPart,
    onOpenPart,
}: {
    parts: SentencePart[];
    selector?: string;
    drops?: Record<string, ReactNode>;
    onOpen?: (what: string) => void;
    /** Which drop is open, where that is held outside. */
    openPart?: string | null;
    onOpenPart?: (what: string | null) => void;
}) {
    const [own, setOwn] = useState<string | null>(null);
    const open = openPart === undefined ? own : openPart;
    const setOpen = onOpenPart ?? setOwn;
    const what = parts.findLastIndex((part) => part.opens === 'reach');
    return (
        <p className="font-serif text-[1.3rem] leading-snug" aria-live="polite">
            {parts.map((part, index) => {
                const drop = part.opens ? drops[part.opens] : undefined;
                return (
                    <Fragment key={index}>
                        {drop && part.opens ? (
                            <Drop
                                label={part.text}
                                open={open === part.opens}
                                onOpenChange={(isOpen) => setOpen(isOpen ? part.opens : null)}
                                trigger={<Word text={part.text} />}
                            >
                                {drop}
                            </Drop>
                        ) : part.opens && onOpen ? (
                            <Word text={part.text} onClick={() => onOpen(part.opens ?? '')} />
                        ) : part.opens ? (
                            <b className="font-semibold">{part.text}</b>
                        ) : (
                            part.text
                        )}
                        {index === what && selector && (
                            <>
                                {' '}
                                <code className="rounded-[3px] bg-press px-1.5 font-mono text-[0.8em] break-words">{selector}</code>
                            </>
                        )}
                    </Fragment>
                );
            })}
        </p>
    );
}

/** A span and not a button, so that its words wrap with the sentence. */
function Word({ text, onClick, ...rest }: { text: string; onClick?: () => void }) {
    return (
        <span
            {...rest}
            role="button"
            tabIndex={0}
            className="border-b border-dotted border-ink font-semibold hover:border-solid"
            onClick={onClick}
            onKeyDown={(event) => {
                if (event.key === 'Enter' || event.key === ' ') {
                    event.preventDefault();
                    event.currentTarget.click();
                }
            }}
        >
            {text}
        </span>
    );
}
