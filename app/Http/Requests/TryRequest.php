<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Insignum\Selector\Wear;
use Insignum\Sheet\WidthRange;
use Insignum\Style\Condition;

final class TryRequest extends OverrideRequest
{
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'page' => ['required', 'string', 'max:500'],
            'path' => ['nullable', 'string', 'max:500', 'regex:/\A(?:\d+(?:\.\d+)*)?\z/'],
            'width' => ['required', 'integer', 'between:200,4000'],
            'height' => ['required', 'integer', 'between:200,4000'],
            'shown' => ['nullable', 'string', 'max:20'],
            'range' => ['nullable', 'array'],
            'range.from' => ['nullable', 'integer', 'between:1,10000'],
            'range.to' => ['nullable', 'integer', 'between:1,10000'],
            ...self::wears('worn'),
            'boxes' => ['nullable', 'array', 'max:600'],
            'boxes.*' => ['array', 'size:5'],
            'boxes.*.0' => ['present', 'nullable', 'string', 'max:500', 'regex:/\A(?:\d+(?:\.\d+)*)?\z/'],
            'boxes.*.1' => ['numeric'], 'boxes.*.2' => ['numeric'], 'boxes.*.3' => ['numeric'], 'boxes.*.4' => ['numeric'],
        ];
    }

    /** @return list<array{string, float, float, float, float}> boxes as the browser measured them: path, left, top, width, height */
    public function boxes(): array
    {
        return array_map(static fn (array $b): array => [(string) $b[0], (float) $b[1], (float) $b[2], (float) $b[3], (float) $b[4]], array_values($this->validated()['boxes'] ?? []));
    }

    /** @return list<Wear> the sleeping states that the site is looked at with, beside the override's own */
    public function worn(): array
    {
        return self::toWears($this->validated()['worn'] ?? null);
    }

    /** The range of widths whose values are being edited; null for the override's own. */
    public function edited(): ?WidthRange
    {
        $range = $this->validated()['range'] ?? null;

        return $range === null ? null : self::toWidths($range);
    }

    /** The width looked at, or the nearest one at which the override counts. */
    public function condition(): Condition
    {
        return new Condition($this->override()->nearest($this->integer('width')), $this->integer('height'));
    }
}
