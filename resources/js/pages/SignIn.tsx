import { Link, router, useForm, usePage } from '@inertiajs/react';
import { Button } from '../components/Button';
import { Entrance, Labelled } from '../components/Entrance';

export default function SignIn() {
    const { demo } = usePage<{ demo: boolean }>().props;
    const form = useForm({ email: '', password: '', remember: true });
    return (
        <Entrance title="Sign in">
            {demo && (
                <div className="border-y border-line py-4">
                    <Button look="main" className="w-full justify-center" onClick={() => router.post('/login/demo')}>
                        Enter as the demo owner
                    </Button>
                    <p className="mt-2 text-sm text-soft">Larkmoor Observatory and its practice host are set up for you.</p>
                </div>
            )}
            <form
                className="grid gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post('/login');
                }}
            >
                <Labelled label="E-mail" error={form.errors.email}>
                    <input
                        className="field"
                        type="email"
                        autoComplete="email"
                        required
                        value={form.data.email}
                        onChange={(e) => form.setData('email', e.target.value)}
                    />
                </Labelled>
                <Labelled label="Password" error={form.errors.password}>
                    <input
                        className="field"
                        type="password"
                        autoComplete="current-password"
                        required
                        value={form.data.password}
                        onChange={(e) => form.setData('password', e.target.value)}
                    />
                </Labelled>
                <Button type="submit" look={demo ? 'plain' : 'main'} disabled={form.processing}>
                    Sign in
                </Button>
            </form>
            <p className="text-sm">
                No account yet?{' '}
                <Link className="link" href="/register">
                    Make one
                </Link>
            </p>
        </Entrance>
    );
}
