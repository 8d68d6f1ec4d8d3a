<?php

declare(strict_types=1);

namespace App\Actions;

use App\Engine\Blobs;
use App\Import\FileKind;
use App\Import\ImageFacts;
use App\Models\Image;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Str;

/** Takes an image in under a name of its own, or in the place of one that is there. */
final class StoreImage
{
    private const TYPES = [IMAGETYPE_PNG => 'png', IMAGETYPE_JPEG => 'jpg', IMAGETYPE_WEBP => 'webp', IMAGETYPE_GIF => 'gif', IMAGETYPE_AVIF => 'avif'];

    public function __construct(private readonly Blobs $blobs, private readonly ImageFacts $facts)
    {
    }

    /** @param  ?string  $replaces  the name of the image whose address it takes over */
    public function handle(Site $site, UploadedFile $file, ?string $replaces = null): Image
    {
        $content = (string) $file->get();
        $size = @getimagesizefromstring($content);
        $ending = self::TYPES[$size[2] ?? 0] ?? throw new Refusal('no-image', '“'.$file->getClientOriginalName().'” is no PNG, JPEG, WebP, GIF or AVIF image. Nothing was stored.');
        $before = $replaces === null ? null : ($site->images()->where('name', $replaces)->first() ?? throw new Refusal('no-such-image', 'The image that it should replace is gone. Put it in as a new one.', 404));
        if ($before !== null && strtolower(pathinfo($before->name, PATHINFO_EXTENSION)) !== $ending) {
            throw new Refusal('other-kind', "{$before->name} keeps its address only for an image of the same kind. Nothing was stored: put a .".pathinfo($before->name, PATHINFO_EXTENSION).' in, or put this one in as a new image.');
        }
        $name = $before->name ?? $this->freeName($site, $file->getClientOriginalName(), $ending);

        return $site->images()->updateOrCreate(['name' => $name], ['hash' => $this->blobs->put($content), 'mime' => FileKind::mime($name), 'bytes' => strlen($content), ...$this->facts->of($content, $name)]);
    }

    private function freeName(Site $site, string $original, string $ending): string
    {
        $stem = Str::limit(Str::slug(pathinfo($original, PATHINFO_FILENAME)) ?: 'image', 60, '');
        $taken = $site->images()->pluck('name')->all();
        for ($n = 1; ; $n++) {
            $name = $stem.($n === 1 ? '' : "-$n").".$ending";
            if (! in_array($name, $taken, true)) {
                return $name;
            }
        }
    }
}
