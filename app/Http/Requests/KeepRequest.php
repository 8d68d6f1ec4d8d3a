<?php

declare(strict_types=1);

namespace App\Http\Requests;

final class KeepRequest extends OverrideRequest
{
    public function rules(): array
    {
        return [...parent::rules(), 'revision' => ['required', 'integer', 'min:0']];
    }

    public function seen(): int
    {
        return $this->integer('revision');
    }
}
