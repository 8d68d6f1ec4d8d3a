import { Popover } from 'radix-ui';
import { HexColorPicker } from 'react-colorful';
import type { PaletteColour } from '../api/types';

/** A colour as text in any CSS notation, with a swatch that opens a picker and the site's own palette. */
export function ColourField({
    label,
    value,
    palette,
    invalid,
    onChange,
}: {
    label: string;
    value: string;
    palette: PaletteColour[];
    invalid?: boolean;
    onChange: (value: string) => void;
}) {
    return (
        <span className="flex min-w-0 flex-1 items-center gap-2">
            <Popover.Root>
                <Popover.Trigger
                    aria-label={`Pick: ${label}`}
                    className="chequer h-7 w-9 shrink-0 overflow-hidden rounded-[4px] border border-line"
                >
                    <span className="block h-full w-full" style={{ background: value || 'transparent' }} />
                </Popover.Trigger>
                <Popover.Portal>
                    <Popover.Content align="start" sideOffset={6} className="z-30 w-64 border border-line bg-paper p-3">
                        <HexColorPicker
                            color={/^#[0-9a-f]{6}$/i.test(value) ? value : '#888888'}
                            onChange={onChange}
                            style={{ width: '100%', height: 150 }}
                        />
                        <p className="mt-3 mb-1 text-xs text-soft">The site’s own colours</p>
                        <ul className="grid grid-cols-8 gap-1">
                            {palette.map((colour) => (
                                <li key={colour.colour}>
                                    <button
                                        type="button"
                                        title={`${colour.hex}${colour.variable ? `, ${colour.variable}` : ''}, used ${colour.uses} times`}
                                        aria-label={`${colour.hex}, used ${colour.uses} times`}
                                        className="h-6 w-full rounded-[3px] border border-line"
                                        style={{ background: colour.colour }}
                                        onClick={() => onChange(colour.hex)}
                                    />
                                </li>
                            ))}
                        </ul>
                    </Popover.Content>
                </Popover.Portal>
            </Popover.Root>
            <input
                aria-label={label}
                aria-invalid={invalid || undefined}
                className="field min-w-0 font-mono text-sm"
                value={value}
                placeholder="any CSS colour"
                spellCheck={false}
                onChange={(event) => onChange(event.target.value)}
            />
        </span>
    );
}
