import { useState } from 'react';
import { sides, valueOf, type Side } from './declarations';
import { spaceName, type Edit } from './edit';
import { Among, Folded, Length, Row } from './Parts';

/** Padding and margin by side, width, hiding, and taking a bar out of its place. */
export function SpaceRows({ edit, onLook }: { edit: Edit; onLook: (isOn: boolean) => void }) {
    const { list, set, finding } = edit;
    const [side, setSide] = useState<Side>('all');
    const names = sides.flatMap((s) => [spaceName('padding', s), spaceName('margin', s)]);
    const isMore = [...names, 'display', 'position', 'width'].some((name) => valueOf(list, name));
    return (
        <Folded title="Space, width, hiding" isOpen={isMore}>
            <Row label="Side">
                <Among
                    label="Side of the space"
                    options={sides}
                    value={side}
                    hasValue={(s) => list.some((d) => d.name === spaceName('padding', s) || d.name === spaceName('margin', s))}
                    onChange={setSide}
                />
            </Row>
            {(
                [
                    ['padding', 'Padding', 'inside: the background fills it'],
                    ['margin', 'Margin', 'outside: the background leaves it bare'],
                ] as const
            ).map(([what, label, words]) => (
                <Row key={what} label={label} aside={words} problem={finding(spaceName(what, side))?.message}>
                    <Length
                        label={`${label}, ${side}`}
                        placeholder="16px"
                        value={valueOf(list, spaceName(what, side))}
                        onChange={(v) => set(spaceName(what, side), v)}
                        onFocus={() => onLook(true)}
                        onBlur={() => onLook(false)}
                    />
                </Row>
            ))}
            <Row label="Width" problem={finding('width')?.message}>
                <Length label="Width" value={valueOf(list, 'width')} placeholder="auto" onChange={(v) => set('width', v)} />
            </Row>
            <Row
                label="Hiding"
                aside={
                    valueOf(list, 'display') === 'none'
                        ? 'it is gone for everyone, also for screen readers; what follows moves up'
                        : undefined
                }
            >
                <label className="flex items-center gap-1.5 text-sm">
                    <input
                        type="checkbox"
                        className="accent-green"
                        checked={valueOf(list, 'display') === 'none'}
                        onChange={(e) => set('display', e.target.checked ? 'none' : '')}
                    />
                    hide it
                </label>
                <label className="flex items-center gap-1.5 text-sm" title="Takes a fixed or sticking bar back into the flow of the page">
                    <input
                        type="checkbox"
                        className="accent-green"
                        checked={valueOf(list, 'position') === 'static'}
                        onChange={(e) => set('position', e.target.checked ? 'static' : '')}
                    />
                    let it scroll along
                </label>
            </Row>
        </Folded>
    );
}
