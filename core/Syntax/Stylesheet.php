<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** A parsed sheet. `source` is preprocessed: every offset in the nodes counts its bytes. */
final readonly class Stylesheet
{
    /**
     * @param  list<Node>  $children
     * @param  list<Finding>  $findings
     */
    public function __construct(public string $source, public array $children, public array $findings)
    {
    }

    public function position(int $offset): Position
    {
        return Position::of($this->source, $offset);
    }
}
