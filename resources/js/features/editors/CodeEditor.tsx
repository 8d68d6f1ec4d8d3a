import { autocompletion, completionKeymap, snippetCompletion, type Completion, type CompletionContext } from '@codemirror/autocomplete';
import { defaultKeymap, history, historyKeymap } from '@codemirror/commands';
import { css as cssLanguage } from '@codemirror/lang-css';
import { HighlightStyle, syntaxHighlighting } from '@codemirror/language';
import { setDiagnostics, type Diagnostic } from '@codemirror/lint';
import { EditorState } from '@codemirror/state';
import { EditorView, keymap } from '@codemirror/view';
import { tags } from '@lezer/highlight';
import { useEffect, useRef, useState } from 'react';
import { post } from '../../api/client';
import { useVocabulary } from './useVocabulary';
import type { CssRead, Vocabulary } from '../../api/types';

/** How long typing must rest before it is read, and before what is wrong with it is told, in ms. */
const readAfter = 250;
const tellAfter = 900;

const colours = HighlightStyle.define([
    { tag: [tags.propertyName, tags.definitionKeyword], color: '#9fd8b8' },
    { tag: [tags.className, tags.labelName, tags.tagName, tags.keyword], color: '#f0d9a0' },
    { tag: [tags.number, tags.color, tags.unit, tags.atom, tags.string], color: '#f3b8a2' },
    { tag: tags.comment, color: '#a9b5ab', fontStyle: 'italic' },
]);

const look = EditorView.theme(
    {
        '&': { backgroundColor: 'var(--color-code)', color: 'var(--color-on-code)', borderRadius: '4px', fontSize: '0.8125rem' },
        '.cm-content': { fontFamily: 'var(--font-mono)', caretColor: 'var(--color-on-code)', padding: '0.6rem 0.4rem' },
        '.cm-cursor': { borderLeftColor: 'var(--color-on-code)' },
        '&.cm-focused': { outline: '2px solid var(--color-green)', outlineOffset: '2px' },
        '.cm-selectionBackground, &.cm-focused .cm-selectionBackground': { backgroundColor: '#4a5f53 !important' },
        '.cm-tooltip': { backgroundColor: 'var(--color-paper)', color: 'var(--color-ink)', border: '1px solid var(--color-ink)' },
        '.cm-tooltip-autocomplete ul li[aria-selected]': { backgroundColor: 'var(--color-press)', color: 'var(--color-ink)' },
        '.cm-diagnostic': { fontFamily: 'var(--font-sans)', borderLeft: '3px solid var(--color-reach)' },
    },
    { dark: true },
);

/**
 * The override as CSS, to be typed in. What is typed goes into the same override that the fields change; while the cursor is
 * in it, the text is the person's own.
 */
export function CodeEditor({ site, css, onRead }: { site: number; css: string; onRead: (read: NonNullable<CssRead['override']>) => void }) {
    const host = useRef<HTMLDivElement>(null);
    const view = useRef<EditorView | null>(null);
    const [told, setTold] = useState<Diagnostic[]>([]);
    const reading = useRef(onRead);
    reading.current = onRead;
    const words = useVocabulary(site);
    const vocabulary = useRef<Vocabulary | undefined>(undefined);
    vocabulary.current = words;

    useEffect(() => {
        if (!host.current) return;
        let timer: ReturnType<typeof setTimeout>;
        let telling: ReturnType<typeof setTimeout>;
        const editor = new EditorView({
            parent: host.current,
            state: EditorState.create({
                doc: css,
                extensions: [
                    history(),
                    cssLanguage(),
                    syntaxHighlighting(colours),
                    look,
                    EditorView.lineWrapping,
                    EditorView.contentAttributes.of({ 'aria-label': 'The CSS of this override', spellcheck: 'false' }),
                    autocompletion({ override: [(context) => complete(context, vocabulary.current)] }),
                    keymap.of([...completionKeymap, ...historyKeymap, ...defaultKeymap.filter((k) => k.key !== 'Escape')]),
                    EditorView.updateListener.of((update) => {
                        if (!update.docChanged || !update.view.hasFocus) return;
                        clearTimeout(timer);
                        clearTimeout(telling);
                        timer = setTimeout(() => {
                            const text = update.view.state.doc.toString();
                            void post<CssRead>(`/api/sites/${site}/css`, { css: text })
                                .then((read) => {
                                    if (text !== editor.state.doc.toString()) return;
                                    if (read.override) reading.current(read.override);
                                    // Half-typed CSS is not shouted at: findings wait until the hand rests.
                                    telling = setTimeout(() => setTold(tell(editor, text, read)), read.findings.length > 0 ? tellAfter : 0);
                                })
                                .catch(() => undefined);
                        }, readAfter);
                    }),
                ],
            }),
        });
        view.current = editor;
        return () => {
            clearTimeout(timer);
            clearTimeout(telling);
            editor.destroy();
        };
    }, [site]);

    // What the fields changed comes in, unless it is being typed here.
    useEffect(() => {
        const editor = view.current;
        if (!editor || editor.hasFocus || editor.state.doc.toString() === css) return;
        editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: css } });
        editor.dispatch(setDiagnostics(editor.state, []));
        setTold([]);
    }, [css]);

    return (
        <div>
            <div ref={host} />
            <div role="status" aria-label="Findings in the CSS">
                <ul className="mt-1 grid gap-1 text-sm empty:mt-0">
                    {told.map((finding, i) => (
                        <li key={i} className="flex items-start gap-2">
                            <span aria-hidden className="mt-1.5 h-2.5 w-2.5 shrink-0 rounded-full bg-reach" />
                            <span>
                                Line {lineOf(view.current, finding.from)}: {finding.message}{' '}
                                {finding.actions?.map((action) => (
                                    <button
                                        key={action.name}
                                        type="button"
                                        className="link"
                                        onClick={() => {
                                            if (!view.current) return;
                                            view.current.focus();
                                            action.apply(view.current, finding.from, finding.to);
                                        }}
                                    >
                                        {action.name}
                                    </button>
                                ))}
                            </span>
                        </li>
                    ))}
                </ul>
            </div>
        </div>
    );
}

