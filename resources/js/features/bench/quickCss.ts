import type { Draft } from './useBench';

/** The trial rule, put on before the core has answered. The core's own text is what is kept and released. */
export function quickCss(draft: Draft, shown: string): string {
    const lines = draft.declarations
        .filter((d) => d.enabled && d.value)
        .map((d) => `${d.name}: ${d.value}${d.important ? ' !important' : ''};`);
    const state = draft.state && draft.state !== shown ? `:${draft.state}` : '';
    const rule = `${draft.selector
        .split(/,(?![^(]*\))/)
        .map((part) => part.trim() + state)
        .join(', ')} { ${lines.join(' ')} }`;
    const { from, to } = draft.widths;
    const media = [from && `(min-width: ${from}px)`, to && `(max-width: ${to}px)`].filter(Boolean).join(' and ');
    return media ? `@media ${media} { ${rule} }\n` : `${rule}\n`;
}
