<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Insignum\Sheet\Override;
use Insignum\Sheet\OverrideDeclaration;
use Insignum\Sheet\WidthRange;

/** An override as the bench holds it, with where it is being looked at. */
class OverrideRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        return [
            'override' => ['required', 'array'],
            'override.id' => ['nullable', 'string', 'max:40'],
            'override.selector' => ['required', 'string', 'max:2000'],
            'override.declarations' => ['present', 'array', 'max:80'],
            'override.declarations.*.name' => ['required', 'string', 'max:100', 'regex:/\A[-_a-zA-Z][-\w]*\z/'],
            'override.declarations.*.value' => ['nullable', 'string', 'max:4000', 'not_regex:/[{};]|\*\//'],
            'override.declarations.*.important' => ['boolean'],
            'override.declarations.*.enabled' => ['boolean'],
            'override.note' => ['nullable', 'string', 'max:2000'],
            'override.enabled' => ['boolean'],
            'override.widths.from' => ['nullable', 'integer', 'between:1,10000'],
            'override.widths.to' => ['nullable', 'integer', 'between:1,10000'],
            'override.state' => ['nullable', 'string', Rule::in(Override::STATES)],
            'override.meant' => ['nullable', 'string', 'max:2000'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'override.selector.required' => 'A selector is missing: point at something, or type one.',
            'override.declarations.*.name.regex' => 'A property name is made of letters and hyphens.',
            'override.declarations.*.value.not_regex' => 'A value can’t hold braces, semicolons or the end of a comment: they would end the rule.',
        ];
    }

    public function override(): Override
    {
        $data = $this->validated()['override'];

        return new Override(
            ($data['id'] ?? '') ?: Str::lower((string) Str::ulid()),
            trim($data['selector']),
            array_map(static fn (array $d): OverrideDeclaration => new OverrideDeclaration(
                str_starts_with($d['name'], '--') ? $d['name'] : strtolower($d['name']),
                trim($d['value'] ?? ''),
                $d['important'] ?? false,
                $d['enabled'] ?? true,
            ), array_values($data['declarations'])),
            trim($data['note'] ?? ''),
            $data['enabled'] ?? true,
            new WidthRange($data['widths']['from'] ?? null, $data['widths']['to'] ?? null),
            $data['state'] ?? '',
            trim($data['meant'] ?? ''),
        );
    }
}
