<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A numbered, unchangeable sheet that went live, or was to.
 *
 * @property int $id
 * @property int $number
 * @property string $css
 * @property string $hash
 * @property string $state
 * @property ?int $restored_from
 * @property array<string, mixed> $proof what was fetched back from the live site
 * @property int $revision_id
 * @property ?\Illuminate\Support\Carbon $created_at
 */
final class Release extends Model
{
    public const SENDING = 'sending';

    public const LIVE = 'live';

    public const REPLACED = 'replaced';

    public const FAILED = 'failed';

    protected $fillable = ['revision_id', 'number', 'css', 'hash', 'state', 'restored_from', 'proof'];

    protected $attributes = ['proof' => '{}'];

    protected function casts(): array
    {
        return ['proof' => 'array'];
    }

    /** @return BelongsTo<Revision, $this> */
    public function revision(): BelongsTo
    {
        return $this->belongsTo(Revision::class);
    }
}
