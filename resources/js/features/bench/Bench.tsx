import { useMemo, useState } from 'react';
import { toast } from 'sonner';
import type { Sheet, SitePage, SiteSummary } from '../../api/types';
import { Button } from '../../components/Button';
import { Problem } from '../../components/Problem';
import { Changes } from '../editors/Changes';
import { CodeEditor } from '../editors/CodeEditor';
import { PaintContext, type Paint } from '../editors/paint';
import { Found } from './Found';
import { Marks } from './Marks';
import { linesAt } from './ranges';
import { Ranges } from './Ranges';
import { Reach } from './Reach';
import { Sentence } from './Sentence';
import { draftOf } from './useBench';
import type { Work } from './useWork';
import { WhatSetsIt } from './WhatSetsIt';
import { Asleep, States, Widths } from './When';
import { Where } from './Where';

/** The places on the bench that keys and the sentence lead to. */
export type Places = {
    reach: React.RefObject<HTMLInputElement | null>;
    changes: React.RefObject<HTMLDivElement | null>;
    note: React.RefObject<HTMLTextAreaElement | null>;
    marks: React.RefObject<HTMLDivElement | null>;
};

/** Where an override is made: what it does in words, how far it reaches, what it changes, what was found, and why. */
export function Bench({
    work,
    site,
    pages,
    page,
    breakpoints,
    paint,
    box,
    places,
    onLook,
    onGo,
    onPage,
    onVariable,
    onWidth,
    onLookUp,
}: {
    work: Work;
    site: SiteSummary;
    pages: SitePage[];
    page: string;
    breakpoints: number[];
    paint: Omit<Paint, 'behind' | 'needed'>;
    /** The picked element's padding box on the page. */
    box: { width: number; height: number } | null;
    places: Places;
    onLook: (isOn: boolean) => void;
    onGo: (page: string, path: string) => void;
    onPage: (page: string) => void;
    onVariable: (name: string, value: string) => void;
    onWidth: (width: number) => void;
    onLookUp: () => void;
}) {
    const { sheet, draft, setDraft, picked, tried, trying, picking, begun, busy, problem } = work;
    const [openPart, setOpenPart] = useState<string | null>(null);
    // Work that does not reach what is looked at: perhaps another override is wanted.
    const isOther =
        begun && picked !== undefined && trying.isCurrent && tried?.place === null && draft.id === '' && draft.marks.length === 0;
    const open = (what: string) => {
        if (what === 'reach') places.reach.current?.focus();
        else if (what === 'marks') places.marks.current?.querySelector('button')?.focus();
        else places.changes.current?.querySelector<HTMLElement>('input')?.focus();
    };
    const contrast = picked?.contrast;
    const painting = useMemo(() => ({ ...paint, behind: contrast?.behind ?? [], needed: contrast?.needed ?? 4.5 }), [paint, contrast]);
    return (
        <PaintContext.Provider value={painting}>
            <section aria-label="Bench" className="order-2 flex min-h-0 min-w-0 flex-col border-line bg-paper lg:order-3 lg:border-l">
                {tried && tried.sentence.length > 0 && (
                    <div className="border-b border-line px-4 py-3">
                        <Sentence
                            parts={tried.sentence}
                            selector={draft.selector}
                            onOpen={open}
                            openPart={openPart}
                            onOpenPart={setOpenPart}
                            drops={{
                                pages: (
                                    <Where
                                        work={work}
                                        pages={pages}
                                        onPage={(p) => {
                                            setOpenPart(null);
                                            onPage(p);
                                        }}
                                    />
                                ),
                                widths: <Widths work={work} breakpoints={breakpoints} />,
                                state: <States work={work} site={site.id} page={page} />,
                            }}
                        />
                    </div>
                )}
                <div className="relative grid min-h-0 flex-1 content-start gap-5 overflow-y-auto p-4">
                    {!draft.selector && !picked && (
                        <Empty
                            sheet={sheet}
                            onLookUp={onLookUp}
                            onEdit={(id) => {
                                const entry = sheet.entries.find((e) => e.id === id);
                                if (entry?.kind === 'override') setDraft(draftOf(entry));
                            }}
                        />
                    )}
                    {picking.error && <Problem>{picking.error.message}</Problem>}
                    {trying.error && <Problem>{trying.error.message}</Problem>}
                    {isOther && picked && (
                        <div className="border-l-4 border-spill bg-sheet px-3 py-2 text-sm">
                            You are looking at <code className="font-mono">{picked.label}</code>; the work on{' '}
                            <code className="font-mono">{draft.selector}</code> is not kept yet.{' '}
                            <button
                                type="button"
                                className="link"
                                onClick={() => picked.candidates[0] && work.choose(picked.candidates[0].selector)}
                            >
                                Aim it here
                            </button>{' '}
                            or{' '}
                            <button type="button" className="link" onClick={work.startAnew}>
                                drop it and start anew
                            </button>
                            .
                        </div>
                    )}
                    {(picked || draft.selector) && (
                        <>
                            <div className={draft.marks.length > 0 ? 'order-first' : ''} ref={places.marks}>
                                <Marks work={work} pages={pages} onGo={onGo} />
                            </div>
                            <div className="order-first">
                                <Reach work={work} pages={pages} fieldRef={places.reach} />
                            </div>
                            <Changes
                                list={work.lines}
                                elsewhere={work.range ? linesAt(draft.declarations, null) : []}
                                findings={work.lines.map((line) => tried?.declarations[String(draft.declarations.indexOf(line))])}
                                ranges={<Ranges work={work} breakpoints={breakpoints} onWidth={onWidth} />}
                                picked={picked}
                                tried={tried}
                                box={box}
                                onLook={onLook}
                                firstRef={places.changes}
                                onChange={(lines) => work.setLines(() => lines)}
                            />
                            {tried?.selector.ok && begun && draft.declarations.length > 0 && (
                                <Found work={work} tried={tried} pages={pages} onGo={onGo} />
                            )}
                            <label className="block text-sm">
                                <span className="font-semibold text-soft">Note: what and why</span>
                                <textarea
                                    ref={places.note}
                                    rows={2}
                                    className="field mt-1 font-serif text-base italic"
                                    placeholder="So that you know in half a year."
                                    value={draft.note}
                                    onChange={(e) => setDraft((d) => ({ ...d, note: e.target.value }))}
                                />
                            </label>
                            {tried && draft.selector && (
                                <div className="relative">
                                    <CodeEditor
                                        site={site.id}
                                        css={tried.css}
                                        onRead={(read) =>
                                            setDraft((d) => ({
                                                ...d,
                                                selector: read.selector,
                                                declarations: read.declarations,
                                                widths: read.widths,
                                                state: read.state,
                                                note: read.note || d.note,
                                                meant: d.meant || read.selector,
                                            }))
                                        }
                                    />
                                    <button
                                        type="button"
                                        className="absolute top-2 right-2 rounded-[3px] border border-white/30 bg-code px-2 text-xs text-on-code hover:bg-white/10"
                                        onClick={() => void navigator.clipboard.writeText(tried.css).then(() => toast('Copied.'))}
                                    >
                                        Copy
                                    </button>
                                </div>
                            )}
                            {picked && (
                                <WhatSetsIt
                                    picked={picked}
                                    theme={site.theme}
                                    onGo={(path) => onGo(picked.page, path)}
                                    onVariable={onVariable}
                                >
                                    {picked.sleeping.length > 0 && (
                                        <details className="mt-2 text-sm">
                                            <summary className="cursor-pointer">
                                                {picked.sleeping.length} sleeping {picked.sleeping.length === 1 ? 'state' : 'states'} on it
                                                or around it
                                            </summary>
                                            <ul>
                                                {picked.sleeping.map((s) => (
                                                    <Asleep
                                                        key={s.on + s.part}
                                                        work={work}
                                                        state={s}
                                                        where={s.isOwn ? 'on this element' : `on ${s.host.label}`}
                                                    />
                                                ))}
                                            </ul>
                                        </details>
                                    )}
                                </WhatSetsIt>
                            )}
                        </>
                    )}
                </div>
                {problem && (
                    <div className="px-4 pb-2">
                        <Problem>
                            {problem.message}{' '}
                            {problem.reason === 'saved-elsewhere' && (
                                <button type="button" className="link" onClick={() => void work.takeIn()}>
                                    Take in the other change
                                </button>
                            )}
                        </Problem>
                    </div>
                )}
                <footer className="flex flex-wrap items-center gap-1 border-t border-line px-4 py-2.5">
                    <Button
                        look="main"
                        disabled={busy || !begun || draft.declarations.length === 0}
                        onClick={() => void work.keep()}
                        title="k"
                    >
                        Keep this override
                    </Button>
                    {begun && (
                        <Button look="quiet" className="px-2!" onClick={work.startAnew}>
                            Drop it
                        </Button>
                    )}
                    <span className="ml-auto flex gap-1">
                        <Button
                            disabled={busy || !sheet.undo}
                            onClick={work.undo}
                            title={sheet.undo ? `Undo: ${sheet.undo}` : 'Nothing to undo'}
                        >
                            Undo
                        </Button>
                        <Button
                            disabled={busy || !sheet.redo}
                            onClick={work.redo}
                            title={sheet.redo ? `Redo: ${sheet.redo}` : 'Nothing to redo'}
                        >
                            Redo
                        </Button>
                    </span>
                </footer>
            </section>
        </PaintContext.Provider>
    );
}

