<?php

declare(strict_types=1);

namespace App\Destinations;

use App\Models\Site;
use App\Support\Refusal;

/** Where a released sheet goes, and where it can be fetched back from to prove that it is there. */
interface Destination
{
    /**
     * The sheet that is live now.
     *
     * @throws Refusal
     */
    public function current(Site $site): LiveSheet;

    /**
     * Puts a sheet in the place of the one with the given tag.
     *
     * @throws Refusal where somebody else was first, or the host is down or refuses
     */
    public function put(Site $site, string $css, string $etag): LiveSheet;

    /**
     * Puts an image under its name, in the place of what is there.
     *
     * @throws Refusal
     */
    public function putImage(Site $site, string $name, string $content, string $mime): void;

    /**
     * Fetches a live page and the sheet that it links, as a visitor's browser would.
     *
     * @throws Refusal
     */
    public function prove(Site $site, string $css): Proof;
}
