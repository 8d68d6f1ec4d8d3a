<?php

declare(strict_types=1);

namespace Insignum\Style\Value;

use Insignum\Syntax\Ident;

/** An address, resolved against the sheet it stands in. */
final readonly class Url implements Specified
{
    public function __construct(private string $address)
    {
    }

    public function compute(Context $context): string
    {
        return 'url('.Ident::quote(Address::resolve($this->address, $context->base)).')';
    }
}
