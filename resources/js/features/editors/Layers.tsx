import { useQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { post, Refused } from '../../api/client';
import type { Gradient, ImageFit, Layer } from '../../api/types';
import { Button } from '../../components/Button';
import { ImageInput } from '../../components/ImageInput';
import { AcrossWidths } from './AcrossWidths';
import { ColourField } from './ColourField';
import { gradientText, nudged } from './declarations';
import { usePaint } from './paint';
import { Choice, Length } from './Parts';

const plain: Omit<Layer, 'image'> = {
    address: null,
    gradient: null,
    size: 'auto',
    position: ['0%', '0%'],
    repeat: 'repeat',
    attachment: 'scroll',
    origin: 'padding-box',
    clip: 'border-box',
    blend: 'normal',
};

const firstGradient: Gradient = {
    name: 'linear-gradient',
    head: 'to right',
    stops: [
        { colour: '#1f5c43', at: '0%' },
        { colour: '#e0b354', at: '100%' },
    ],
};

const veil: Gradient = {
    name: 'linear-gradient',
    head: '',
    stops: [
        { colour: 'rgb(0 0 0 / 55%)', at: '' },
        { colour: 'rgb(0 0 0 / 55%)', at: '' },
    ],
};

/** The layers of a background in order, the topmost first: gradients and images, each open to change. */
export function Layers({
    layers,
    box,
    onChange,
}: {
    layers: Layer[];
    box: { width: number; height: number } | null;
    onChange: (layers: Layer[]) => void;
}) {
    const { images, putIn } = usePaint();
    const [adding, setAdding] = useState('');
    const [progress, setProgress] = useState<number | null>(null);
    const [problem, setProblem] = useState('');
    const file = useRef<HTMLInputElement>(null);
    const bring = async (chosen: File) => {
        setProblem('');
        setProgress(0);
        try {
            const image = await putIn(chosen, setProgress);
            add(adding || 'image', image.path);
        } catch (error) {
            setProblem(error instanceof Refused ? error.message : 'The image was not taken.');
        } finally {
            setProgress(null);
        }
    };
    const put = (i: number, layer: Layer) => onChange(layers.map((l, k) => (k === i ? layer : l)));
    const add = (what: string, path: string) => {
        const image = `url("/${path}")`;
        const shared = { ...plain, image, address: `/${path}` };
        const gradient = (g: Gradient): Layer => ({ ...plain, image: gradientText(g), gradient: g });
        if (what === 'gradient') onChange([gradient(firstGradient), ...layers]);
        else if (what === 'photo')
            onChange([gradient(veil), { ...shared, size: 'cover', position: ['50%', '50%'], repeat: 'no-repeat' }, ...layers]);
        else if (what === 'backdrop')
            onChange([{ ...shared, size: 'cover', position: ['50%', '50%'], repeat: 'no-repeat', attachment: 'fixed' }, ...layers]);
        else if (what === 'strip') onChange([{ ...shared, repeat: 'repeat-x' }, ...layers]);
        else onChange([{ ...shared, size: 'cover', position: ['50%', '50%'], repeat: 'no-repeat' }, ...layers]);
        setAdding('');
    };
    return (
        <div className="grid min-w-0 flex-1 gap-2">
            {layers.map((layer, i) => (
                <section key={i} aria-label={`Layer ${i + 1}`} className="grid gap-1.5 border-l-2 border-line pl-2">
                    <div className="flex items-center gap-1">
                        <span aria-hidden className="chequer h-7 w-14 shrink-0 overflow-hidden rounded-[3px] border border-line">
                            <Sample layer={layer} />
                        </span>
                        <span className="min-w-0 flex-1 truncate text-xs text-soft">
                            {layer.gradient ? 'gradient' : (layer.address?.split('/').pop() ?? layer.image)}
                        </span>
                        <Small label={`Layer ${i + 1} further up`} disabled={i === 0} onClick={() => onChange(swapped(layers, i, i - 1))}>
                            ↑
                        </Small>
                        <Small
                            label={`Layer ${i + 1} further down`}
                            disabled={i === layers.length - 1}
                            onClick={() => onChange(swapped(layers, i, i + 1))}
                        >
                            ↓
                        </Small>
                        <Small label={`Take layer ${i + 1} away`} onClick={() => onChange(layers.filter((_, k) => k !== i))}>
                            ×
                        </Small>
                    </div>
                    {layer.gradient ? (
                        <GradientEditor
                            gradient={layer.gradient}
                            onChange={(gradient) => put(i, { ...layer, gradient, image: gradientText(gradient) })}
                        />
                    ) : (
                        <ImageEditor layer={layer} box={box} onChange={(next) => put(i, next)} />
                    )}
                    <details>
                        <summary className="cursor-pointer text-xs text-soft">attachment, origin, clip, blend</summary>
                        <div className="flex flex-wrap gap-1 pt-1">
                            {(
                                [
                                    ['attachment', ['scroll', 'fixed', 'local']],
                                    ['origin', ['padding-box', 'border-box', 'content-box']],
                                    ['clip', ['border-box', 'padding-box', 'content-box', 'text']],
                                    ['blend', ['normal', 'multiply', 'screen', 'overlay', 'darken', 'lighten', 'luminosity']],
                                ] as const
                            ).map(([part, options]) => (
                                <Choice
                                    key={part}
                                    label={`Layer ${i + 1}: ${part}`}
                                    value={layer[part]}
                                    options={options}
                                    none={plain[part]}
                                    onChange={(v) => put(i, { ...layer, [part]: v || plain[part] })}
                                />
                            ))}
                        </div>
                    </details>
                </section>
            ))}
            <div className="flex flex-wrap gap-1">
                <Button className="min-h-7! px-2! text-sm" onClick={() => add('gradient', '')}>
                    Add a gradient
                </Button>
                <select
                    aria-label="Add an image as"
                    className="field w-auto! py-0.5! text-sm"
                    value={adding}
                    onChange={(e) => setAdding(e.target.value)}
                >
                    <option value="">Add an image…</option>
                    <option value="image">filling the box</option>
                    <option value="photo">a photo under the text</option>
                    <option value="backdrop">a backdrop that stays</option>
                    <option value="strip">a strip tiled across</option>
                </select>
                {adding && (
                    <select
                        aria-label="Which image"
                        autoFocus
                        className="field w-auto! max-w-44 py-0.5! text-sm"
                        value=""
                        onChange={(e) => (e.target.value === '+' ? file.current?.click() : add(adding, e.target.value))}
                    >
                        <option value="">which one?</option>
                        <option value="+">put one in…</option>
                        {images.map((image) => (
                            <option key={image.path} value={image.path}>
                                {image.path.split('/').pop()} {image.width && `(${image.width} × ${image.height})`}
                            </option>
                        ))}
                    </select>
                )}
            </div>
            <ImageInput inputRef={file} onChoose={(chosen) => void bring(chosen)} />
            {progress !== null && <progress className="h-1.5 w-full accent-green" max={1} value={progress} aria-label="Image on its way" />}
            {problem && (
                <p role="alert" className="text-sm text-reach">
                    {problem}
                </p>
            )}
        </div>
    );
}

function swapped(layers: Layer[], i: number, k: number): Layer[] {
    const next = [...layers];
    [next[i], next[k]] = [next[k]!, next[i]!];
    return next;
}

function Small({ label, ...rest }: React.ButtonHTMLAttributes<HTMLButtonElement> & { label: string }) {
    return <button type="button" {...rest} aria-label={label} className="px-1.5 hover:bg-press disabled:opacity-30" />;
}

function Sample({ layer }: { layer: Layer }) {
    const { preview } = usePaint();
    const image = layer.address ? `url("${preview}${layer.address.startsWith('/') ? '' : '/'}${layer.address}")` : layer.image;
    return <span className="block h-full" style={{ background: `${image} center / cover` }} />;
}

const kinds = ['linear-gradient', 'radial-gradient', 'conic-gradient', 'repeating-linear-gradient', 'repeating-radial-gradient'];
const spaces = ['oklch', 'oklab', 'srgb', 'hsl'];

/** Direction, colour space and stops. Each stop is a slider on the strip, and a field. */
function GradientEditor({ gradient, onChange }: { gradient: Gradient; onChange: (gradient: Gradient) => void }) {
    const space = / ?\bin ([-\w]+)/.exec(gradient.head)?.[1] ?? '';
    const direction = gradient.head.replace(/ ?\bin [-\w]+/, '').trim();
    const head = (d: string, s: string) => [d, s && `in ${s}`].filter(Boolean).join(' ');
    const stop = (i: number, change: Partial<Gradient['stops'][number]>) =>
        onChange({ ...gradient, stops: gradient.stops.map((s, k) => (k === i ? { ...s, ...change } : s)) });
    const share = (i: number) => {
        const at = /^(-?[\d.]+)%$/.exec(gradient.stops[i]?.at ?? '')?.[1];
        return at === undefined ? (100 * i) / Math.max(1, gradient.stops.length - 1) : Number(at);
    };
    return (
        <div className="grid gap-1.5">
            <div className="flex flex-wrap gap-1">
                <select
                    aria-label="Kind of gradient"
                    className="field w-auto! py-0.5! text-sm"
                    value={gradient.name}
                    onChange={(e) =>
                        onChange({
                            ...gradient,
                            name: e.target.value,
                            head: e.target.value.includes('linear') === gradient.name.includes('linear') ? gradient.head : '',
                        })
                    }
                >
                    {kinds.map((k) => (
                        <option key={k} value={k}>
                            {k.replace('-gradient', '').replace('-', ' ')}
                        </option>
                    ))}
                </select>
                <input
                    aria-label="Direction or shape"
                    className="field w-28! py-0.5! font-mono text-sm"
                    placeholder={gradient.name.includes('linear') ? 'to bottom' : gradient.name.includes('conic') ? 'from 0deg' : 'ellipse'}
                    value={direction}
                    onChange={(e) => onChange({ ...gradient, head: head(e.target.value, space) })}
                    onKeyDown={(e) => {
                        const way = { ArrowUp: 1, ArrowDown: -1 }[e.key];
                        const turn = /^(-?[\d.]+)deg$/.exec(direction);
                        if (!way || !turn) return;
                        e.preventDefault();
                        onChange({ ...gradient, head: head(`${Number(turn[1]) + way * (e.shiftKey ? 15 : 1)}deg`, space) });
                    }}
                />
                <Choice
                    label="Colour space"
                    value={space}
                    options={spaces}
                    none="mixed as usual"
                    onChange={(s) => onChange({ ...gradient, head: head(direction, s) })}
                />
            </div>
            <div
                className="relative h-5 border border-line"
                style={{ background: gradientText({ name: 'linear-gradient', head: head('to right', space), stops: gradient.stops }) }}
            >
                {gradient.stops.map((_, i) => (
                    <input
                        key={i}
                        type="range"
                        min={0}
                        max={100}
                        value={share(i)}
                        aria-label={`Stop ${i + 1} at`}
                        aria-valuetext={`${share(i)} %`}
                        className="stop absolute inset-0 h-full w-full"
                        onChange={(e) => stop(i, { at: `${e.target.value}%` })}
                    />
                ))}
            </div>
            {gradient.stops.map((s, i) => (
                <div key={i} className="flex items-center gap-1">
                    <ColourField
                        label={`Colour of stop ${i + 1}`}
                        value={s.colour}
                        onChange={(colour) => stop(i, { colour: colour || 'transparent' })}
                    />
                    <Length
                        label={`Place of stop ${i + 1}`}
                        className="w-18! py-0.5!"
                        value={s.at}
                        placeholder={`${Math.round(share(i))}%`}
                        onChange={(at) => stop(i, { at })}
                    />
                    <Small
                        label={`Take stop ${i + 1} away`}
                        disabled={gradient.stops.length < 3}
                        onClick={() => onChange({ ...gradient, stops: gradient.stops.filter((_, k) => k !== i) })}
                    >
                        ×
                    </Small>
                </div>
            ))}
            <div>
                <button
                    type="button"
                    className="link text-xs"
                    onClick={() =>
                        onChange({
                            ...gradient,
                            stops: [...gradient.stops, { colour: gradient.stops.at(-1)?.colour ?? '#888', at: '100%' }],
                        })
                    }
                >
                    One more stop
                </button>
            </div>
        </div>
    );
}

/** Size, repeat and position of an image, nudged by the arrow keys, with how it comes out in the real box. */
function ImageEditor({
    layer,
    box,
    onChange,
}: {
    layer: Layer;
    box: { width: number; height: number } | null;
    onChange: (layer: Layer) => void;
}) {
    const { site } = usePaint();
    const [x, y] = layer.position;
    const [across, setAcross] = useState(false);
    const fit = useQuery({
        queryKey: ['fit', site, layer.address, layer.size, x, y, layer.repeat, box],
        queryFn: ({ signal }) =>
            post<ImageFit>(
                `/api/sites/${site}/fit`,
                { address: layer.address, size: layer.size, position: `${x} ${y}`, repeat: layer.repeat, ...box },
                signal,
            ),
        enabled: layer.address !== null && box !== null,
    });
    const move = (dx: number, dy: number) => onChange({ ...layer, position: [dx ? nudged(x, dx) : x, dy ? nudged(y, dy) : y] });
    return (
        <div className="grid gap-1.5">
            <div className="flex flex-wrap gap-1">
                <Choice
                    label="Size of the image"
                    value={layer.size}
                    options={['cover', 'contain', '100% 100%', '50%']}
                    none="auto"
                    onChange={(size) => onChange({ ...layer, size: size || 'auto' })}
                />
                <Choice
                    label="Repeat"
                    value={layer.repeat}
                    options={['no-repeat', 'repeat-x', 'repeat-y', 'round', 'space']}
                    none="repeat"
                    onChange={(repeat) => onChange({ ...layer, repeat: repeat || 'repeat' })}
                />
            </div>
            <div className="flex items-center gap-1.5">
                <button
                    type="button"
                    aria-label={`Move the image with the arrow keys, with Shift by ten: ${x} ${y}`}
                    title="Arrow keys move it by a pixel, with Shift by ten"
                    className="h-9 w-12 shrink-0 border border-line font-mono text-sm focus:border-ink"
                    onKeyDown={(e) => {
                        const by = e.shiftKey ? 10 : 1;
                        const way = { ArrowLeft: [-by, 0], ArrowRight: [by, 0], ArrowUp: [0, -by], ArrowDown: [0, by] }[e.key];
                        if (!way) return;
                        e.preventDefault();
                        e.stopPropagation();
                        move(way[0] ?? 0, way[1] ?? 0);
                    }}
                >
                    ↔↕
                </button>
                <Length label="Across" className="py-0.5!" value={x} onChange={(v) => onChange({ ...layer, position: [v, y] })} />
                <Length label="Down" className="py-0.5!" value={y} onChange={(v) => onChange({ ...layer, position: [x, v] })} />
            </div>
            {fit.data?.fit && fit.data.image && box && <p className="text-xs text-soft">{fitWords(fit.data, box)}</p>}
            {layer.address && (
                <details onToggle={(e) => setAcross(e.currentTarget.open)}>
                    <summary className="cursor-pointer text-xs text-soft">at other widths, and what the picture is about</summary>
                    {across && <AcrossWidths layer={layer} />}
                </details>
            )}
        </div>
    );
}

function fitWords({ image, fit }: ImageFit, box: { width: number; height: number }): string {
    if (!image || !fit) return '';
    const percent = (n: number) => `${Math.round(n * 100)} %`;
    const parts = [
        `${image.width} × ${image.height} px file in a box of ${Math.round(box.width)} × ${Math.round(box.height)}: drawn ${Math.round(fit.width)} × ${Math.round(fit.height)}`,
        fit.tiles > 1 ? `${fit.tiles} tiles` : '',
        fit.cropped > 0.005 ? `${percent(fit.cropped)} of it cropped` : '',
        fit.bare > 0.005 ? `${percent(fit.bare)} of the box bare` : '',
        fit.scale > 1
            ? `soft on every screen, each of its pixels ${fit.scale.toFixed(1)} wide`
            : fit.scale > 0.5
              ? 'soft on fine screens'
              : '',
        image.bytes > 400_000 ? `heavy: ${Math.round(image.bytes / 1000)} kB` : '',
    ];
    return parts.filter(Boolean).join(', ') + '.';
}
