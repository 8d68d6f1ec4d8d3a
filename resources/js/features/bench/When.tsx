import type { Picked, Sleeping, Wear } from '../../api/types';
import { Button } from '../../components/Button';
import { edgesOf } from './ranges';
import { useSleeping } from './useBench';
import type { Work } from './useWork';

const states = [
    ['', 'resting'],
    ['hover', 'pointed at'],
    ['focus-visible', 'focused by key'],
    ['focus', 'focused'],
    ['focus-within', 'something in it is focused'],
    ['active', 'pressed'],
    ['target', 'the address points at it'],
] as const;

/** At which widths the override counts: any, or a range, with the theme's own breakpoints at hand. */
export function Widths({ work, breakpoints }: { work: Work; breakpoints: number[] }) {
    const { draft, setDraft } = work;
    const set = (from: number | null, to: number | null) => setDraft((d) => ({ ...d, widths: { from, to } }));
    const { from, to } = draft.widths;
    const edges = edgesOf(breakpoints);
    return (
        <fieldset className="grid gap-2">
            <legend className="mb-1 font-semibold">At which widths?</legend>
            <div className="flex flex-wrap gap-1">
                <Button aria-pressed={from === null && to === null} onClick={() => set(null, null)}>
                    any
                </Button>
                {edges.map((b) => (
                    <span key={b} className="flex gap-1">
                        <Button aria-pressed={to === b - 1} onClick={() => set(null, b - 1)}>
                            below {b}
                        </Button>
                        <Button aria-pressed={from === b} onClick={() => set(b, null)}>
                            from {b}
                        </Button>
                    </span>
                ))}
            </div>
            <div className="flex flex-wrap items-center gap-2">
                <label className="flex items-center gap-1.5">
                    from
                    <input
                        type="number"
                        min={1}
                        className="field w-20! font-mono text-sm"
                        placeholder="any"
                        value={from ?? ''}
                        onChange={(e) => set(Number(e.target.value) || null, to)}
                    />
                </label>
                <label className="flex items-center gap-1.5">
                    to
                    <input
                        type="number"
                        min={1}
                        className="field w-20! font-mono text-sm"
                        placeholder="any"
                        value={to ?? ''}
                        onChange={(e) => set(from, Number(e.target.value) || null)}
                    />
                    px wide
                </label>
            </div>
        </fieldset>
    );
}

/** In which state it counts: at rest, under the pointer, or in a sleeping state of the theme. */
export function States({ work, site, page }: { work: Work; site: number; page: string }) {
    const { draft, setDraft, setShown, picked } = work;
    const all = useSleeping(site);
    const near = picked?.sleeping ?? [];
    const others = (all.data ?? []).filter((s) => (s.pages[page] ?? 0) > 0 && !near.some((n) => isSame(n, s)));
    return (
        <div className="grid gap-3">
            <fieldset>
                <legend className="mb-1 font-semibold">In which state?</legend>
                <select
                    aria-label="State"
                    className="field w-auto!"
                    value={draft.state}
                    onChange={(e) => {
                        setDraft((d) => ({ ...d, state: e.target.value }));
                        setShown(e.target.value);
                    }}
                >
                    {states.map(([value, label]) => (
                        <option key={value} value={value}>
                            {label}
                        </option>
                    ))}
                </select>
            </fieldset>
            <section>
                <h3 className="font-semibold">Asleep on this page</h3>
                <p className="mb-1 text-xs text-soft">
                    The theme has rules for these, and nothing is wearing them now. Put one on for a look, or aim at it.
                </p>
                {near.length + others.length === 0 && (
                    <p className="text-soft">
                        {all.isLoading ? 'Looking…' : 'None: the theme has no rules for states that this page could wear.'}
                    </p>
                )}
                <ul className="border-t border-line">
                    {near.map((s) => (
                        <Asleep
                            key={s.on + s.part}
                            work={work}
                            state={s}
                            where={s.isOwn ? 'on this element' : `around it, on ${s.host.label}`}
                        />
                    ))}
                    {others.map((s) => (
                        <Asleep key={s.on + s.part} work={work} state={s} where={`elsewhere, on ${s.on}`} />
                    ))}
                </ul>
            </section>
        </div>
    );
}

const isSame = (a: Wear, b: Wear) => a.on === b.on && a.part === b.part;

/** One sleeping state: what it is called, what would wear it, what wakes with it. */
export function Asleep({ work, state, where }: { work: Work; state: Sleeping | Picked['sleeping'][number]; where: string }) {
    const wear = { on: state.on, part: state.part };
    const isAimed = work.draft.wears.some((w) => isSame(w, wear));
    const isOn = work.worn.some((w) => isSame(w, wear));
    const first = state.first[0];
    return (
        <li className="border-b border-line py-1.5">
            <p className="flex flex-wrap items-baseline gap-x-2">
                <code className="font-mono font-semibold">{state.part}</code>
                <span className="text-xs text-soft">{where}</span>
            </p>
            {first && (
                <p className="text-xs text-soft">
                    {state.rules === 1 ? 'One rule wakes' : `${state.rules} rules wake`}:{' '}
                    <code className="font-mono">{first.selector}</code>, {first.file} line {first.line}:{' '}
                    {first.changes.slice(0, 2).join('; ')}
                </p>
            )}
            <div className="mt-1 flex flex-wrap gap-1">
                <Button aria-pressed={isOn} disabled={isAimed} onClick={() => work.toggleLook(wear)} aria-label={`Put on ${state.part}`}>
                    {isOn ? 'On for a look' : 'Put it on'}
                </Button>
                {work.draft.selector && (
                    <Button aria-pressed={isAimed} onClick={() => void work.aimAt(wear)} aria-label={`Aim at ${state.part}`}>
                        {isAimed ? 'Aimed at it' : 'Aim at it'}
                    </Button>
                )}
            </div>
        </li>
    );
}
