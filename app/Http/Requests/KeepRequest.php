<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Insignum\Sheet\Override;

final class KeepRequest extends OverrideRequest
{
    public function rules(): array
    {
        $added = array_combine(array_map(static fn (string $key): string => str_replace('override', 'added', $key), array_keys(parent::rules())), array_values(parent::rules()));

        return [...parent::rules(), ...$added, 'added' => ['nullable', 'array'], 'added.selector' => ['required_with:added', 'string', 'max:2000'], 'added.declarations' => ['required_with:added', 'array', 'max:80'], 'revision' => ['required', 'integer', 'min:0']];
    }

    /** A second override that is kept in the same step, right after the first. */
    public function added(): ?Override
    {
        return isset($this->validated()['added']) ? self::toOverride($this->validated()['added']) : null;
    }

    public function seen(): int
    {
        return $this->integer('revision');
    }
}
