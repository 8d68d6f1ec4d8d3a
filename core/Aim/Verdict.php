<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Style\Contender;

/** Whether an override wins: what it loses to, the changes that make it win, the smallest first, and one rule that it beats. */
final readonly class Verdict
{
    /**
     * @param  list<Loss>  $losses
     * @param  list<Raise>  $raises  each tried; empty where it wins, or nothing helps
     */
    public function __construct(public array $losses, public array $raises, public ?Contender $beaten, public string $beatenBy)
    {
    }

    public function wins(): bool
    {
        return $this->losses === [];
    }
}
