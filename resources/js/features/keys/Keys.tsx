import { Window } from '../../components/Window';

const keys: [string, string][] = [
    ['↑ ↓ ← →', 'out, in, to the siblings; the box is shown'],
    ['t', 'this too: an example of what is meant'],
    ['l', 'leave alone: an example of what is to stay'],
    ['[ ]', 'page before, page after'],
    ['r', 'to the reach'],
    ['e', 'to the changes'],
    ['n', 'to the note'],
    ['/', 'look up in the theme'],
    ['k', 'keep this override'],
    ['b', 'before and after'],
    ['w', 'before and after side by side, with an edge to move'],
    ['z, Shift z', 'undo, redo'],
    ['Esc', 'back to the page'],
    ['?', 'this list'],
];

/** The list of all keys. */
export function Keys({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
    return (
        <Window title="Keys" open={open} onOpenChange={onOpenChange}>
            <dl className="grid grid-cols-[8rem_1fr] gap-y-2">
                {keys.map(([key, what]) => (
                    <div key={key} className="contents">
                        <dt className="font-mono">{key}</dt>
                        <dd>{what}</dd>
                    </div>
                ))}
            </dl>
        </Window>
    );
}
