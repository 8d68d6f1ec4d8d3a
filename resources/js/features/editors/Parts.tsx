import { useState, type ReactNode } from 'react';
import { stepped } from './declarations';

/** A line of an editor: what it is, its fields, what it was, and what is wrong with it. */
export function Row({
    label,
    aside,
    problem,
    fix,
    mono,
    stacked,
    children,
}: {
    label: string;
    aside?: string | undefined;
    problem?: string | undefined;
    fix?: ReactNode;
    mono?: boolean;
    /** The fields below the label, for those that need the width. */
    stacked?: boolean;
    children: ReactNode;
}) {
    return (
        <div className="border-b border-line py-1.5 last:border-b-0">
            <div className={stacked ? 'grid gap-1.5' : 'flex items-start gap-2'}>
                <span className={`w-24 shrink-0 pt-1 break-words ${mono ? 'font-mono text-xs' : ''}`}>{label}</span>
                <div className="flex min-w-0 flex-1 items-center gap-2">{children}</div>
            </div>
            {aside && <p className="pl-26 text-right text-xs text-soft">{aside}</p>}
            {problem && (
                <p role="status" className="pl-26 text-sm text-reach">
                    {problem} {fix}
                </p>
            )}
        </div>
    );
}

/** A length that the arrow keys step: by one, with Shift by ten. */
export function Length({
    label,
    value,
    placeholder,
    className = '',
    onChange,
    onFocus,
    onBlur,
}: {
    label: string;
    value: string;
    placeholder?: string;
    className?: string;
    onChange: (value: string) => void;
    onFocus?: () => void;
    onBlur?: () => void;
}) {
    return (
        <input
            aria-label={label}
            title="Arrow keys step it, with Shift by ten"
            className={`field font-mono text-sm ${className}`}
            value={value}
            placeholder={placeholder}
            spellCheck={false}
            onChange={(e) => onChange(e.target.value)}
            onFocus={onFocus}
            onBlur={onBlur}
            onKeyDown={(e) => {
                const way = { ArrowUp: 1, ArrowDown: -1 }[e.key];
                if (!way) return;
                e.preventDefault();
                onChange(stepped(value || placeholder || '0px', way * (e.shiftKey ? 10 : 1)));
            }}
        />
    );
}

/** One of a few words, or none of them. */
export function Choice({
    label,
    value,
    options,
    none = 'as it is',
    onChange,
}: {
    label: string;
    value: string;
    options: readonly string[];
    none?: string;
    onChange: (value: string) => void;
}) {
    const all = value && !options.includes(value) ? [value, ...options] : options;
    return (
        <select aria-label={label} className="field w-auto! max-w-full text-sm" value={value} onChange={(e) => onChange(e.target.value)}>
            <option value="">{none}</option>
            {all.map((o) => (
                <option key={o}>{o}</option>
            ))}
        </select>
    );
}

/** A few sides or corners, one of which is worked on; a dot says which have a value. */
export function Among<T extends string>({
    label,
    options,
    value,
    hasValue,
    onChange,
}: {
    label: string;
    options: readonly T[];
    value: T;
    hasValue: (option: T) => boolean;
    onChange: (option: T) => void;
}) {
    return (
        <div role="radiogroup" aria-label={label} className="flex flex-wrap gap-1">
            {options.map((option) => (
                <button
                    key={option}
                    type="button"
                    role="radio"
                    aria-checked={value === option}
                    className={`rounded-[3px] border px-2 text-sm ${value === option ? 'border-ink bg-press' : 'border-line'}`}
                    onClick={() => onChange(option)}
                >
                    {option}
                    {hasValue(option) && <span aria-label="has a value"> •</span>}
                </button>
            ))}
        </div>
    );
}

/** Rows that are seldom wanted, open where one of them has a value. */
export function Folded({ title, isOpen, children }: { title: string; isOpen: boolean; children: ReactNode }) {
    const [open, setOpen] = useState(isOpen);
    return (
        <details className="border-b border-line last:border-b-0" open={open || isOpen} onToggle={(e) => setOpen(e.currentTarget.open)}>
            <summary className="cursor-pointer py-1.5 text-sm text-soft">{title}</summary>
            {children}
        </details>
    );
}
