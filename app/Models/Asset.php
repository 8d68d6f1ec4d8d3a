<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $path without a leading slash
 * @property string $hash
 * @property string $mime
 * @property int $bytes
 * @property ?int $width
 * @property ?int $height
 * @property ?list<string> $samples colours met in an image, as #rrggbb
 */
final class Asset extends Model
{
    public $timestamps = false;

    protected $fillable = ['path', 'hash', 'mime', 'bytes', 'width', 'height', 'samples'];

    protected function casts(): array
    {
        return ['samples' => 'array'];
    }
}
