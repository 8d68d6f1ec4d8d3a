import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { get } from '../../api/client';
import type { Override, ThemeRule, VariableUse } from '../../api/types';
import { Button } from '../../components/Button';
import { Window } from '../../components/Window';
import { blank, type At } from './useBench';
import type { Work } from './useWork';

/** The theme's rules, by name, property, value or colour; an override can begin where one is. */
export function ThemeLook({
    site,
    work,
    open,
    onOpenChange,
    theme,
}: {
    site: number;
    work: Work;
    open: boolean;
    onOpenChange: (open: boolean) => void;
    theme: string;
}) {
    const [query, setQuery] = useState('');
    const found = useQuery({
        queryKey: ['theme', site, query],
        queryFn: ({ signal }) =>
            get<{ total: number; rules: ThemeRule[] }>(`/api/sites/${site}/theme?q=${encodeURIComponent(query)}`, signal),
        enabled: open && query.trim().length > 1,
        placeholderData: keepPreviousData,
    });
    const rules = query.trim().length > 1 ? found.data : undefined;
    return (
        <Window title={`Look up in ${theme || 'the theme'}`} open={open} onOpenChange={onOpenChange}>
            <label className="block">
                <span className="text-sm text-soft">A class, a property, a value, or a colour: near ones are found too</span>
                <input
                    autoFocus
                    className="field mt-1 font-mono"
                    value={query}
                    spellCheck={false}
                    placeholder=".badge, border-left, #e0b354"
                    onChange={(e) => setQuery(e.target.value)}
                />
            </label>
            {rules && (
                <p role="status" className="mt-3 text-sm text-soft">
                    {rules.total === 0
                        ? 'No rule of the theme says that.'
                        : `${rules.total} ${rules.total === 1 ? 'rule' : 'rules'}${rules.total > rules.rules.length ? `, the first ${rules.rules.length} of them` : ''}`}
                </p>
            )}
            <ul className="mt-1 border-t border-line">
                {rules?.rules.map((rule, i) => (
                    <Rule
                        key={i}
                        rule={rule}
                        onStart={(override) => {
                            work.begin(override);
                            onOpenChange(false);
                        }}
                    />
                ))}
            </ul>
        </Window>
    );
}

function Rule({ rule, onStart }: { rule: ThemeRule; onStart?: (override: Override) => void }) {
    const { override } = rule;
    const found = override?.declarations.filter((d) => rule.declarations.some((r) => r.found && r.text.startsWith(`${d.name}:`))) ?? [];
    return (
        <li className="border-b border-line py-2">
            <div className="flex flex-wrap items-baseline justify-between gap-x-3">
                <code className="min-w-0 font-mono font-semibold break-words">{rule.selector}</code>
                <span className="text-xs text-soft">
                    {rule.file}, line {rule.line};{' '}
                    {rule.total === 0 ? 'takes nothing now' : `${rule.total} on ${rule.pages} ${rule.pages === 1 ? 'page' : 'pages'}`}
                    {rule.distance !== null && (rule.distance === 0 ? '; the same colour' : '; a near colour')}
                </span>
            </div>
            {rule.conditions.map((c) => (
                <p key={c} className="font-mono text-xs text-soft">
                    {c}
                </p>
            ))}
            <p className="mt-0.5 font-mono text-sm">
                {rule.declarations.map((d, i) => (
                    <span key={i} className={d.found ? 'bg-press' : 'text-soft'}>
                        {d.text};{' '}
                    </span>
                ))}
            </p>
            {onStart &&
                (override ? (
                    <span className="mt-1 flex flex-wrap gap-1">
                        <Button onClick={() => onStart(override)}>Begin an override here</Button>
                        {found.length > 0 && found.length < override.declarations.length && (
                            <Button onClick={() => onStart({ ...override, declarations: found })}>
                                With {found.map((d) => d.name).join(', ')} only
                            </Button>
                        )}
                    </span>
                ) : (
                    <p className="mt-1 text-xs text-soft">Its conditions can’t be said by an override yet: copy what you need by hand.</p>
                ))}
        </li>
    );
}

/** A custom property of the theme: who uses it, and where it could be given another value instead. */
export function VariableLook({
    site,
    work,
    at,
    variable,
    onClose,
}: {
    site: number;
    work: Work;
    at: At | null;
    variable: { name: string; value: string } | null;
    onClose: () => void;
}) {
    const use = useQuery({
        queryKey: ['variable', site, variable?.name, at],
        queryFn: ({ signal }) =>
            get<VariableUse>(
                `/api/sites/${site}/variable?${new URLSearchParams({ name: variable?.name ?? '', page: at?.page ?? '', path: at?.path ?? '' })}`,
                signal,
            ),
        enabled: variable !== null && at !== null,
    });
    return (
        <Window title={variable?.name ?? ''} open={variable !== null} onOpenChange={(open) => !open && onClose()}>
            {variable && (
                <div className="grid gap-4">
                    <p>
                        It is <code className="font-mono">{variable.value}</code>. {use.isLoading && 'Looking who else uses it…'}
                        {use.data &&
                            (use.data.total === 1
                                ? 'One rule uses it.'
                                : `${use.data.total} rules use it: to change it changes all of them, as far as the region goes.`)}
                    </p>
                    {use.error && <p role="alert">{use.error.message}</p>}
                    {use.data && (
                        <section>
                            <h3 className="mb-1 text-sm font-semibold text-soft">Change it in a region instead</h3>
                            <ul className="border-t border-line">
                                {use.data.regions.map((region) => (
                                    <li key={region.selector} className="border-b border-line">
                                        <button
                                            type="button"
                                            className="flex w-full justify-between gap-3 px-1 py-1.5 text-left hover:bg-press"
                                            onClick={() => {
                                                work.begin({
                                                    ...blank,
                                                    selector: region.selector,
                                                    meant: region.selector,
                                                    declarations: [
                                                        {
                                                            name: variable.name,
                                                            value: variable.value,
                                                            important: false,
                                                            enabled: true,
                                                            widths: null,
                                                        },
                                                    ],
                                                });
                                                onClose();
                                            }}
                                        >
                                            <code className="font-mono">{region.selector}</code>
                                            <span className="text-sm text-soft">
                                                {region.words}: {region.total} on {region.pages} {region.pages === 1 ? 'page' : 'pages'}
                                            </span>
                                        </button>
                                    </li>
                                ))}
                            </ul>
                        </section>
                    )}
                    {use.data && (
                        <section>
                            <h3 className="mb-1 text-sm font-semibold text-soft">Who uses it</h3>
                            <ul className="border-t border-line">
                                {use.data.users.map((rule, i) => (
                                    <Rule key={i} rule={rule} />
                                ))}
                            </ul>
                        </section>
                    )}
                </div>
            )}
        </Window>
    );
}
