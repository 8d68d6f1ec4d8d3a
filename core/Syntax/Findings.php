<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Where parsers report to: author input never throws. */
final class Findings
{
    /** @var list<Finding> */
    private array $all = [];

    public function add(Finding $finding): void
    {
        $this->all[] = $finding;
    }

    public function error(string $code, string $message, int $start, int $end, ?string $fix = null): void
    {
        $this->add(new Finding($code, Severity::Error, $message, $start, $end, $fix));
    }

    /** @return list<Finding> */
    public function all(): array
    {
        return $this->all;
    }
}
