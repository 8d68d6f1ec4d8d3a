<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Insignum\Sheet\Sheet;

/**
 * A sheet that no longer changes: each change of the draft makes a new one, so that undo is a step back.
 *
 * @property int $id
 * @property int $number
 * @property int $parent the revision it was made from
 * @property string $label what was changed, in words
 */
final class Revision extends Model
{
    public $timestamps = false;

    protected $fillable = ['number', 'parent', 'label'];

    /** @return HasMany<Override, $this> */
    public function overrides(): HasMany
    {
        return $this->hasMany(Override::class)->orderBy('position');
    }

    public function sheet(): Sheet
    {
        return new Sheet(array_values($this->overrides->map(static fn (Override $row) => $row->toEntry())->all()));
    }
}
