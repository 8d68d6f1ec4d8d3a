<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Contracts\Support\Responsable;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Something that can't be done, in a sentence that says what happened, what was kept, and what to do. */
final class Refusal extends \RuntimeException implements Responsable
{
    /** @param  array<string, mixed>  $details for the front end to go on from */
    public function __construct(public readonly string $reason, string $message, public readonly int $status = 422, public readonly array $details = [])
    {
        parent::__construct($message);
    }

    /** @param  Request  $request */
    public function toResponse($request): Response
    {
        if ($request->expectsJson() && ! $request->hasHeader('X-Inertia')) {
            return response()->json(['reason' => $this->reason, 'message' => $this->getMessage(), ...$this->details], $this->status);
        }

        return (new RedirectResponse(url()->previous('/')))->setSession(session()->driver())->withErrors(['form' => $this->getMessage()])->withInput();
    }
}
