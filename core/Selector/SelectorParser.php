<?php

declare(strict_types=1);

namespace Insignum\Selector;

use Insignum\Syntax\Ident;
use Insignum\Syntax\Rule;
use Insignum\Syntax\Tokenizer;
use Insignum\Syntax\Tokens;
use Insignum\Syntax\TokenType;

/** Selectors 4, section 3, with forgiving lists inside `:is()` and `:where()` and the nesting selector. */
final class SelectorParser
{
    private const COMBINATORS = ['>' => '>', '+' => '+', '~' => '~'];

    /** Pseudo-classes that take a selector list; true: a forgiving one. */
    private const WITH_SELECTORS = ['is' => true, 'where' => true, 'not' => false, 'has' => false];

    public const ALIASES = ['-webkit-any' => 'is', 'matches' => 'is', '-webkit-any-link' => 'any-link'];

    public const LEGACY_PSEUDO_ELEMENTS = ['before', 'after', 'first-line', 'first-letter'];

    private const DEEPEST = 24;

    /** @param  array<string, string>  $namespaces  by prefix; the default one under the empty name */
    private function __construct(
        private readonly Tokens $tokens,
        private readonly int $base,
        private int $at,
        private readonly int $end,
        private readonly ?SelectorList $parent,
        private readonly int $depth = 0,
        private readonly bool $insideHas = false,
        private readonly array $namespaces = [],
    ) {
    }

    /**
     * @param  ?SelectorList  $parent  what `&` stands for; where given, a selector without & is a descendant of it
     *
     * @throws InvalidSelector
     */
    public static function parse(string $text, ?SelectorList $parent = null): SelectorList
    {
        $tokens = Tokenizer::tokenize($text);

        return (new self($tokens, 0, 0, $tokens->count(), $parent))->list(relative: $parent !== null);
    }

    /**
     * The prelude of a rule. The offset of an error counts from the rule's start.
     *
     * @param  array<string, string>  $namespaces  by prefix; the default one under the empty name
     *
     * @throws InvalidSelector
     */
    public static function prelude(Rule $rule, ?SelectorList $parent = null, array $namespaces = []): SelectorList
    {
        $plain = $parent === null && $namespaces === [] ? PlainSelectors::read($rule->prelude) : null;
        if ($plain !== null) {
            return $plain;
        }
        $tokens = $rule->tokens ?? Tokenizer::tokenize($rule->prelude);

        return (new self($tokens, $rule->first, $rule->first, $rule->tokens === null ? $tokens->count() : $rule->stop, $parent, namespaces: $namespaces))->list(relative: $parent !== null);
    }

    /** What a selector in `@scope` starts from where it says nothing of it: the scope's root, at no specificity. Always the same list. */
    public static function scopeRoot(): SelectorList
    {
        static $root = null;

        return $root ??= self::parse(':where(:scope)');
    }

    private function list(bool $relative = false, bool $forgiving = false, bool $pseudoElements = true): SelectorList
    {
        $selectors = [];
        do {
            try {
                $selectors[] = $this->complex($relative, $pseudoElements);
                if ($this->at < $this->end && $this->type() !== TokenType::COMMA) {
                    $this->fail("“{$this->text()}” can't stand here.");
                }
            } catch (InvalidSelector $error) {
                if (! $forgiving) {
                    throw $error;
                }
                while ($this->at < $this->end && $this->type() !== TokenType::COMMA) {
                    $this->at = $this->tokens->after($this->at, $this->end);
                }
            }
        } while ($this->at < $this->end && $this->at++ !== -1);

        return new SelectorList($selectors);
    }

