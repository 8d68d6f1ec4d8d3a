/** What the server answers, as App\Engine writes it. */

export type Path = string;

export type SentencePart = { text: string; opens: string | null };

export type Declaration = { name: string; value: string; important: boolean; enabled: boolean };

export type Override = {
    id: string;
    selector: string;
    declarations: Declaration[];
    note: string;
    enabled: boolean;
    widths: { from: number | null; to: number | null };
    state: string;
    meant: string;
};

export type SheetEntry =
    | ({ kind: 'override'; css: string; reach: number; pages: number; sentence: SentencePart[] } & Override)
    | { kind: 'heading'; id: string; text: string }
    | { kind: 'raw'; id: string; css: string };

export type Sheet = {
    revision: number;
    undo: string | null;
    redo: string | null;
    entries: SheetEntry[];
    css: string;
    preview: string;
    changed: boolean;
    live: number | null;
};

export type Place = { origin: string; file: string | null; line: number | null; selector: string | null; declaration: string };

export type Provenance = {
    property: string;
    heading: string;
    value: string;
    colour: string | null;
    setBy: Place | null;
    inheritedFrom: { path: Path; label: string } | null;
    lost: (Place & { because: string })[];
    /** The pseudo-element that the row is about, without colons; null for the element itself. */
    pseudo: string | null;
    variables: { name: string; value: string; setBy: Place; on: { path: Path; label: string } }[];
    /** Declarations of container queries that would win if the container had the size. */
    conditional: Place[];
};

export type Candidate = {
    kind: 'one' | 'kind' | 'region' | 'page' | 'page-kind' | 'tag';
    selector: string;
    words: string;
    specificity: [number, number, number];
    total: number;
    pages: Record<string, number>;
    reasons: string[];
};

export type Picked = {
    page: string;
    path: Path;
    tag: string;
    noun: string;
    label: string;
    excerpt: string;
    parts: { text: string; lifetime: string; reason: string | null }[];
    line: { path: Path; label: string; noun: string }[];
    provenance: Provenance[];
    contrast: { ratio: number; needed: number; certain: boolean; behind: string[] };
    candidates: Candidate[];
    /** The selector to begin with. */
    proposed: string;
};

export type Mark = { at: number; path: Path };

export type PageMarks = { page: string; reach: Mark[]; spill: Mark[]; count: number; spilled: number };

export type Changed = {
    path: Path;
    label: string;
    excerpt: string;
    cause: 'matched' | 'inherited';
    properties: Record<string, [string, string]>;
};

export type Reading = {
    page: string;
    path: Path;
    label: string;
    excerpt: string;
    before: number;
    after: number;
    needed: number;
    fails: boolean;
    worsened: boolean;
    nearest: string | null;
    certain: boolean;
};

export type Finding = { code: string; severity: 'error' | 'warning' | 'notice'; message: string; fix: string | null };

export type Tried = {
    id: string;
    css: string;
    preview: string;
    declarations: Record<string, Finding>;
    width: number;
    selector: { ok: boolean; message: string | null; offset: number | null; fix: string | null; specificity?: [number, number, number] };
    pages: PageMarks[];
    /** Which one of all that it reaches the picked element is, from 1; null where it is none of them. */
    place: { number: number; of: number } | null;
    changes: { page: string; total: number; inherited: number; items: Changed[] }[];
    readings: Reading[];
    verdict: {
        wins: boolean;
        losses: { property: string; by: string; elements: number; winner: Place }[];
        raise: { words: string; selector: string; declarations: Declaration[] } | null;
        beaten: (Place & { by: string }) | null;
    } | null;
    sentence: SentencePart[];
};

export type SitePage = { path: string; title: string; elements: number };

export type PaletteColour = { colour: string; hex: string; uses: number; variable: string | null };

export type SiteSummary = {
    id: number;
    name: string;
    theme: string;
    destination: string | null;
    pages: number;
    notices: string[];
    snapshot: { state: string; progress: number; message: string | null } | null;
    overrides: number;
    live: { number: number; at: string; same: boolean } | null;
    releases: number;
};

export type Release = {
    number: number;
    state: 'sending' | 'live' | 'replaced' | 'failed';
    at: string;
    hash: string;
    restoredFrom: number | null;
    proof: { page?: string; sheet?: string | null; same?: boolean; at?: string; message?: string };
    css: string;
};
