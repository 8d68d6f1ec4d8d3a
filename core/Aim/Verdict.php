<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Sheet\Override;
use Insignum\Style\Contender;

/** Whether an override wins: what it loses to, the smallest change that makes it win, and one rule that it beats. */
final readonly class Verdict
{
    /**
     * @param  list<Loss>  $losses
     * @param  ?Override  $raised  the override changed so that it wins everywhere; null where it does, or nothing helps
     */
    public function __construct(public array $losses, public ?Override $raised, public string $change, public ?Contender $beaten, public string $beatenBy)
    {
    }

    public function wins(): bool
    {
        return $this->losses === [];
    }
}
