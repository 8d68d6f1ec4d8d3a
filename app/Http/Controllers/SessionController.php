<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Validation\Rules\Password;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/** Signing in, up and out. */
final class SessionController extends Controller
{
    public const DEMO_EMAIL = 'owner@larkmoor.example';

    public function create(): Response
    {
        return Inertia::render('SignIn');
    }

    public function store(Request $request): RedirectResponse
    {
        $credentials = $request->validate(['email' => ['required', 'email'], 'password' => ['required', 'string']]);
        if (! Auth::attempt($credentials, $request->boolean('remember'))) {
            throw ValidationException::withMessages(['email' => 'No account goes with this e-mail address and password.']);
        }

        return $this->entered($request);
    }

    /** The demo build's one click. */
    public function demo(Request $request): RedirectResponse
    {
        abort_unless(config()->boolean('insignum.demo'), 404);
        Auth::login(User::query()->where('email', self::DEMO_EMAIL)->firstOrFail(), true);

        return $this->entered($request);
    }

    public function register(): Response
    {
        return Inertia::render('SignUp');
    }

    public function storeUser(Request $request): RedirectResponse
    {
        $data = $request->validate([
            'name' => ['required', 'string', 'max:100'],
            'email' => ['required', 'email', 'max:200', 'unique:users,email'],
            'password' => ['required', Password::min(10)],
        ]);
        Auth::login(User::query()->create([...$data, 'email' => strtolower($data['email'])]), true);

        return $this->entered($request);
    }

    public function destroy(Request $request): RedirectResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return redirect('/login');
    }

    private function entered(Request $request): RedirectResponse
    {
        $request->session()->regenerate();

        return redirect()->intended('/sites');
    }
}
