<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** What is wrong with a selector, in words, and the byte offset where. */
final class InvalidSelector extends \DomainException
{
    public function __construct(string $message, public readonly int $offset)
    {
        parent::__construct($message);
    }
}
