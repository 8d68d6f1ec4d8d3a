/** What the server answers, as App\Engine writes it. */

export type Path = string;

export type SentencePart = { text: string; opens: string | null };

/** Viewport widths in px, both ends included; null for an open end. */
export type Range = { from: number | null; to: number | null };

/** Its widths are null where it counts at those of its override. */
export type Declaration = { name: string; value: string; important: boolean; enabled: boolean; widths: Range | null };

/** A sleeping state that is put on: a class or attribute selector, and what wears it. */
export type Wear = { on: string; part: string };

/** An example; its path is null where the element is gone. */
export type Mark = {
    kind: 'meant' | 'kept' | 'accepted';
    page: string;
    path: Path | null;
    print: string;
    note: string;
    label?: string;
    excerpt?: string;
};

export type Override = {
    id: string;
    selector: string;
    declarations: Declaration[];
    note: string;
    enabled: boolean;
    widths: { from: number | null; to: number | null };
    state: string;
    meant: string;
    wears: Wear[];
    marks: Mark[];
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
    scope: string;
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
    kind: 'one' | 'kind' | 'region' | 'page' | 'page-kind' | 'tone' | 'tag' | 'text';
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
    /** The tones of the sections that its kind is in, that of its own first; the selector for each alone. */
    tones: (Candidate & { tone: string })[];
    /** The selector to begin with. */
    proposed: string;
    sleeping: (Sleeping & { host: { path: Path; label: string }; isOwn: boolean })[];
};

export type Sleeping = Wear & {
    pages: Record<string, number>;
    rules: number;
    first: { selector: string; file: string; line: number; changes: string[] }[];
};

export type Fit = {
    selector: string;
    specificity: [number, number, number];
    total: number;
    pages: Record<string, number>;
    others: number;
    fits: boolean;
    exact: boolean;
    reasons: string[];
};

export type Aimed = { fits: Fit[]; confusion: string | null; marks: Mark[] };

export type Loss = { property: string; by: string; elements: number; winner: Place };

export type Raise = { words: string; selector: string; declarations: Declaration[] };

export type Mend = {
    kind: 'narrower' | 'leave' | 'restore' | 'accept';
    words: string;
    left: number;
    override: Override;
    added: Override | null;
};

export type SpillGroup = {
    label: string;
    cause: 'matched' | 'inherited';
    total: number;
    pages: Record<string, number>;
    first: { page: string; path: Path; excerpt: string };
    properties: Record<string, [string, string]>;
    mends: Mend[];
};

export type Weighed = {
    /** The least that makes all of it readable; null where it is, or nothing does. */
    readable: { override: Override; added: Override | null } | null;
    viewings: {
        width: number;
        state: string;
        reached: number;
        spilled: number;
        losses: Loss[];
        /** How many texts can't be read there, and the first of them. */
        failing: number;
        readings: Reading[];
    }[];
    raises: Raise[];
    groups: SpillGroup[];
};

export type ThemeRule = {
    selector: string;
    file: string;
    line: number;
    conditions: string[];
    declarations: { text: string; found: boolean }[];
    total: number;
    pages: number;
    distance: number | null;
    override: Override | null;
};

export type VariableUse = {
    name: string;
    total: number;
    users: ThemeRule[];
    regions: { selector: string; words: string; total: number; pages: number }[];
};

export type Account = {
    pages: string[];
    viewings: string[];
    overrides: {
        id: string;
        selector: string;
        note: string;
        reached: number;
        pages: number;
        losses: Loss[];
        lost: number;
        problem: string | null;
        findings: { code: string; severity: Finding['severity']; message: string }[];
    }[];
};

export type AccountPage = {
    page: string;
    counts: { meant: number; accepted: number; spill: number };
    total: number;
    changes: {
        kind: 'meant' | 'accepted' | 'spill';
        path: Path;
        label: string;
        excerpt: string;
        cause: 'matched' | 'inherited';
        by: string | null;
        viewings: string[];
        properties: Record<string, [string, string]>;
    }[];
};

/** An element's place on a spine, as a share of the page. */
export type Spot = { at: number; path: Path };

export type PageMarks = { page: string; reach: Spot[]; spill: Spot[]; count: number; spilled: number };

export type Changed = {
    path: Path;
    label: string;
    excerpt: string;
    cause: 'matched' | 'inherited';
    properties: Record<string, [string, string]>;
    /** Whether it is marked as to be left alone. */
    kept: boolean;
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

export type Gradient = { name: string; head: string; stops: { colour: string; at: string }[] };

/** One layer of a background, as it is written. */
export type Layer = {
    image: string;
    address: string | null;
    gradient: Gradient | null;
    size: string;
    position: [string, string];
    repeat: string;
    attachment: string;
    origin: string;
    clip: string;
    blend: string;
};

export type Shadow = { x: string; y: string; blur: string; spread: string; colour: string; inset: boolean };

export type SiteImage = { path: string; width: number | null; height: number | null; bytes: number; samples: string[] };

export type ImageFit = {
    image: SiteImage | null;
    fit: {
        width: number;
        height: number;
        x: number;
        y: number;
        scale: number;
        tiles: number;
        cropped: number;
        bare: number;
        subject: { x: number; y: number; isSeen: boolean };
    } | null;
};

export type ColourReport = {
    lightness: number;
    chroma: number;
    hue: number;
    alpha: number;
    hex: string;
    inGamut: boolean;
    /** The lowest contrast against what is behind; null where nothing was asked for. */
    ratio: number | null;
    nearest: string | null;
    palette: { hex: string; colour: string; uses: number; variable: string | null; ratio: number | null }[];
};

export type CoveredReport = { share: number; by: { label: string; path: Path; share: number; count: number }[] };

export type CssRead = {
    override: Override | null;
    findings: { from: number; to: number; severity: Finding['severity']; message: string; fix: string | null }[];
};

export type Vocabulary = {
    properties: string[];
    keywords: Record<string, string[]>;
    classes: string[];
    ids: string[];
    variables: Record<string, string>;
    colours: string[];
};

export type Finding = { code: string; severity: 'error' | 'warning' | 'notice'; message: string; fix: string | null };

export type Tried = {
    id: string;
    css: string;
    preview: string;
    declarations: Record<string, Finding>;
    layers: Layer[];
    shadows: Shadow[];
    width: number;
    selector: {
        ok: boolean;
        message: string | null;
        offset: number | null;
        fix: string | null;
        part?: string;
        specificity?: [number, number, number];
    };
    pages: PageMarks[];
    /** Which one of all that it reaches the picked element is, from 1; null where it is none of them. */
    place: { number: number; of: number } | null;
    changes: { page: string; total: number; inherited: number; items: Changed[] }[];
    /** How many changes that were not meant are marked as all right. */
    accepted: number;
    /** The worst of them; `read` counts all. */
    readings: Reading[];
    read: { total: number; failing: number };
    verdict: {
        wins: boolean;
        losses: Loss[];
        raises: Raise[];
        beaten: (Place & { by: string }) | null;
    } | null;
    sentence: SentencePart[];
    marks: Mark[];
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
