<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** One simple selector, the elements that it takes, and what it costs to rely on it. */
final class Part
{
    private ?string $set = null;

    /**
     * @param  \Closure(): string  $find  the set of all elements of the site that it takes: Census
     * @param  float  $cost  about the bits of doubt it brings: low for what lasts and is plain to read
     * @param  ?string  $reason  what speaks against it
     * @param  bool  $isPlace  whether it goes by position
     */
    public function __construct(public readonly string $text, private readonly \Closure $find, public readonly float $cost, public readonly ?string $reason = null, public readonly bool $isPlace = false)
    {
    }

    public function set(): string
    {
        return $this->set ??= ($this->find)();
    }

    public function isTag(): bool
    {
        return preg_match('/\A[a-z]/i', $this->text) === 1;
    }
}
