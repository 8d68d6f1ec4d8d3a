<?php

declare(strict_types=1);

namespace App\Engine;

use App\Models\Snapshot;

/**
 * Addresses under which a snapshot's files are shown in the sandboxed frame, which sends no cookies: the snapshot's number and
 * an end of life, signed. They stay the same for half their life, so that browsers can keep what they fetched.
 */
final class PreviewAddress
{
    public static function base(Snapshot $snapshot): string
    {
        $half = intdiv(config()->integer('insignum.preview_lifetime'), 2);
        $until = (intdiv((int) now()->timestamp, $half) + 2) * $half;

        return url("/preview/{$snapshot->id}-{$until}-".self::signature($snapshot->id, $until));
    }

    /** The snapshot that a token is for; null where it is forged or too old. */
    public static function snapshot(string $token): ?Snapshot
    {
        if (! preg_match('/\A(\d{1,12})-(\d{1,12})-([0-9a-f]{40})\z/', $token, $m) || (int) $m[2] < now()->timestamp) {
            return null;
        }

        return hash_equals(self::signature((int) $m[1], (int) $m[2]), $m[3]) ? Snapshot::query()->find((int) $m[1]) : null;
    }

    private static function signature(int $snapshot, int $until): string
    {
        return substr(hash_hmac('sha256', "preview|$snapshot|$until", config()->string('app.key')), 0, 40);
    }
}
