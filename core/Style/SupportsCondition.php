<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Syntax\Component;
use Insignum\Syntax\Components;
use Insignum\Syntax\TokenType;

/** `@supports`, Conditional 3, section 6, answered from what browsers take. */
final class SupportsCondition
{
    public function __construct(private readonly Declarations $declarations)
    {
    }

    public function accepts(string $text): bool
    {
        return $this->condition(Components::parse($text));
    }

    /** @param  list<Component>  $components */
    private function condition(array $components): bool
    {
        $c = Components::dense($components);
        if ($c === []) {
            return false;
        }
        if ($c[0]->isIdent('not')) {
            return isset($c[1]) && ! $this->inParens($c[1]);
        }
        $answer = $this->inParens($c[0]);
        for ($i = 1; $i + 1 < count($c); $i += 2) {
            $next = $this->inParens($c[$i + 1]);
            $answer = $c[$i]->isIdent('or') ? $answer || $next : $answer && $next;
        }

        return $answer;
    }

    private function inParens(Component $c): bool
    {
        if ($c->isFunction('selector')) {
            try {
                SelectorParser::parse(substr($c->raw, 9, -1));

                return true;
            } catch (InvalidSelector) {
                return false;
            }
        }
        if ($c->isFunction('font-tech') || $c->isFunction('font-format')) {
            return true;
        }
        if ($c->type !== TokenType::OPEN_PAREN) {
            return false;
        }
        $inside = Components::dense($c->children);
        if (($inside[0] ?? null)?->isIdent() && ($inside[1] ?? null)?->type === TokenType::COLON) {
            [$name, $value] = explode(':', substr($c->raw, 1, -1), 2);

            return $this->declarations->isSupported(trim($name), trim($value));
        }

        return $this->condition($c->children);
    }
}
