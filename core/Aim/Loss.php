<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Style\Contender;

/** A declaration of an override that doesn't win on some of the elements it is for. */
final readonly class Loss
{
    /** @param  string  $by the field of the cascade that decided: CascadeOrder::FIELDS, `importance` or `specificity` */
    public function __construct(public string $property, public Contender $winner, public string $by, public int $elements)
    {
    }
}
