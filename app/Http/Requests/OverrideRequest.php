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
            ...self::fields('override', 'required'),
            'added' => ['nullable', 'array'],
            ...self::fields('added', 'required_with:added'),
        ];
    }

    /** @return array<string, mixed> */
    protected static function fields(string $field, string $required): array
    {
        return [
            "$field.id" => ['nullable', 'string', 'max:40'],
            "$field.selector" => [$required, 'string', 'max:2000'],
            "$field.declarations" => [$required === 'required' ? 'present' : $required, 'array', 'max:80'],
            "$field.declarations.*.name" => ['required', 'string', 'max:100', 'regex:/\A[-_a-zA-Z][-\w]*\z/'],
            "$field.declarations.*.value" => ['nullable', 'string', 'max:4000', 'not_regex:/[{};]|\*\//'],
            "$field.declarations.*.important" => ['boolean'],
            "$field.declarations.*.enabled" => ['boolean'],
            "$field.declarations.*.widths" => ['nullable', 'array'],
            "$field.declarations.*.widths.from" => ['nullable', 'integer', 'between:1,10000'],
            "$field.declarations.*.widths.to" => ['nullable', 'integer', 'between:1,10000'],
            "$field.note" => ['nullable', 'string', 'max:2000'],
            "$field.enabled" => ['boolean'],
            "$field.widths.from" => ['nullable', 'integer', 'between:1,10000'],
            "$field.widths.to" => ['nullable', 'integer', 'between:1,10000'],
            "$field.state" => ['nullable', 'string', Rule::in(Override::STATES)],
            "$field.meant" => ['nullable', 'string', 'max:2000'],
            ...self::wears("$field.wears"),
            ...self::marks("$field.marks"),
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

    /** A second override that comes with the first, and is kept in the same step. */
    public function added(): ?Override
    {
        return isset($this->validated()['added']) ? self::toOverride($this->validated()['added']) : null;
    }

    /** @param  array{from?: ?int, to?: ?int}  $data */
    public static function toWidths(array $data): WidthRange
    {
        return new WidthRange($data['from'] ?? null, $data['to'] ?? null);
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
                isset($d['widths']) ? self::toWidths($d['widths']) : null,
            ), array_values($data['declarations'])),
            trim($data['note'] ?? ''),
            $data['enabled'] ?? true,
            self::toWidths($data['widths'] ?? []),
            $data['state'] ?? '',
            trim($data['meant'] ?? ''),
            self::toWears($data['wears'] ?? null),
            self::toMarks($data['marks'] ?? null),
        );
    }
}
