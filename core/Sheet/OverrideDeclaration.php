<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** A declaration of an override; switched off, it is kept and not written into what goes live. */
final readonly class OverrideDeclaration
{
    public function __construct(public string $name, public string $value, public bool $important = false, public bool $enabled = true)
    {
    }

    public function css(): string
    {
        return "{$this->name}: {$this->value}".($this->important ? ' !important' : '').';';
    }
}
