<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * An image that the owner put in, under an address of its own on the live site.
 *
 * @property int $id
 * @property string $name
 * @property string $hash
 * @property string $mime
 * @property int $bytes
 * @property ?int $width
 * @property ?int $height
 * @property ?list<string> $samples
 * @property ?string $sent_hash
 */
final class Image extends Model
{
    /** Where images that were put in lie on the live site, and in the preview. */
    public const FOLDER = '-/images/';

    protected $fillable = ['name', 'hash', 'mime', 'bytes', 'width', 'height', 'samples', 'sent_hash'];

    protected function casts(): array
    {
        return ['samples' => 'array'];
    }

    /** As one of the files of a snapshot. */
    public function asset(): Asset
    {
        return new Asset(['path' => self::FOLDER.$this->name, 'hash' => $this->hash, 'mime' => $this->mime, 'bytes' => $this->bytes, 'width' => $this->width, 'height' => $this->height, 'samples' => $this->samples]);
    }

    /** @return list<string> the names of the images that a sheet uses */
    public static function usedIn(string $css): array
    {
        preg_match_all('~/-/images/([a-z0-9][a-z0-9._-]*)~i', $css, $m);

        return array_values(array_unique($m[1]));
    }
}
