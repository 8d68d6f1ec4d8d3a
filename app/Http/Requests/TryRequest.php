<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Insignum\Selector\Wear;
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
            ...self::wears('worn'),
        ];
    }

    /** @return list<Wear> the sleeping states that the site is looked at with, beside the override's own */
    public function worn(): array
    {
        return self::toWears($this->validated()['worn'] ?? null);
    }

    /** The width looked at, or the nearest one at which the override counts. */
    public function condition(): Condition
    {
        return new Condition($this->override()->widths->nearest($this->integer('width')), $this->integer('height'));
    }
}
