<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Http\UploadedFile;

final class StoreSiteRequest extends FormRequest
{
    public function authorize(): bool
    {
        return true;
    }

    /** @return array<string, mixed> */
    public function rules(): array
    {
        $kilobytes = intdiv(config()->integer('insignum.import.archive_bytes'), 1024);

        return [
            'name' => ['required', 'string', 'max:100'],
            'files' => ['required', 'array', 'min:1', 'max:'.config()->integer('insignum.import.files')],
            'files.*' => ['file', "max:$kilobytes"],
            'paths' => ['nullable', 'array'],
            'paths.*' => ['nullable', 'string', 'max:480'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Give the site a name, so that you find it again.',
            'files.required' => 'Choose a ZIP archive, or the HTML and CSS files themselves.',
            'files.*.max' => 'One of the files is larger than '.round(config()->integer('insignum.import.archive_bytes') / 1024 / 1024).' MB. Nothing was stored. Leave it out, or pack fewer files.',
            'files.*.uploaded' => 'One of the files did not arrive whole: it may be larger than this server takes. Nothing was stored.',
        ];
    }

    /** @return list<array{UploadedFile, string}> each with its path in the site */
    public function uploads(): array
    {
        $paths = $this->validated()['paths'] ?? [];

        return array_map(static fn (UploadedFile $file, int $i): array => [$file, ($paths[$i] ?? '') ?: $file->getClientOriginalName()], array_values($this->validated()['files']), array_keys(array_values($this->validated()['files'])));
    }
}
