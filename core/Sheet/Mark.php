<?php

declare(strict_types=1);

namespace Insignum\Sheet;

/** One element that an example is made of: where it stood, and by what it is found again when the page was changed. */
final readonly class Mark
{
    /** Change these too; leave these alone; a change of these that was not meant, and is all right. */
    public const KINDS = ['meant', 'kept', 'accepted'];

    /**
     * @param  string  $page  path of the page
     * @param  string  $path  child indexes from `html`, as Page::path() writes them
     * @param  string  $print  Fingerprint of the element; empty where none was taken
     */
    public function __construct(public string $kind, public string $page, public string $path, public string $print = '', public string $note = '')
    {
    }
}
