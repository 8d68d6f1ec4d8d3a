<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Colour\Colour;
use Insignum\Style\Value\Context;
use Insignum\Style\Value\Keyword;
use Insignum\Style\Value\Specified;
use Insignum\Syntax\Components;
use Insignum\Syntax\Declaration;
use Insignum\Value\Units;

/** Declarations to settings of longhands. What is invalid gives none, and says so to `isValid`. */
final class Declarations
{
    public readonly PropertyTable $table;

    private readonly Grammar $grammar;

    private readonly Shorthands $shorthands;

    /** @var array<string, ?array<string, Specified>> by "name:value", as sheets repeat themselves */
    private array $known = [];

    /** @var array<string, string> */
    private array $initial = [];

    public function __construct()
    {
        $this->table = new PropertyTable;
        $this->grammar = new Grammar;
        $this->shorthands = new Shorthands($this->table, $this->grammar);
    }

    /** @return array<string, string> the computed form of every initial value */
    public function initialValues(): array
    {
        if ($this->initial === []) {
            $context = new Context(new Units, Colour::black(), false, []);
            foreach ($this->table->all() as $name => $property) {
                $this->initial[$name] = ($this->specified($name, $property->initial)[$name] ?? null)?->compute($context) ?? '';
            }
        }

        return $this->initial;
    }

    /** @return list<Setting> */
    public function settings(Declaration $declaration): array
    {
        $name = Shorthands::alias($declaration->name);
        $flows = Shorthands::isFlowRelative($declaration->name);
        $settings = [];
        foreach ($this->values($name, $declaration->value) ?? [] as $property => $value) {
            $settings[] = new Setting((string) $property, $value, $declaration->important, $declaration, $flows);
        }

        return $settings;
    }

    /**
     * @param  list<Declaration>  $declarations
     * @return list<Setting>
     */
    public function all(array $declarations): array
    {
        $settings = [];
        foreach ($declarations as $declaration) {
            foreach ($this->settings($declaration) as $setting) {
                $settings[] = $setting;
            }
        }

        return $settings;
    }

    /** Whether the value is one that the property takes. True for properties without a grammar here. */
    public function isValid(string $name, string $value): bool
    {
        return $this->values(Shorthands::alias(strtolower($name)), $value) !== null;
    }

    public function isSupported(string $name, string $value): bool
    {
        return KnownProperties::has(strtolower($name)) && $this->isValid($name, $value);
    }

    /**
     * The longhands of a property with the value's specified form, after var() was put in.
     *
     * @return ?array<string, Specified>
     */
    public function specified(string $name, string $text): ?array
    {
        $key = "$name:$text";
        if (! array_key_exists($key, $this->known)) {
            $this->known[$key] = $this->parse($name, $text);
        }

        return $this->known[$key];
    }

    /** @return array<string, string> what a value comes to by itself, on an element without parent, by longhand; empty for an invalid one */
    public function computedAlone(string $name, string $value): array
    {
        $context = new Context(new Units, Colour::black(), false, []);

        return array_map(static fn (Specified $s): string => $s->compute($context), $this->specified(Shorthands::alias($name), $value) ?? []);
    }

    /** @return list<string> the longhands that a shorthand resets without saying anything about them; none for any other property */
    public function omitted(string $name, string $value): array
    {
        return $this->shorthands->omitted(Shorthands::alias($name), Components::parse($value));
    }

    public function layers(): LayerReader
    {
        return new LayerReader($this->shorthands);
    }

    /** @return list<string> the longhands that a name sets: itself, where it is no shorthand */
    public function targets(string $name): array
    {
        $name = Shorthands::alias($name);
        if ($name === 'all') {
            return array_values(array_filter(array_keys($this->table->all()), static fn (string $p): bool => $p !== 'direction'));
        }
        $longhands = Shorthands::longhands($name);

        return $longhands === [] ? [$name] : $longhands;
    }

    /** @return ?array<string, Specified|WideKeyword|Pending|string> */
    private function values(string $name, string $text): ?array
    {
        $text = trim((string) preg_replace('~/\*.*?\*/~s', ' ', $text));
        $isCustom = str_starts_with($name, '--');
        $wide = WideKeyword::tryFrom(strtolower($text));
        if ($wide !== null) {
            return array_fill_keys($this->targets($name), $wide);
        }
        if ($isCustom) {
            return [$name => $text];
        }
        if (preg_match('/(?<![\w-])(?:var|env|attr)\(/i', $text) && ! ($name === 'content' && ! str_contains($text, 'var('))) {
            return array_fill_keys($this->targets($name), new Pending($name, $text));
        }
        if ($name === 'all') {
            return null;
        }
        // Answered by the layout, or by where the element stands: valid, and kept as written.
        if (preg_match('/(?<![\w-])(?:anchor|anchor-size|calc-size|sibling-index|sibling-count|if|random)\(/i', $text) === 1) {
            return array_fill_keys($this->targets($name), new Keyword($text));
        }
        if ($this->table->find($name) === null && Shorthands::longhands($name) === []) {
            $checked = $this->table->checked($name);

            return $checked === null || $this->grammar->parse($checked, Components::parse($text)) !== null ? [$name => $text] : null;
        }

        return $this->specified($name, $text);
    }

    /** @return ?array<string, Specified> */
    private function parse(string $name, string $text): ?array
    {
        $components = Components::parse($text);
        $property = $this->table->find($name);
        if ($property !== null) {
            $value = $this->grammar->parse($property, $components);

            return $value === null ? null : [$name => $value];
        }
        $out = [];
        foreach ($this->shorthands->expand($name, $components) ?? [] as $longhand => $value) {
            $row = $this->table->find($longhand);
            $specified = $row === null ? null : $this->grammar->parse($row, $value);
            if ($specified === null) {
                return null;
            }
            $out[$longhand] = $specified;
        }

        return $out === [] ? null : $out;
    }
}
