import type { SentencePart } from '../../api/types';

/** What the override does, in words. The underlined parts lead to where they are changed. */
export function Sentence({ parts, selector, onOpen }: { parts: SentencePart[]; selector?: string; onOpen?: (what: string) => void }) {
    const what = parts.findLastIndex((part) => part.opens === 'reach');
    return (
        <p className="font-serif text-[1.3rem] leading-snug" aria-live="polite">
            {parts.map((part, index) => (
                <span key={index}>
                    <Part part={part} onOpen={onOpen} />
                    {index === what && selector && (
                        <>
                            {' '}
                            <code className="rounded-[3px] bg-press px-1.5 font-mono text-[0.8em] break-words">{selector}</code>
                        </>
                    )}
                </span>
            ))}
        </p>
    );
}

/** A span and not a button, so that its words wrap with the sentence. */
function Part({ part, onOpen }: { part: SentencePart; onOpen?: ((what: string) => void) | undefined }) {
    const { text, opens } = part;
    if (!opens) return text;
    if (!onOpen) return <b className="font-semibold">{text}</b>;
    return (
        <span
            role="button"
            tabIndex={0}
            className="border-b border-dotted border-ink font-semibold hover:border-solid"
            onClick={() => onOpen(opens)}
            onKeyDown={(event) => {
                if (event.key === 'Enter' || event.key === ' ') {
                    event.preventDefault();
                    onOpen(opens);
                }
            }}
        >
            {text}
        </span>
    );
}
