import { createContext, useContext } from 'react';
import type { SiteImage } from '../../api/types';

/** What the editors of colours and images share: the site, what is behind the text, and a way to take a colour off the page. */
export type Paint = {
    site: number;
    /** Colours behind the picked element's text, and the contrast that it needs. */
    behind: string[];
    needed: number;
    images: SiteImage[];
    preview: string;
    /** Puts an image in; what went wrong comes as a Refused. */
    putIn: (file: File, onProgress: (share: number) => void) => Promise<SiteImage>;
    /** The page and the trial CSS under which the picked element can be measured at other widths; null where none is picked. */
    measured: { address: string; css: string; path: string } | null;
    /** The next click on the page gives that element's colours; null stops waiting. */
    take: (on: ((colours: { what: string; colour: string }[]) => void) | null) => void;
};

export const PaintContext = createContext<Paint | null>(null);

export function usePaint(): Paint {
    const paint = useContext(PaintContext);
    if (!paint) throw new Error('An editor of colours stands outside of its PaintContext.');
    return paint;
}

const key = 'insignum.recent-colours';
const most = 10;

export function recentColours(): string[] {
    try {
        const list: unknown = JSON.parse(localStorage.getItem(key) ?? '[]');
        return Array.isArray(list) ? list.filter((c): c is string => typeof c === 'string').slice(0, most) : [];
    } catch {
        return [];
    }
}

export function remember(colour: string): void {
    localStorage.setItem(key, JSON.stringify([colour, ...recentColours().filter((c) => c !== colour)].slice(0, most)));
}
