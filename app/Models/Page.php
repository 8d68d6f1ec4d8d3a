<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property string $path without a leading slash
 * @property string $title
 * @property string $hash of its HTML
 * @property int $elements
 * @property int $position
 */
final class Page extends Model
{
    public $timestamps = false;

    protected $fillable = ['path', 'title', 'hash', 'elements', 'position'];
}
