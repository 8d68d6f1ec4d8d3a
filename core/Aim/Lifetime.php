<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** How long a part of a selector is likely to last. */
enum Lifetime: string
{
    case Lasting = 'lasting';
    case Generated = 'generated';
    case Numbered = 'numbered';
    case State = 'state';
    case Utility = 'utility';
    case New = 'new';

    /** The reason in words, for a part such as `#pull-7f3a91`; null for one that lasts. */
    public function reason(string $part): ?string
    {
        return match ($this) {
            self::Lasting => null,
            self::Generated => "$part looks generated: it may be another one after the next save.",
            self::Numbered => "$part is one of a numbered series: the number may be another one after the next save.",
            self::State => "$part marks a state: it comes and goes.",
            self::Utility => "$part says how a thing looks, not what it is: other things wear it too.",
            self::New => "$part was not there in the snapshot before: it has yet to show that it lasts.",
        };
    }
}