    private function complex(bool $relative, bool $pseudoElements): ComplexSelector
    {
        $this->space();
        $start = $this->at;
        $leading = '';
        if ($relative && $this->at < $this->end && isset(self::COMBINATORS[$this->text()])) {
            $leading = $this->text();
            $this->at++;
            $this->space();
        }
        $compounds = $combinators = [];
        $pseudoElement = null;
        while (true) {
            [$compounds[], $pseudoElement] = $this->compound($pseudoElements);
            $stop = $this->at;
            if ($stop >= $this->end) {
                break;
            }
            $space = $this->space();
            if ($this->at >= $this->end) {
                break;
            }
            $type = $this->tokens->types[$this->at];
            if ($type === TokenType::COMMA) {
                break;
            }
            $combinator = $type === TokenType::DELIM ? self::COMBINATORS[$this->text()] ?? null : null;
            if ($combinator !== null) {
                $this->at++;
                $this->space();
            } elseif (! $space) {
                $this->fail("“{$this->text()}” can't stand here.");
            }
            if ($pseudoElement !== null) {
                $this->fail("Nothing can follow ::$pseudoElement.");
            }
            $combinators[] = $combinator ?? ' ';
        }
        $text = trim($this->tokens->slice($start, $stop));
        if ($this->parent !== null && $relative && $this->depth === 0) {
            return $this->nested($compounds, $combinators, $pseudoElement, $text, $leading);
        }

        return new ComplexSelector($compounds, $combinators, $pseudoElement, $text, $relative ? ($leading === '' ? ' ' : $leading) : '');
    }

    /**
     * Nesting 1, section 3: without a nesting selector, the parent comes first. Cascade 6, 2.5: in a scope without `:scope` too.
     *
     * @param  non-empty-list<Compound>  $compounds
     * @param  list<string>  $combinators
     */
    private function nested(array $compounds, array $combinators, ?string $pseudoElement, string $text, string $leading): ComplexSelector
    {
        $isScoped = $this->parent === self::scopeRoot();
        $has = static function (Compound $compound) use (&$has, $isScoped): bool {
            foreach ($compound->pseudoClasses as $pseudo) {
                if ($pseudo->name === '&' || ($isScoped && $pseudo->name === 'scope')) {
                    return true;
                }
                foreach ($pseudo->selectors->selectors ?? [] as $inner) {
                    if (array_filter($inner->compounds, $has) !== []) {
                        return true;
                    }
                }
            }

            return false;
        };
        if ($leading === '' && array_filter($compounds, $has) !== []) {
            return new ComplexSelector($compounds, $combinators, $pseudoElement, $text);
        }
        array_unshift($compounds, new Compound(pseudoClasses: [new PseudoClass('&', $this->parent)]));
        array_unshift($combinators, $leading === '' ? ' ' : $leading);

        return new ComplexSelector($compounds, $combinators, $pseudoElement, $isScoped ? $text : "& $text");
    }

    /** @return array{Compound, ?string} the compound, and the pseudo-element it ends in */
    private function compound(bool $pseudoElements): array
    {
        $pseudoElement = null;
        $ids = $classes = $attributes = $pseudos = [];
        $start = $this->at;
        [$tag, $namespace] = $this->typeSelector();
        while ($this->at < $this->end) {
            switch ($this->tokens->types[$this->at]) {
                case TokenType::DELIM:
                    $text = $this->text();
                    if ($text === '.') {
                        $classes[] = $this->className();
                        break;
                    }
                    if ($text !== '&') {
                        break 2;
                    }
                    $this->at++;
                    $pseudos[] = $this->parent === null ? new PseudoClass('scope') : new PseudoClass('&', $this->parent);
                    break;
                case TokenType::COLON:
                    $found = $this->pseudo();
                    if (! is_string($found)) {
                        $pseudos[] = $found;
                        break;
                    }
                    if (! $pseudoElements) {
                        $this->fail("::$found can't stand inside a pseudo-class.");
                    }
                    $pseudoElement = $found;
                    break;
                case TokenType::HASH:
                    $ids[] = $this->hash($this->text());
                    break;
                case TokenType::OPEN_SQUARE:
                    $attributes[] = $this->attribute();
                    break;
                default:
                    break 2;
            }
        }
        if ($this->at === $start) {
            $this->fail($this->at >= $this->end ? 'A selector is missing here.' : "“{$this->text()}” doesn't start a selector.");
        }

        return [new Compound($tag, $ids, $classes, $attributes, $pseudos, $namespace), $pseudoElement];
    }

