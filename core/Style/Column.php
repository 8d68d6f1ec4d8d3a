<?php

declare(strict_types=1);

namespace Insignum\Style;

/**
 * One value for each element of a page, where few are distinct: packed, each of them is kept once and read when asked for.
 *
 * A column can be laid over another one; it then holds only what differs.
 *
 * @template T
 */
final class Column
{
    /** @var array<int, T> by number of the packed value */
    private array $read = [];

    /**
     * @param  array<int, T>  $own  by element
     * @param  ?self<T>  $below
     * @param  string  $which  the number of each element's value, four bytes each, little-endian
     * @param  list<string>  $packed
     * @param  ?\Closure(string): T  $unpack
     */
    private function __construct(private readonly array $own, private readonly ?self $below = null, private readonly string $which = '', private readonly array $packed = [], private readonly ?\Closure $unpack = null)
    {
    }

    /**
     * @template V
     *
     * @param  array<int, V>  $values  by element
     * @return self<V>
     */
    public static function of(array $values): self
    {
        return new self($values);
    }

    /**
     * What `pack` gave.
     *
     * @template V
     *
     * @param  array{string, list<string>}  $packed
     * @param  \Closure(string): V  $unpack
     * @return self<V>
     */
    public static function unpack(array $packed, \Closure $unpack): self
    {
        return new self([], null, $packed[0], $packed[1], $unpack);
    }

    /**
     * @param  callable(T): (int|string)  $key  equal for values that are one
     * @param  callable(T): string  $pack
     * @return array{string, list<string>}
     */
    public function pack(int $elements, callable $key, callable $pack): array
    {
        $which = '';
        $numbers = $packed = [];
        for ($element = 0; $element < $elements; $element++) {
            $value = $this->get($element);
            $id = $key($value);
            if (! isset($numbers[$id])) {
                $numbers[$id] = count($packed);
                $packed[] = $pack($value);
            }
            $which .= pack('V', $numbers[$id]);
        }

        return [$which, $packed];
    }

    /** @return T */
    public function get(int $element): mixed
    {
        if (isset($this->own[$element])) {
            return $this->own[$element];
        }
        if ($this->below !== null) {
            return $this->below->get($element);
        }
        $at = 4 * $element;
        if ($this->unpack === null || ! isset($this->which[$at + 3])) {
            throw new \OutOfBoundsException("There is no element $element.");
        }
        $number = ord($this->which[$at]) | ord($this->which[$at + 1]) << 8 | ord($this->which[$at + 2]) << 16 | ord($this->which[$at + 3]) << 24;

        return $this->read[$number] ??= ($this->unpack)($this->packed[$number]);
    }

    /**
     * This column with other values for some elements.
     *
     * @param  array<int, T>  $values
     * @return self<T>
     */
    public function with(array $values): self
    {
        return new self($values, $this);
    }

    /** @return array<int, T> what is laid over the lowest column */
    public function laid(): array
    {
        return $this->below === null ? [] : $this->own + $this->below->laid();
    }

    /** @return self<T> the same values in one layer */
    public function flat(int $elements): self
    {
        return new self(array_map($this->get(...), range(0, $elements - 1)));
    }

    /** @return self<T> */
    public function lowest(): self
    {
        return $this->below?->lowest() ?? $this;
    }
}
