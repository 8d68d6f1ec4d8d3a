import type { RefObject } from 'react';

/** The unseen field through which an image is chosen; a button elsewhere presses it. */
export function ImageInput({ inputRef, onChoose }: { inputRef: RefObject<HTMLInputElement | null>; onChoose: (file: File) => void }) {
    return (
        <input
            ref={inputRef}
            type="file"
            aria-label="An image to put in"
            accept="image/png,image/jpeg,image/webp,image/gif,image/avif"
            className="sr-only"
            tabIndex={-1}
            onChange={(e) => {
                const chosen = e.target.files?.[0];
                e.target.value = '';
                if (chosen) onChoose(chosen);
            }}
        />
    );
}
