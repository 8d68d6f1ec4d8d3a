import { Link } from '@inertiajs/react';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { get, Refused, remove, upload } from '../../api/client';
import type { SiteImage } from '../../api/types';
import { Button } from '../../components/Button';
import { ImageInput } from '../../components/ImageInput';

type OwnImage = SiteImage & { name: string; uses: { id: string; selector: string }[]; isLive: boolean };

/** The images that were put in: how large, where used, and replaced without a new address. */
export function Images({ site, preview }: { site: number; preview: string }) {
    const client = useQueryClient();
    const images = useQuery({ queryKey: ['images', site], queryFn: ({ signal }) => get<OwnImage[]>(`/api/sites/${site}/images`, signal) });
    const [progress, setProgress] = useState<number | null>(null);
    const [problem, setProblem] = useState('');
    const replaces = useRef('');
    const file = useRef<HTMLInputElement>(null);
    const choose = (name: string) => {
        replaces.current = name;
        file.current?.click();
    };
    const run = async (work: Promise<unknown>, done: string) => {
        setProblem('');
        try {
            await work;
            toast(done);
        } catch (error) {
            setProblem(error instanceof Refused ? error.message : 'That did not work.');
        } finally {
            setProgress(null);
            void client.invalidateQueries({ queryKey: ['images', site] });
        }
    };
    const bring = (chosen: File) => {
        setProgress(0);
        const name = replaces.current;
        void run(
            upload(`/api/sites/${site}/images`, { file: chosen, ...(name ? { replaces: name } : {}) }, setProgress),
            name ? `${name} was replaced; its address stays. It goes live with the next release.` : 'Put in.',
        );
    };
    return (
        <section aria-labelledby="images-title" className="mt-8 text-sm">
            <div className="mb-2 flex items-baseline justify-between gap-3">
                <h2 id="images-title" className="font-serif text-xl">
                    Images
                </h2>
                <Button onClick={() => choose('')}>Put one in</Button>
            </div>
            <ImageInput inputRef={file} onChoose={bring} />
            {progress !== null && <progress className="h-1.5 w-full accent-green" max={1} value={progress} aria-label="Image on its way" />}
            {problem && (
                <p role="alert" className="border-l-4 border-reach px-3 py-1">
                    {problem}
                </p>
            )}
            {images.data?.length === 0 && (
                <p className="text-soft">None yet. What you put in gets an address of its own on the live site.</p>
            )}
            <ul className="border-t border-line empty:border-0">
                {images.data?.map((image) => (
                    <li key={image.name} className="flex gap-3 border-b border-line py-2">
                        <img
                            src={`${preview}/${image.path}?${image.bytes}`}
                            alt=""
                            className="chequer h-14 w-20 shrink-0 border border-line object-cover"
                        />
                        <div className="min-w-0 flex-1">
                            <p className="flex flex-wrap items-baseline gap-x-2">
                                <code className="font-mono break-all">/{image.path}</code>
                                <span className="text-soft">
                                    {image.width} × {image.height}, {Math.max(1, Math.round(image.bytes / 1000))} kB
                                    {image.bytes > 400_000 && <b className="text-spill"> heavy</b>}
                                </span>
                            </p>
                            <p className="text-soft">
                                {image.uses.length === 0
                                    ? 'Used nowhere.'
                                    : image.uses.map((use, i) => (
                                          <span key={use.id}>
                                              {i > 0 && ', '}
                                              <Link className="link font-mono" href={`/sites/${site}?override=${use.id}`}>
                                                  {use.selector}
                                              </Link>
                                          </span>
                                      ))}
                                {image.uses.length > 0 && (image.isLive ? ', live' : ', goes live with the next release')}
                            </p>
                            <div className="mt-1 flex gap-1">
                                <Button className="min-h-7! px-2!" onClick={() => choose(image.name)} aria-label={`Replace ${image.name}`}>
                                    Replace
                                </Button>
                                <Button
                                    className="min-h-7! px-2!"
                                    look="quiet"
                                    disabled={image.uses.length > 0}
                                    aria-label={`Take ${image.name} away`}
                                    onClick={() =>
                                        void run(remove(`/api/sites/${site}/images/${image.name}`), `${image.name} was taken away.`)
                                    }
                                >
                                    Take away
                                </Button>
                            </div>
                        </div>
                    </li>
                ))}
            </ul>
        </section>
    );
}
