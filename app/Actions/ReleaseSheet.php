<?php

declare(strict_types=1);

namespace App\Actions;

use App\Destinations\Destination;
use App\Engine\Blobs;
use App\Models\Image;
use App\Models\Release;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Contracts\Cache\LockTimeoutException;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Insignum\Sheet\SheetWriter;

/** Puts a sheet live and fetches it back. A release counts as live only once the live page was seen to carry it. */
final class ReleaseSheet
{
    public function __construct(private readonly Destination $destination, private readonly Blobs $blobs)
    {
    }

    /**
     * The draft as it was seen.
     *
     * @param  bool  $overwrite  even where the live sheet isn't the one that the last release left there
     *
     * @throws Refusal
     */
    public function draft(Site $site, int $seen, bool $overwrite): Release
    {
        if ($site->revision !== $seen) {
            throw new Refusal('saved-elsewhere', 'The sheet was changed in another tab meanwhile, so this is not what you looked at. Nothing went live. Look at the difference again.', 409, ['revision' => $site->revision]);
        }
        $revision = $site->revisions()->where('number', $seen)->first() ?? throw new Refusal('empty-draft', 'There is nothing to release yet: keep an override first.');

        return $this->send($site, SheetWriter::live($site->sheet()), $revision->id, null, $overwrite);
    }

    /** An earlier release, brought back as a new one with the same sheet. */
    public function again(Site $site, Release $release, bool $overwrite): Release
    {
        return $this->send($site, $release->css, $release->revision_id, $release->number, $overwrite);
    }

    private function send(Site $site, string $css, int $revision, ?int $restoredFrom, bool $overwrite): Release
    {
        try {
            return Cache::lock("release-{$site->id}", 60)->block(1, fn (): Release => $this->sendAlone($site, $css, $revision, $restoredFrom, $overwrite));
        } catch (LockTimeoutException) {
            throw new Refusal('release-running', 'A release of this site is on its way already. Wait until it is done.', 409);
        }
    }

    private function sendAlone(Site $site, string $css, int $revision, ?int $restoredFrom, bool $overwrite): Release
    {
        $before = $site->liveRelease();
        $live = $this->destination->current($site);
        if (! $overwrite && $live->css !== ($before->css ?? '')) {
            throw new Refusal('changed-elsewhere', 'The live sheet is not what the last release left there: somebody else changed it. Nothing was overwritten. Look at what is there now, then decide.', 409, ['live' => mb_substr($live->css, 0, 20_000)]);
        }
        $release = $site->releases()->create([
            'revision_id' => $revision,
            'number' => (int) $site->releases()->max('number') + 1,
            'css' => $css,
            'hash' => hash('sha256', $css),
            'state' => Release::SENDING,
            'restored_from' => $restoredFrom,
        ]);
        try {
            $this->sendImages($site, $css);
            $this->destination->put($site, $css, $live->etag);
            $proof = $this->destination->prove($site, $css);
        } catch (Refusal $refusal) {
            $release->update(['state' => Release::FAILED, 'proof' => ['message' => $refusal->getMessage()]]);
            throw $refusal;
        }
        if (! $proof->same) {
            $release->update(['state' => Release::FAILED, 'proof' => $proof->toArray()]);
            throw new Refusal('not-proven', "The host took the sheet, but the live page at {$proof->page} does not carry it. Release {$release->number} is kept here as not proven. A cache between may need clearing; then release again.", 502);
        }
        DB::transaction(static function () use ($site, $release, $proof): void {
            $site->releases()->where('state', Release::LIVE)->update(['state' => Release::REPLACED]);
            $release->update(['state' => Release::LIVE, 'proof' => $proof->toArray()]);
        });

        return $release;
    }

    /** The images that the sheet uses go first, so that no visitor sees it without them. */
    private function sendImages(Site $site, string $css): void
    {
        foreach ($site->images()->whereIn('name', Image::usedIn($css))->get() as $image) {
            if ($image->sent_hash !== $image->hash) {
                $this->destination->putImage($site, $image->name, $this->blobs->get($image->hash), $image->mime);
                $image->update(['sent_hash' => $image->hash]);
            }
        }
    }
}
