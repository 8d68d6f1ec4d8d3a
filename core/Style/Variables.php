<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Tokenizer;
use Insignum\Syntax\Tokens;
use Insignum\Syntax\TokenType;

/** Custom properties of one element: CSS Variables 1, sections 2 and 3, with fallbacks and cycles. */
final class Variables
{
    /** A value that grows beyond this many bytes by substitution is invalid. */
    private const LONGEST = 100_000;

    private const ENVIRONMENT = ['safe-area-inset-top' => '0px', 'safe-area-inset-right' => '0px', 'safe-area-inset-bottom' => '0px', 'safe-area-inset-left' => '0px'];

    /** @var array<string, ?string> */
    private array $resolved = [];

    /** @var list<string> names being resolved, outermost first */
    private array $stack = [];

    /** @var array<string, true> */
    private array $cyclic = [];

    /**
     * @param  array<string, string>  $own  declared on the element, as written
     * @param  array<string, string>  $inherited  the parent's, resolved
     * @param  array<string, RegisteredProperty>  $registered
     */
    public function __construct(private readonly array $own, private readonly array $inherited, private readonly array $registered)
    {
    }

    /** @return array<string, string> all that have a value, for the children to inherit */
    public function all(): array
    {
        $all = [];
        foreach ($this->inherited as $name => $value) {
            if (! isset($this->registered[$name]) || $this->registered[$name]->inherits) {
                $all[$name] = $value;
            }
        }
        foreach (array_keys($this->own) as $name) {
            $value = $this->get($name);
            if ($value === null) {
                unset($all[$name]);
            } else {
                $all[$name] = $value;
            }
        }

        return $all;
    }

    /** The value of a custom property on this element, or null: guaranteed-invalid. */
    public function get(string $name): ?string
    {
        if (array_key_exists($name, $this->resolved)) {
            return $this->resolved[$name];
        }
        $registration = $this->registered[$name] ?? null;
        if (! array_key_exists($name, $this->own)) {
            return $registration !== null && ! $registration->inherits ? $registration->initial : $this->inherited[$name] ?? $registration?->initial;
        }
        $at = array_search($name, $this->stack, true);
        if ($at !== false) {
            $this->cyclic += array_fill_keys(array_slice($this->stack, $at), true);

            return null;
        }
        $this->stack[] = $name;
        $value = $this->substitute($this->own[$name]);
        array_pop($this->stack);

        return $this->resolved[$name] = isset($this->cyclic[$name]) ? null : $value ?? $registration?->initial;
    }

    /** The text with every var() and env() put in; null where it is invalid at computed-value time. */
    public function substitute(string $text): ?string
    {
        if (! preg_match('/(?:var|env)\(/i', $text)) {
            return $text;
        }
        $tokens = Tokenizer::tokenize($text);

        return $this->range($tokens, 0, $tokens->count());
    }

    private function range(Tokens $tokens, int $from, int $to): ?string
    {
        $out = '';
        for ($i = $from; $i < $to;) {
            $name = $tokens->types[$i] === TokenType::FUNCTION ? strtolower($tokens->text($i)) : '';
            if ($name !== 'var(' && $name !== 'env(') {
                $out .= $tokens->text($i++);

                continue;
            }
            $after = $tokens->after($i, $to);
            $value = $this->reference($tokens, $i + 1, $tokens->types[$after - 1] === TokenType::CLOSE_PAREN ? $after - 1 : $after, $name === 'env(');
            if ($value === null || strlen($out) + strlen($value) > self::LONGEST) {
                return null;
            }
            // A comment keeps tokens apart that must not grow together: Variables 1, section 3.
            $next = $after < $to ? $tokens->source[$tokens->starts[$after]] : ' ';
            $out .= ($out !== '' && preg_match('/[\w%#-]\z/', $out) === 1 ? '/**/' : '').$value.(preg_match('/[\w%(.-]|[^\x00-\x7f]/', $next) === 1 || $value === '' ? '/**/' : '');
            $i = $after;
        }

        return $out;
    }

    private function reference(Tokens $tokens, int $from, int $to, bool $environment): ?string
    {
        $at = $tokens->skipSpace($from, $to);
        if ($at >= $to || $tokens->types[$at] !== TokenType::IDENT) {
            return null;
        }
        $name = $tokens->text($at);
        $value = $environment ? self::ENVIRONMENT[$name] ?? null : $this->get($name);
        if ($value !== null) {
            return $value;
        }
        $comma = $tokens->skipSpace($at + 1, $to);

        return $comma < $to && $tokens->types[$comma] === TokenType::COMMA ? $this->trimmed($this->range($tokens, $comma + 1, $to)) : null;
    }

    private function trimmed(?string $text): ?string
    {
        return $text === null ? null : trim($text);
    }
}
