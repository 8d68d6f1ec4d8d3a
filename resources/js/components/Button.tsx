import type { ButtonHTMLAttributes } from 'react';

type Look = 'main' | 'plain' | 'quiet';

const looks: Record<Look, string> = {
    main: 'bg-green text-on-green border-transparent font-semibold hover:opacity-90',
    plain: 'bg-sheet border-line hover:border-ink',
    quiet: 'border-transparent hover:bg-press',
};

export function Button({ look = 'plain', className = '', ...rest }: ButtonHTMLAttributes<HTMLButtonElement> & { look?: Look }) {
    return (
        <button
            type="button"
            {...rest}
            className={`inline-flex min-h-9 items-center gap-1.5 rounded-[4px] border px-3 py-1 disabled:opacity-45 aria-pressed:border-ink ${looks[look]} ${className}`}
        />
    );
}
