<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Insignum\Sheet\Sheet;

/**
 * @property int $id
 * @property int $user_id
 * @property string $name
 * @property string $theme
 * @property ?string $destination_url
 * @property ?string $destination_token
 * @property int $revision
 * @property string $scope what is put in front of all selectors
 */
final class Site extends Model
{
    protected $fillable = ['name', 'theme', 'destination_url', 'destination_token', 'revision', 'scope'];

    protected $hidden = ['destination_token'];

    protected $attributes = ['theme' => '', 'revision' => 0, 'scope' => ''];

    protected function casts(): array
    {
        return ['destination_token' => 'encrypted'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<Snapshot, $this> */
    public function snapshots(): HasMany
    {
        return $this->hasMany(Snapshot::class)->orderByDesc('number');
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return HasMany<Release, $this> */
    public function releases(): HasMany
    {
        return $this->hasMany(Release::class)->orderByDesc('number');
    }

    /** @return HasMany<Image, $this> */
    public function images(): HasMany
    {
        return $this->hasMany(Image::class)->orderBy('name');
    }

    /** The snapshot that is worked on: the newest one that is ready. */
    public function snapshot(): ?Snapshot
    {
        return $this->snapshots()->where('state', Snapshot::READY)->first();
    }

    /** What is on the live site now, as far as Insignum put it there. */
    public function liveRelease(): ?Release
    {
        return $this->releases()->where('state', Release::LIVE)->first();
    }

    /** The draft, as of the revision it stands at. */
    public function sheet(): Sheet
    {
        return $this->revisions()->where('number', $this->revision)->first()?->sheet() ?? new Sheet;
    }
}
