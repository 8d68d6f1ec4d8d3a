<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Insignum\Selector\Wear;
use Insignum\Sheet\Heading;
use Insignum\Sheet\Mark;
use Insignum\Sheet\Override as CoreOverride;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\RawBlock;
use Insignum\Sheet\SheetEntry;
use Insignum\Sheet\WidthRange;

/**
 * One entry of a revision's sheet: an override, a heading or a raw block.
 *
 * @property string $key
 * @property string $kind
 * @property ?string $selector
 * @property ?list<array{name: string, value: string, important: bool, enabled: bool, widths?: ?array{from: ?int, to: ?int}}> $declarations
 * @property ?string $text the note, the heading or the raw CSS
 * @property bool $enabled
 * @property ?int $width_from
 * @property ?int $width_to
 * @property string $state
 * @property ?string $meant
 * @property ?list<array{on: string, part: string}> $wears
 * @property ?list<array{kind: string, page: string, path: string, print: string, note: string}> $marks
 */
final class Override extends Model
{
    public $timestamps = false;

    protected $guarded = [];

    protected function casts(): array
    {
        return ['declarations' => 'array', 'wears' => 'array', 'marks' => 'array', 'enabled' => 'boolean'];
    }

    public function toEntry(): SheetEntry
    {
        return match ($this->kind) {
            'heading' => new Heading($this->key, (string) $this->text),
            'raw' => new RawBlock($this->key, (string) $this->text),
            default => new CoreOverride(
                $this->key,
                (string) $this->selector,
                array_map(static fn (array $d): OverrideDeclaration => new OverrideDeclaration(...[...$d, 'widths' => isset($d['widths']) ? new WidthRange(...$d['widths']) : null]), $this->declarations ?? []),
                (string) $this->text,
                $this->enabled,
                new WidthRange($this->width_from, $this->width_to),
                $this->state,
                (string) $this->meant,
                array_map(static fn (array $w): Wear => new Wear(...$w), $this->wears ?? []),
                array_map(static fn (array $m): Mark => new Mark(...$m), $this->marks ?? []),
            ),
        };
    }

    /** @return array<string, mixed> a row without its revision */
    public static function row(SheetEntry $entry, int $position): array
    {
        $blank = ['selector' => null, 'declarations' => null, 'text' => null, 'enabled' => true, 'width_from' => null, 'width_to' => null, 'state' => '', 'meant' => null, 'wears' => null, 'marks' => null];
        $own = match (true) {
            $entry instanceof CoreOverride => [
                'kind' => 'override',
                'selector' => $entry->selector,
                'declarations' => json_encode(array_map(get_object_vars(...), $entry->declarations), JSON_THROW_ON_ERROR),
                'text' => $entry->note,
                'enabled' => $entry->enabled,
                'width_from' => $entry->widths->from,
                'width_to' => $entry->widths->to,
                'state' => $entry->state,
                'meant' => $entry->meant,
                'wears' => json_encode(array_map(get_object_vars(...), $entry->wears), JSON_THROW_ON_ERROR),
                'marks' => json_encode(array_map(get_object_vars(...), $entry->marks), JSON_THROW_ON_ERROR),
            ],
            $entry instanceof Heading => ['kind' => 'heading', 'text' => $entry->text],
            $entry instanceof RawBlock => ['kind' => 'raw', 'text' => $entry->css],
            default => throw new \LogicException('An entry kind without a row: '.$entry::class),
        };

        return [...$blank, ...$own, 'key' => $entry->id(), 'position' => $position];
    }
}