    /**
     * A type selector or `*`, with its namespace prefix if any: Selectors 4, 5.1 and 5.3.
     *
     * @return array{?string, ?string} the name, null for any, and the namespace, null for any
     */
    private function typeSelector(): array
    {
        $default = $this->namespaces[''] ?? null;
        if ($this->at >= $this->end) {
            return [null, $default];
        }
        $type = $this->tokens->types[$this->at];
        if ($type !== TokenType::IDENT && $type !== TokenType::DELIM) {
            return [null, $default];
        }
        $name = $this->elementName();
        if ($this->at + 1 >= $this->end || $this->text() !== '|' || $this->tokens->text($this->at + 1) === '=') {
            return [$name === '*' || $name === '' ? null : $name, $default];
        }
        $this->at++;
        if ($name !== '*' && $name !== '' && ! isset($this->namespaces[$name])) {
            $this->fail("No @namespace rule says what the prefix “{$name}” stands for.");
        }
        $namespace = $name === '*' ? null : ($name === '' ? '' : $this->namespaces[$name]);
        $local = $this->elementName();

        return [$local === '*' || $local === '' ? null : $local, $namespace];
    }

    /** A name, `*`, or nothing where there is neither. */
    private function elementName(): string
    {
        $isName = $this->at < $this->end && $this->tokens->types[$this->at] === TokenType::IDENT;
        if (! $isName && ($this->at >= $this->end || $this->text() !== '*')) {
            return '';
        }
        $text = $this->text();
        $this->at++;

        return $isName ? Ident::unescape($text) : $text;
    }

    private function hash(string $text): string
    {
        $name = substr($text, 1);
        if (preg_match('/\A(?:\d|-\d|-\z)/', $name)) {
            $this->fail("“{$text}” starts with a digit: an id like this is written ".'#'.Ident::escape($name).'.');
        }
        $this->at++;

        return Ident::unescape($name);
    }

    private function className(): string
    {
        $this->at++;
        if ($this->at >= $this->end || $this->type() !== TokenType::IDENT) {
            $this->fail('A class name must follow the dot.');
        }
        $name = Ident::unescape($this->text());
        $this->at++;

        return $name;
    }

    private function attribute(): AttributeTest
    {
        $open = $this->at;
        $close = $this->tokens->after($open, $this->end);
        $inside = $this->tokens->slice($open, $close);
        $ident = '((?:[-\w\x80-\xff]|\\\\.)+)';
        $pattern = '/\A\[\s*(?:(?:'.$ident.'|\*)?\|)?'.$ident.'\s*(?:([~|^$*]?=)\s*("(?:[^"\\\\]|\\\\.)*"|\'(?:[^\'\\\\]|\\\\.)*\'|(?:[-\w\x80-\xff]|\\\\.)+)\s*([iIsS])?\s*)?\]\z/s';
        if (! preg_match($pattern, $inside, $m)) {
            $this->fail("“{$inside}” is not an attribute test like [type=\"text\"].");
        }
        $flag = strtolower($m[5] ?? '');
        if ($flag === 's') {
            $this->fail("Not all browsers know the flag s in “{$inside}”: those that don't skip the whole rule.");
        }
        $this->at = $close;
        $value = $m[4] ?? '';
        if ($value !== '' && $value[0] !== '"' && $value[0] !== "'" && preg_match('/\A(?:\d|-\d)/', $value)) {
            $this->at = $open;
            $this->fail("A value that starts with a digit needs quotes: \"$value\".");
        }
        $value = $value !== '' && ($value[0] === '"' || $value[0] === "'") ? Ident::unquote($value) : Ident::unescape($value);
        $name = strtolower(Ident::unescape($m[2]));

        return new AttributeTest($name, $m[3] ?? '', $value, $flag === 'i');
    }

