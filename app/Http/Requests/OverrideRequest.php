<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Str;
use Illuminate\Validation\Rule;
use Insignum\Selector\Wear;
use Insignum\Sheet\Mark;
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
            ...self::wears('override.wears'),
            ...self::marks('override.marks'),
        ];
    }

    /** @return array<string, mixed> */
    public static function wears(string $field): array
    {
        return [
            $field => ['nullable', 'array', 'max:12'],
            "$field.*.on" => ['required', 'string', 'max:500'],
            "$field.*.part" => ['required', 'string', 'max:200', 'regex:/\A(?:\.|\[)/'],
        ];
    }

    /** @return array<string, mixed> */
    public static function marks(string $field): array
    {
        return [
            $field => ['nullable', 'array', 'max:1000'],
            "$field.*.kind" => ['required', Rule::in(Mark::KINDS)],
            "$field.*.page" => ['required', 'string', 'max:500'],
            "$field.*.path" => ['present', 'nullable', 'string', 'max:500', 'regex:/\A(?:\d+(?:\.\d+)*)?\z/'],
            "$field.*.print" => ['nullable', 'string', 'max:1000'],
            "$field.*.note" => ['nullable', 'string', 'max:500'],
        ];
    }

    /**
     * @param  ?list<array{on: string, part: string}>  $wears
     * @return list<Wear>
     */
    public static function toWears(?array $wears): array
    {
        return array_map(static fn (array $w): Wear => new Wear($w['on'], $w['part']), $wears ?? []);
    }

    /**
     * @param  ?list<array{kind: string, page: string, path: ?string, print?: ?string, note?: ?string}>  $marks
     * @return list<Mark>
     */
    public static function toMarks(?array $marks): array
    {
        return array_map(static fn (array $m): Mark => new Mark($m['kind'], $m['page'], $m['path'] ?? '', $m['print'] ?? '', $m['note'] ?? ''), $marks ?? []);
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
        return self::toOverride($this->validated()['override']);
    }

    /** @param  array<string, mixed>  $data  validated */
    protected static function toOverride(array $data): Override
    {
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
            self::toWears($data['wears'] ?? null),
            self::toMarks($data['marks'] ?? null),
        );
    }
}
