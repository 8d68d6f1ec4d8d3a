import { useForm } from '@inertiajs/react';
import { useState } from 'react';
import { Button } from '../components/Button';
import { Labelled } from '../components/Entrance';
import { Problem } from '../components/Problem';
import { Shell } from '../components/Shell';

const megabytes = (bytes: number) => `${Math.round(bytes / 1024 / 1024)} MB`;

export default function AddSite({ limits }: { limits: { archive_bytes: number; pages: number; files: number } }) {
    const form = useForm<{ name: string; files: File[]; paths: string[] }>({ name: '', files: [], paths: [] });
    const [over, setOver] = useState(false);
    const take = (files: File[]) => form.setData((data) => ({ ...data, files, paths: files.map((f) => f.webkitRelativePath || f.name) }));
    const errors = form.errors as Record<string, string>;
    const fileError = errors.files ?? Object.entries(errors).find(([key]) => key.startsWith('files'))?.[1];
    return (
        <Shell title="Add a site">
            <main className="mx-auto w-full max-w-2xl p-6">
                <h1 className="mb-2 font-serif text-3xl">Add a site</h1>
                <p className="mb-5 text-soft">
                    A ZIP archive of pages with their stylesheets and images, or these files themselves. Insignum works on a copy: nothing
                    on the live site is touched, and the theme’s own files are never changed.
                </p>
                <form
                    className="grid gap-5"
                    onSubmit={(event) => {
                        event.preventDefault();
                        form.post('/sites', { forceFormData: true });
                    }}
                >
                    {errors.form && <Problem>{errors.form}</Problem>}
                    <Labelled label="Name" error={errors.name}>
                        <input
                            className="field"
                            value={form.data.name}
                            onChange={(e) => form.setData('name', e.target.value)}
                            placeholder="Larkmoor Observatory"
                        />
                    </Labelled>
                    <div
                        className={`grid gap-3 border border-dashed p-5 ${over ? 'border-green bg-green-tint' : 'border-line'}`}
                        onDragOver={(event) => {
                            event.preventDefault();
                            setOver(true);
                        }}
                        onDragLeave={() => setOver(false)}
                        onDrop={(event) => {
                            event.preventDefault();
                            setOver(false);
                            take([...event.dataTransfer.files]);
                        }}
                    >
                        <label className="block">
                            <span className="font-semibold">A ZIP archive, or files</span>
                            <input
                                type="file"
                                multiple
                                className="mt-1 block w-full file:mr-3 file:cursor-pointer file:rounded-[4px] file:border file:border-solid file:border-line file:bg-sheet file:px-3 file:py-1"
                                accept=".zip,.html,.htm,.css,image/*,.woff,.woff2,.ttf,.otf"
                                onChange={(e) => take([...(e.target.files ?? [])])}
                            />
                        </label>
                        <label className="block">
                            <span className="font-semibold">Or a whole folder</span>
                            <input
                                type="file"
                                className="mt-1 block w-full file:mr-3 file:cursor-pointer file:rounded-[4px] file:border file:border-solid file:border-line file:bg-sheet file:px-3 file:py-1"
                                {...{ webkitdirectory: '' }}
                                onChange={(e) => take([...(e.target.files ?? [])])}
                            />
                        </label>
                        <p className="text-sm text-soft">
                            {form.data.files.length > 0
                                ? `${form.data.files.length} ${form.data.files.length === 1 ? 'file' : 'files'} chosen: ${form.data.paths.slice(0, 3).join(', ')}${form.data.files.length > 3 ? ' …' : ''}`
                                : `Or drop them here. At most ${megabytes(limits.archive_bytes)} a file, ${limits.files} files, ${limits.pages} pages.`}
                        </p>
                        {fileError && (
                            <p role="alert" className="text-sm text-reach">
                                {fileError}
                            </p>
                        )}
                    </div>
                    {form.progress && (
                        <progress className="w-full accent-green" value={form.progress.percentage ?? 0} max={100} aria-label="Upload">
                            {form.progress.percentage}%
                        </progress>
                    )}
                    <div className="flex gap-2">
                        <Button type="submit" look="main" disabled={form.processing}>
                            Bring it in
                        </Button>
                        {form.processing && <Button onClick={() => form.cancel()}>Cancel</Button>}
                    </div>
                </form>
                <p className="mt-6 text-sm text-soft">
                    Scripts in the pages are kept out: what a script would have changed is shown as it was saved.
                </p>
            </main>
        </Shell>
    );
}
