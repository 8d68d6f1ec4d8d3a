<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Syntax\Finding;
use Insignum\Syntax\Position;

/** A stylesheet ready for the cascade. `source` is kept so that places can be told as line and column. */
final readonly class CompiledSheet
{
    /** Of path and text: equal where two sheets say the same. */
    public string $fingerprint;

    /**
     * @param  string  $path  where it stands in the site, as `/css/theme.css`
     * @param  list<StyleRule|ImportRule|LayerName>  $items
     * @param  array<string, RegisteredProperty>  $registered
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public string $path,
        public string $source,
        public array $items,
        public array $registered,
        public array $findings,
    ) {
        $this->fingerprint = hash('xxh128', $path."\0".$source);
    }

    public function position(int $offset): Position
    {
        return Position::of($this->source, $offset);
    }

    /** @return list<StyleRule> */
    public function rules(): array
    {
        return array_values(array_filter($this->items, static fn (object $item): bool => $item instanceof StyleRule));
    }
}
