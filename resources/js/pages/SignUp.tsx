import { Link, useForm } from '@inertiajs/react';
import { Button } from '../components/Button';
import { Entrance, Labelled } from '../components/Entrance';

export default function SignUp() {
    const form = useForm({ name: '', email: '', password: '' });
    return (
        <Entrance title="Make an account">
            <form
                className="grid gap-4"
                onSubmit={(event) => {
                    event.preventDefault();
                    form.post('/register');
                }}
            >
                <Labelled label="Name" error={form.errors.name}>
                    <input
                        className="field"
                        autoComplete="name"
                        required
                        value={form.data.name}
                        onChange={(e) => form.setData('name', e.target.value)}
                    />
                </Labelled>
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
                <Labelled label="Password, ten characters or more" error={form.errors.password}>
                    <input
                        className="field"
                        type="password"
                        autoComplete="new-password"
                        minLength={10}
                        required
                        value={form.data.password}
                        onChange={(e) => form.setData('password', e.target.value)}
                    />
                </Labelled>
                <Button type="submit" look="main" disabled={form.processing}>
                    Make an account
                </Button>
            </form>
            <p className="text-sm">
                <Link className="link" href="/login">
                    I have one: sign in
                </Link>
            </p>
        </Entrance>
    );
}
