<?php

declare(strict_types=1);

namespace Tests;

use PHPat\Selector\Selector;
use PHPat\Test\Builder\Rule;
use PHPat\Test\PHPat;

/** Which rooms may look into which: run by PHPStan. */
final class Architecture
{
    /** From the top of the core to its ground: a room may use those after it and none before. */
    private const FLOORS = ['Advice', 'Aim', 'Effect', 'Sheet', 'Style', 'Selector', 'Page', 'Colour', 'Value', 'Syntax'];

    public function test_the_core_knows_no_framework(): Rule
    {
        return PHPat::rule()
            ->classes(Selector::inNamespace('Insignum'))
            ->shouldNotDependOn()
            ->classes(Selector::inNamespace('App'), Selector::inNamespace('Illuminate'), Selector::inNamespace('Inertia'), Selector::inNamespace('Symfony'));
    }

    /** @return iterable<Rule> */
    public function test_arrows_in_the_core_run_down(): iterable
    {
        foreach (self::FLOORS as $i => $floor) {
            if ($i > 0) {
                yield PHPat::rule()
                    ->classes(Selector::inNamespace("Insignum\\$floor"))
                    ->shouldNotDependOn()
                    ->classes(...array_map(static fn (string $above) => Selector::inNamespace("Insignum\\$above"), array_slice(self::FLOORS, 0, $i)));
            }
        }
    }
}
