<?php

declare(strict_types=1);

namespace App\Engine;

use Insignum\Aim\Aimer;
use Insignum\Aim\Census;
use Insignum\Aim\Fit;
use Insignum\Aim\Opposition;
use Insignum\Aim\Scope;
use Insignum\Effect\MarkedElements;
use Insignum\Effect\SitePage;
use Insignum\Selector\Matcher;
use Insignum\Selector\SelectorParser;
use Insignum\Selector\Specificity;
use Insignum\Selector\Wear;
use Insignum\Sheet\Mark;
use Insignum\Style\Condition;

/** Selectors from marks, and what any selector takes, as plain data for the front end. */
final class AimReport
{
    public function __construct(private readonly SiteEngine $engine, private readonly string $scope = '')
    {
    }

    /**
     * @param  list<Mark>  $marks
     * @param  list<Wear>  $worn
     * @param  list<string>  $properties  what is to be changed, as far as that is known
     * @return array<string, mixed>
     */
    public function of(array $marks, Condition $condition, array $worn = [], array $properties = []): array
    {
        $sites = $this->engine->site($condition, $worn);
        $marked = MarkedElements::of($sites, $marks);
        $told = MarkReport::of($this->engine->pages(), $marks);
        if (array_filter($marked->meant) === []) {
            return ['fits' => [], 'confusion' => null, 'marks' => $told];
        }
        $pages = array_column(array_map(static fn (SitePage $s): array => [$s->path, $s->page], $sites), 1, 0);
        $scope = new Scope($this->scope, $pages);
        $opposition = Opposition::on($sites, $marked->meant, array_values(array_unique(array_merge(...array_map($this->engine->declarations->targets(...), $properties)))));
        $prefix = $this->scope === '' ? new Specificity : SelectorParser::parse($this->scope)->highest();
        $wins = static fn (string $selector): bool => $opposition->yields(SelectorParser::parse($selector)->highest()->plus($prefix));
        $aimed = (new Aimer(new Census($pages), $this->engine->earlier()))->of($marked->meant, $marked->kept, $opposition->isAny() ? $wins : null);

        return [
            'fits' => array_map(static fn (Fit $fit): array => [
                'selector' => $scope->before($fit->selector),
                'specificity' => SelectorParser::parse($scope->before($fit->selector))->highest()->toList(),
                'total' => $fit->count(),
                'pages' => array_map(count(...), $fit->reach),
                'others' => $fit->others,
                'fits' => $fit->fits(),
                'exact' => $fit->isExact(),
                'reasons' => [...$fit->reasons, ...($wins($fit->selector) ? [] : [$opposition->reason()])],
            ], $aimed->fits),
            'confusion' => $aimed->confusion,
            'marks' => $told,
        ];
    }

    /**
     * Where a selector lands, before it is chosen.
     *
     * @param  list<Wear>  $worn
     * @return list<array<string, mixed>>
     */
    public function reach(string $selector, Condition $condition, array $worn = []): array
    {
        $list = SelectorParser::parse($selector);
        $pages = [];
        foreach ($this->engine->site($condition, $worn) as $site) {
            $pages[] = OverrideReport::marksOn($site->path, $site->page, (new Matcher($site->page))->selectAny($list), []);
        }

        return $pages;
    }
}
