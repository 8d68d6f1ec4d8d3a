<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $path without a leading slash
 * @property string $hash of its text
 * @property int $bytes
 */
final class Stylesheet extends Model
{
    public $timestamps = false;

    protected $fillable = ['path', 'hash', 'bytes'];
}
