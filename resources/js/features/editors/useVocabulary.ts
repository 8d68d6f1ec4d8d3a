import { useQuery } from '@tanstack/react-query';
import { get } from '../../api/client';
import type { Vocabulary } from '../../api/types';

/** The words that CSS is completed with: of the language, and of the site. */
export function useVocabulary(site: number): Vocabulary | undefined {
    return useQuery({
        queryKey: ['vocabulary', site],
        queryFn: ({ signal }) => get<Vocabulary>(`/api/sites/${site}/vocabulary`, signal),
        staleTime: Infinity,
    }).data;
}

/** What the value of a property may begin with. */
export function valuesFor(words: Vocabulary | undefined, property: string): string[] {
    if (!words) return [];
    const takesColour = /colou?r$|^background$|^border|^outline|shadow$|^fill$|^stroke$/.test(property);
    return [
        ...(words.keywords[property] ?? []),
        ...(takesColour ? words.colours : []),
        ...Object.keys(words.variables).map((name) => `var(${name})`),
        ...['inherit', 'initial', 'unset', 'revert'],
    ];
}