function Empty({ sheet, onEdit, onLookUp }: { sheet: Sheet; onEdit: (id: string) => void; onLookUp: () => void }) {
    const overrides = sheet.entries.filter((e) => e.kind === 'override');
    return (
        <div className="grid gap-4">
            <p className="font-serif text-[1.3rem] leading-snug">Point at what should look different, and click it.</p>
            <p className="text-soft">
                Then say how far the change should reach, and change it. Nothing is live before you release it, and every step can be taken
                back.
            </p>
            <p className="text-soft">
                You know its name, or its colour?{' '}
                <button type="button" className="link" onClick={onLookUp}>
                    Look it up in the theme
                </button>{' '}
                (<kbd className="font-mono">/</kbd>) and begin at the rule that is there.
            </p>
            {overrides.length > 0 && (
                <section aria-labelledby="kept-title">
                    <h2 id="kept-title" className="mb-1 text-sm font-semibold text-soft">
                        Kept in the sheet
                    </h2>
                    <ul className="border-y border-line">
                        {overrides.map((o) => (
                            <li key={o.id} className="border-b border-line last:border-b-0">
                                <button type="button" className="w-full px-1 py-1.5 text-left hover:bg-press" onClick={() => onEdit(o.id)}>
                                    <code className="font-mono text-sm break-all">{o.selector}</code>
                                    <span className="block text-xs text-soft">
                                        {o.declarations.length} {o.declarations.length === 1 ? 'change' : 'changes'}, {o.reach} on {o.pages}{' '}
                                        {o.pages === 1 ? 'page' : 'pages'}
                                        {o.enabled ? '' : ', switched off'}
                                    </span>
                                </button>
                            </li>
                        ))}
                    </ul>
                </section>
            )}
        </div>
    );
}