const lineOf = (view: EditorView | null, at: number) => (view ? view.state.doc.lineAt(Math.min(at, view.state.doc.length)).number : 1);

/** Marks what was found in the text, whose byte offsets become positions in it, and gives it to be told beneath. */
function tell(editor: EditorView, text: string, read: CssRead): Diagnostic[] {
    if (text !== editor.state.doc.toString()) return [];
    const bytes = new TextEncoder().encode(text);
    const at = (offset: number) => new TextDecoder().decode(bytes.slice(0, offset)).length;
    const diagnostics: Diagnostic[] = read.findings.map((f) => ({
        from: at(f.from),
        to: Math.max(at(f.from), Math.min(at(f.to), text.length)),
        severity: f.severity === 'notice' ? 'info' : f.severity,
        message: f.message,
        actions: f.fix
            ? [
                  {
                      name: `Use ${f.fix}`,
                      apply: (v, from, to) =>
                          v.dispatch({ changes: { from, to, insert: v.state.sliceDoc(from, to).replace(/^[-\w]+/, f.fix ?? '') } }),
                  },
              ]
            : [],
    }));
    editor.dispatch(setDiagnostics(editor.state, diagnostics));
    return diagnostics;
}

/** Properties, their values, and the site's own classes, ids, custom properties and colours. */
function complete(context: CompletionContext, words: Vocabulary | undefined) {
    if (!words) return null;
    const before = context.state.sliceDoc(0, context.pos);
    const open = (before.match(/\{/g)?.length ?? 0) - (before.match(/\}/g)?.length ?? 0);
    const line = before.slice(Math.max(before.lastIndexOf(';'), before.lastIndexOf('{'), before.lastIndexOf('}')) + 1);
    const word = context.matchBefore(/[-\w.#]*/);
    if (!word || (word.from === word.to && !context.explicit)) return null;
    const option = (label: string, detail?: string): Completion => ({ label, ...(detail ? { detail } : {}) });
    if (open > 0 && before.includes('{') && !/^\s*@/.test(line)) {
        const colon = line.indexOf(':');
        if (colon < 0)
            return {
                from: word.from,
                options: words.properties.map((p) => snippetCompletion(`${p}: \${};`, { label: p })),
                validFor: /^[-\w]*$/,
            };
        const property = line.slice(0, colon).trim();
        const values = [
            ...(words.keywords[property] ?? []).map((k) => option(k)),
            ...Object.entries(words.variables).map(([name, value]) => ({ label: `var(${name})`, detail: value })),
            ...(/colou?r|background|border|shadow|outline|fill|stroke/.test(property)
                ? words.colours.map((c) => option(c, 'the site’s'))
                : []),
            ...['inherit', 'initial', 'unset', 'revert'].map((k) => option(k)),
        ];
        return { from: word.from, options: values, validFor: /^[-\w#]*$/ };
    }
    return {
        from: word.from,
        options: [...words.classes.map((c) => option(`.${c}`)), ...words.ids.map((i) => option(`#${i}`))],
        validFor: /^[.#][-\w]*$/,
    };
}