    private function pseudo(): PseudoClass|string
    {
        $start = $this->at++;
        $element = $this->at < $this->end && $this->type() === TokenType::COLON;
        $this->at += $element ? 1 : 0;
        if ($this->at >= $this->end || ! in_array($this->type(), [TokenType::IDENT, TokenType::FUNCTION], true)) {
            $this->fail('The name of a pseudo-class must follow the colon.');
        }
        $function = $this->type() === TokenType::FUNCTION;
        $name = strtolower(Ident::unescape(rtrim($this->text(), '(')));
        $name = self::ALIASES[$name] ?? $name;
        if ($element || (! $function && in_array($name, self::LEGACY_PSEUDO_ELEMENTS, true))) {
            if (! PseudoNames::isElement($name)) {
                $this->at = $start;
                $this->fail("There is no pseudo-element ::$name.");
            }
            $this->at = $function ? $this->tokens->after($this->at, $this->end) : $this->at + 1;

            return $name;
        }
        if (! PseudoNames::isClass($name, $function)) {
            $this->at = $start;
            $this->fail("There is no pseudo-class :$name".($function ? '()' : '').'.');
        }
        if (! $function) {
            $this->at++;

            return new PseudoClass($name);
        }

        return $this->functional($name);
    }

    private function functional(string $name): PseudoClass
    {
        if ($this->depth >= self::DEEPEST) {
            $this->fail('Selectors are nested deeper than '.self::DEEPEST.' here.');
        }
        $open = $this->at;
        $close = $this->tokens->after($open, $this->end);
        if ($this->tokens->types[$close - 1] !== TokenType::CLOSE_PAREN || $close - 1 === $open) {
            $this->fail("The parenthesis of :$name( is never closed.");
        }
        if ($name === 'has' && $this->insideHas) {
            $this->fail(':has() can’t stand inside :has().');
        }
        $inner = new self($this->tokens, $this->base, $open + 1, $close - 1, $this->parent, $this->depth + 1, $this->insideHas || $name === 'has', $this->namespaces);
        $this->at = $close;
        if (isset(self::WITH_SELECTORS[$name])) {
            return new PseudoClass($name, $inner->list($name === 'has', self::WITH_SELECTORS[$name], false));
        }
        if (str_starts_with($name, 'nth-')) {
            return new PseudoClass($name, nth: $inner->nth($name));
        }
        if ($name === 'host' || $name === 'host-context' || $name === 'current') {
            return new PseudoClass($name);
        }
        if ($name === 'lang' && preg_match('/[,"\']/', $this->tokens->slice($open + 1, $close - 1)) === 1) {
            $this->fail('Not all browsers know :lang() with quotes or a list: those that don’t skip the whole rule.');
        }
        $words = preg_split('/\s*,\s*/', trim($this->tokens->slice($open + 1, $close - 1))) ?: [];

        return new PseudoClass($name, words: array_map(static fn (string $w): string => trim($w, '"\''), $words));
    }

    private function nth(string $name): Nth
    {
        $from = $this->at;
        while ($this->at < $this->end && strtolower($this->text()) !== 'of') {
            $this->at++;
        }
        $nth = Nth::parse($this->tokens->slice($from, $this->at));
        if ($nth === null) {
            $this->fail("“{$this->tokens->slice($from, $this->at)}” is not a position like 2, odd or 3n+1.");
        }
        if ($this->at >= $this->end) {
            return $nth;
        }
        if (! in_array($name, ['nth-child', 'nth-last-child'], true)) {
            $this->fail(":$name can't have “of”.");
        }
        $this->at++;

        return new Nth($nth->step, $nth->offset, $this->list(pseudoElements: false));
    }

    private function space(): bool
    {
        $before = $this->at;
        $this->at = $this->tokens->skipSpace($this->at, $this->end);

        return $this->at > $before;
    }

    private function type(): int
    {
        return $this->tokens->types[$this->at];
    }

    private function text(): string
    {
        return $this->tokens->text($this->at);
    }

    private function fail(string $message): never
    {
        throw new InvalidSelector($message, $this->tokens->starts[min($this->at, $this->end)] - $this->tokens->starts[$this->base]);
    }
}
