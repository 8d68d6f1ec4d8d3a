<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Override;
use App\Models\Revision;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Support\Facades\DB;
use Insignum\Sheet\Sheet;

/** The one way in which a draft changes: a new revision in one transaction, and only on top of the one that was seen. */
final class ChangeSheet
{
    /**
     * @param  int  $seen  the revision that the change was made on
     * @param  callable(Sheet): Sheet  $change
     *
     * @throws Refusal where another tab was first
     */
    public function handle(Site $site, int $seen, string $label, callable $change): Site
    {
        return DB::transaction(function () use ($site, $seen, $label, $change): Site {
            $site = $this->locked($site, $seen);
            $number = (int) $site->revisions()->max('number') + 1;
            $revision = $site->revisions()->create(['number' => $number, 'parent' => $site->revision, 'label' => mb_substr($label, 0, 200)]);
            $entries = $change($site->sheet())->entries;
            $rows = array_map(static fn ($entry, int $i): array => ['revision_id' => $revision->id, ...Override::row($entry, $i)], $entries, array_keys($entries));
            foreach (array_chunk($rows, 50) as $chunk) {
                Override::query()->insert($chunk);
            }
            $site->update(['revision' => $number]);

            return $site;
        });
    }

    public function undo(Site $site, int $seen): Site
    {
        return DB::transaction(function () use ($site, $seen): Site {
            $site = $this->locked($site, $seen);
            $current = $site->revisions()->where('number', $site->revision)->first() ?? throw new Refusal('nothing-to-undo', 'There is nothing to undo.');
            $site->update(['revision' => $current->parent]);

            return $site;
        });
    }

    public function redo(Site $site, int $seen): Site
    {
        return DB::transaction(function () use ($site, $seen): Site {
            $site = $this->locked($site, $seen);
            $next = self::next($site) ?? throw new Refusal('nothing-to-redo', 'There is nothing to redo.');
            $site->update(['revision' => $next->number]);

            return $site;
        });
    }

    /** The revision that redo would go to. */
    public static function next(Site $site): ?Revision
    {
        return $site->revisions()->where('parent', $site->revision)->orderByDesc('number')->first();
    }

    /** The transaction begins with a write and so waits for its turn: SQLite refuses one that has read before another came between. */
    private function locked(Site $site, int $seen): Site
    {
        $isOnTop = Site::query()->whereKey($site->id)->where('revision', $seen)->update(['revision' => $seen]) === 1;
        $fresh = Site::query()->whereKey($site->id)->firstOrFail();
        if (! $isOnTop) {
            throw new Refusal('saved-elsewhere', 'The sheet was changed in another tab meanwhile. Both are kept: the other change is in the sheet, and yours is still on this screen. Look at the sheet, then keep yours again.', 409, ['revision' => $fresh->revision]);
        }

        return $fresh;
    }
}
