<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Insignum\Effect\Viewing;
use Insignum\Sheet\Override;
use Insignum\Style\Condition;

/** A page as it is looked at, with the override under work where there is one. */
final class DifferencesRequest extends OverrideRequest
{
    public function rules(): array
    {
        return [
            'override' => ['nullable', 'array'],
            ...self::fields('override', 'required_with:override'),
            'added' => ['nullable', 'array'],
            ...self::fields('added', 'required_with:added'),
            'page' => ['required', 'string', 'max:500'],
            'width' => ['required', 'integer', 'between:200,4000'],
            'height' => ['required', 'integer', 'between:200,4000'],
            'shown' => ['nullable', 'string', 'max:20'],
            ...self::wears('worn'),
        ];
    }

    /** @return list<Override> under work, and not in the sheet yet */
    public function under(): array
    {
        return array_values(array_filter([isset($this->validated()['override']) ? $this->override() : null, $this->added()]));
    }

    public function viewing(): Viewing
    {
        return new Viewing(new Condition($this->integer('width'), $this->integer('height')), $this->string('shown')->toString(), self::toWears($this->validated()['worn'] ?? null));
    }
}
