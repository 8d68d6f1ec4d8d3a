<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Component;
use Insignum\Syntax\TokenType;

/** `<position>` and `<bg-position>`, Backgrounds 3, 2.6: one to four parts to a value for each axis. */
final class Position
{
    /**
     * @param  list<Component>  $c
     * @return ?array{list<Component>, list<Component>} what the horizontal and the vertical axis get
     */
    public static function split(array $c): ?array
    {
        $centre = new Component(TokenType::IDENT, 'center', raw: 'center');
        $isAcross = static fn (Component $p): bool => $p->isIdent('left') || $p->isIdent('right');
        $isDown = static fn (Component $p): bool => $p->isIdent('top') || $p->isIdent('bottom');
        switch (count($c)) {
            case 1:
                return $isDown($c[0]) ? [[$centre], $c] : [$c, [$centre]];
            case 2:
                // Turned round only where both are keywords.
                if ($isDown($c[0]) || $isAcross($c[1])) {
                    return $c[0]->isIdent() && $c[1]->isIdent() ? [[$c[1]], [$c[0]]] : null;
                }

                return [[$c[0]], [$c[1]]];
            case 3:
            case 4:
                $groups = [];
                foreach ($c as $part) {
                    if ($part->isIdent()) {
                        $groups[] = [$part];
                    } elseif ($groups === []) {
                        return null;
                    } else {
                        $groups[array_key_last($groups)][] = $part;
                    }
                }
                if (count($groups) !== 2) {
                    return null;
                }

                return $isDown($groups[0][0]) || $isAcross($groups[1][0]) ? [$groups[1], $groups[0]] : [$groups[0], $groups[1]];
            default:
                return null;
        }
    }
}
