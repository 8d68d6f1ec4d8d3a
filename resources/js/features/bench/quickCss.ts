import type { Range } from '../../api/types';
import { linesAt, rangesOf } from './ranges';
import type { Draft } from './useBench';

/** The trial rule, put on before the core has answered. The core's own text is what is kept and released. */
export function quickCss(draft: Draft, shown: string): string {
    const own = draft.state && draft.state !== shown ? `&:${draft.state}` : '';
    const at = (range: Range | null) => {
        const lines = linesAt(draft.declarations, range)
            .filter((d) => d.enabled && d.value)
            .map((d) => `${d.name}: ${d.value}${d.important ? ' !important' : ''};`);
        const { from, to } = range ?? draft.widths;
        const media = [from && `(min-width: ${from}px)`, to && `(max-width: ${to}px)`].filter(Boolean).join(' and ');
        const rule = `${draft.selector} { ${own ? `${own} { ${lines.join(' ')} }` : lines.join(' ')} }`;
        return media ? `@media ${media} { ${rule} }\n` : `${rule}\n`;
    };
    return [null, ...rangesOf(draft.declarations)].map(at).join('');
}
