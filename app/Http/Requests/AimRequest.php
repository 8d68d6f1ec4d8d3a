<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Insignum\Selector\Wear;
use Insignum\Sheet\Mark;
use Insignum\Style\Condition;

/** Examples to aim from, or a selector to look at. */
final class AimRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'selector' => ['nullable', 'string', 'max:2000'],
            'width' => ['required', 'integer', 'between:200,4000'],
            'height' => ['required', 'integer', 'between:200,4000'],
            'properties' => ['array', 'max:100'],
            'properties.*' => ['string', 'max:100'],
            ...OverrideRequest::marks('marks'),
            ...OverrideRequest::wears('worn'),
        ];
    }

    /** @return list<Mark> */
    public function marks(): array
    {
        return OverrideRequest::toMarks($this->validated()['marks'] ?? null);
    }

    /** @return list<string> */
    public function properties(): array
    {
        return array_values($this->validated()['properties'] ?? []);
    }

    /** @return list<Wear> */
    public function worn(): array
    {
        return OverrideRequest::toWears($this->validated()['worn'] ?? null);
    }

    public function condition(): Condition
    {
        return new Condition($this->integer('width'), $this->integer('height'));
    }
}
