<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Finding;
use Insignum\Syntax\Position;

/**
 * A stylesheet ready for the cascade. `source` is kept so that places can be told as line and column.
 *
 * Serialized, each item is packed by itself and read when it is asked for: of a theme's thousands of rules, an answer about
 * a few elements needs dozens.
 */
final class CompiledSheet
{
    /** Of path and text: equal where two sheets say the same. */
    public readonly string $fingerprint;

    /** @var list<int> of each item the number of selectors; zero for what is no rule */
    public readonly array $selectors;

    /** @var array<int, string> of each rule that is in a layer, by the number of the item */
    public readonly array $layers;

    /** @var array<int, StyleRule|ImportRule|LayerName> */
    private array $items;

    /** @var list<string> */
    private array $packed = [];

    /**
     * @param  string  $path  where it stands in the site, as `/css/theme.css`
     * @param  list<StyleRule|ImportRule|LayerName>  $items
     * @param  array<string, RegisteredProperty>  $registered
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public readonly string $path,
        public readonly string $source,
        array $items,
        public readonly array $registered,
        public readonly array $findings,
    ) {
        $this->fingerprint = hash('xxh128', $path."\0".$source);
        $this->items = $items;
        $selectors = $layers = [];
        foreach ($items as $number => $item) {
            $selectors[] = $item instanceof StyleRule ? count($item->selectors->selectors) : 0;
            if ($item instanceof StyleRule && $item->layer !== '') {
                $layers[$number] = $item->layer;
            }
        }
        $this->selectors = $selectors;
        $this->layers = $layers;
    }

    public function item(int $number): StyleRule|ImportRule|LayerName
    {
        if (! isset($this->items[$number])) {
            $item = unserialize($this->packed[$number]);
            $this->items[$number] = $item instanceof StyleRule || $item instanceof ImportRule || $item instanceof LayerName ? $item : throw new \UnexpectedValueException('This is no part of a stylesheet.');
        }

        return $this->items[$number];
    }

    /** @return list<ImportRule> */
    public function imports(): array
    {
        $imports = [];
        foreach (array_keys($this->selectors, 0, true) as $number) {
            $item = $this->item($number);
            if ($item instanceof ImportRule) {
                $imports[] = $item;
            }
        }

        return $imports;
    }

    /** @return list<StyleRule> */
    public function rules(): array
    {
        $rules = [];
        foreach (array_keys($this->selectors) as $number) {
            $item = $this->item($number);
            if ($item instanceof StyleRule) {
                $rules[] = $item;
            }
        }

        return $rules;
    }

    public function isEmpty(): bool
    {
        return $this->selectors === [];
    }

    public function position(int $offset): Position
    {
        return Position::of($this->source, $offset);
    }

    /** @return array<string, mixed> */
    public function __serialize(): array
    {
        $packed = [];
        foreach (array_keys($this->selectors) as $number) {
            $packed[] = $this->packed[$number] ?? serialize($this->item($number));
        }

        return [...get_object_vars($this), 'items' => [], 'packed' => $packed];
    }

    /** @param  array<string, mixed>  $data */
    public function __unserialize(array $data): void
    {
        foreach ($data as $name => $value) {
            $this->{$name} = $value;
        }
    }
}
