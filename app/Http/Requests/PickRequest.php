<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Insignum\Selector\Wear;
use Insignum\Style\Condition;

final class PickRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'page' => ['required', 'string', 'max:500'],
            'path' => ['present', 'nullable', 'string', 'max:500', 'regex:/\A(?:\d+(?:\.\d+)*)?\z/'],
            'width' => ['required', 'integer', 'between:200,4000'],
            'height' => ['required', 'integer', 'between:200,4000'],
            'tones' => [$this->is('*/tones') ? 'required' : 'prohibited', 'array', 'max:12'],
            'tones.*' => ['required', 'string', 'max:200'],
            ...OverrideRequest::wears('worn'),
        ];
    }

    /** @return non-empty-list<string> */
    public function tones(): array
    {
        /** @var non-empty-list<string> */
        return array_values($this->validated()['tones']);
    }

    /** @return list<Wear> the sleeping states that the page is looked at with */
    public function worn(): array
    {
        return OverrideRequest::toWears($this->validated()['worn'] ?? null);
    }

    public function condition(): Condition
    {
        return new Condition($this->integer('width'), $this->integer('height'));
    }
}
