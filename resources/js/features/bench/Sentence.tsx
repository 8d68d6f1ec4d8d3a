import type { SentencePart } from '../../api/types';

/** What the override does, in words. The underlined parts lead to where they are changed. */
export function Sentence({ parts, selector, onOpen }: { parts: SentencePart[]; selector?: string; onOpen?: (what: string) => void }) {
    let told = false;
    return (
        <p className="font-serif text-[1.3rem] leading-snug" aria-live="polite">
            {parts.map((part, index) => {
                const shown =
                    part.opens && onOpen ? (
                        <button
                            key={index}
                            type="button"
                            className="inline border-b border-dotted border-ink text-left font-semibold hover:border-solid"
                            onClick={() => onOpen(part.opens ?? '')}
                        >
                            {part.text}
                        </button>
                    ) : part.opens ? (
                        <b key={index}>{part.text}</b>
                    ) : (
                        <span key={index}>{part.text}</span>
                    );
                if (part.opens === 'reach' && selector && index >= 3 && !told) {
                    told = true;
                    return (
                        <span key={index}>
                            {shown} <code className="rounded-[3px] bg-press px-1.5 font-mono text-[0.8em] break-all">{selector}</code>
                        </span>
                    );
                }
                return shown;
            })}
        </p>
    );
}
