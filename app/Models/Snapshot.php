<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A site's pages, stylesheets and images as they stood at one time.
 *
 * @property int $id
 * @property int $site_id
 * @property int $number
 * @property string $state
 * @property ?string $hash
 * @property int $progress 0 to 100
 * @property ?string $message
 * @property list<string> $notices
 */
final class Snapshot extends Model
{
    public const WAITING = 'waiting';

    public const READING = 'reading';

    public const READY = 'ready';

    public const FAILED = 'failed';

    public const CANCELLED = 'cancelled';

    protected $fillable = ['number', 'state', 'hash', 'progress', 'message', 'notices'];

    protected $attributes = ['state' => self::WAITING, 'progress' => 0, 'notices' => '[]'];

    protected function casts(): array
    {
        return ['notices' => 'array'];
    }

    /** @return BelongsTo<Site, $this> */
    public function site(): BelongsTo
    {
        return $this->belongsTo(Site::class);
    }

    /** @return HasMany<Page, $this> */
    public function pages(): HasMany
    {
        return $this->hasMany(Page::class)->orderBy('position');
    }

    /** @return HasMany<Stylesheet, $this> */
    public function stylesheets(): HasMany
    {
        return $this->hasMany(Stylesheet::class);
    }

    /** @return HasMany<Asset, $this> */
    public function assets(): HasMany
    {
        return $this->hasMany(Asset::class);
    }
}
