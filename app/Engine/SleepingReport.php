<?php

declare(strict_types=1);

namespace App\Engine;

use Insignum\Aim\SleepingState;
use Insignum\Page\Page;
use Insignum\Selector\Wear;
use Insignum\Style\SheetRule;
use Insignum\Syntax\Declaration;

/** Sleeping states as plain data for the front end. */
final class SleepingReport
{
    /** So many rules are told of each. */
    private const TOLD = 4;

    /** @return array<string, mixed> */
    public static function state(SleepingState $state): array
    {
        return [
            'on' => $state->wear->on,
            'part' => $state->wear->part,
            'pages' => array_map(count(...), $state->hosts),
            'rules' => count($state->rules),
            'first' => array_map(static fn (SheetRule $rule): array => [
                'selector' => $rule->selector->text,
                'file' => ltrim($rule->sheet->path, '/'),
                'line' => $rule->position()->line,
                'changes' => array_map(static fn (Declaration $d): string => "{$d->name}: {$d->value}", array_slice($rule->rule->declarations(), 0, self::TOLD)),
            ], array_slice($state->rules, 0, self::TOLD)),
        ];
    }

    /**
     * The states that an element or what it is in could wear, the nearest first.
     *
     * @param  list<array<string, mixed>>  $states
     * @return list<array<string, mixed>> each with who would wear it
     */
    public static function around(array $states, Page $page, int $element): array
    {
        $line = array_reverse($page->line($element));
        $found = [];
        foreach ($states as $state) {
            $hosts = (new Wear((string) $state['on'], (string) $state['part']))->hosts($page);
            $near = array_intersect($line, $hosts);
            if ($near !== []) {
                $host = reset($near);
                $found[(int) key($near)][] = [...$state, 'host' => ['path' => $page->path($host), 'label' => ElementReport::label($page, $host)], 'isOwn' => $host === $element];
            }
        }
        ksort($found);

        return array_merge(...array_values($found));
    }
}
