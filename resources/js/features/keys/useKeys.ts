import { useEffect, useRef } from 'react';

const plainKeys = ['[', ']', 't', 'l', 'r', 'e', 'n', '/', 'k', 'b', 'w', 'z', 'Z', '?'];

/** Plain keys anywhere but in fields and windows; Escape leads from a field back to the page. */
export function useKeys(press: (key: string, shift: boolean) => void, inWindow: boolean, toPage: () => void) {
    const now = useRef({ press, toPage });
    now.current = { press, toPage };
    useEffect(() => {
        const listen = (event: KeyboardEvent) => {
            const target = event.target as HTMLElement;
            const inField = target.matches('input:not([type=checkbox], [type=radio], [type=range]), textarea, select, [contenteditable]');
            if (event.key === 'Escape' && inField && !inWindow) {
                now.current.toPage();
                return;
            }
            if (inField || event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || inWindow) return;
            if (plainKeys.includes(event.key)) {
                event.preventDefault();
                now.current.press(event.key, event.shiftKey);
            }
        };
        addEventListener('keydown', listen);
        return () => removeEventListener('keydown', listen);
    }, [inWindow]);
}
