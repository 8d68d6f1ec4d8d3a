<?php

declare(strict_types=1);

namespace App\Engine;

use App\Support\Refusal;
use Insignum\Aim\Candidate;
use Insignum\Aim\CandidateFinder;
use Insignum\Aim\ThemeHit;
use Insignum\Aim\ThemeSearch;
use Insignum\Page\Page;
use Insignum\Selector\Matcher;
use Insignum\Selector\States;
use Insignum\Style\MediaList;
use Insignum\Syntax\Declaration;

/** The theme's own rules, looked up, as plain data for the front end. */
final class ThemeReport
{
    /** So many rules are told; the count is of all. */
    private const TOLD = 60;

    /** @var array<int, Matcher> */
    private array $matchers = [];

    public function __construct(private readonly SiteEngine $engine, private readonly string $scope = '')
    {
    }

    /** @return array{total: int, rules: list<array<string, mixed>>} */
    public function search(string $query): array
    {
        $hits = $this->engine->search()->find($query);

        return ['total' => count($hits), 'rules' => array_map($this->rule(...), array_slice($hits, 0, self::TOLD))];
    }

    /**
     * Who else uses a custom property, and the regions around an element in which it could be given another value.
     *
     * @return array<string, mixed>
     */
    public function variable(string $name, string $path, string $elementPath): array
    {
        $hits = $this->engine->search()->using($name);
        $page = $this->engine->pages()[$path] ?? null;
        $element = $page?->at($elementPath);
        if ($page === null || $element === null) {
            throw new Refusal('no-element', 'There is no such element on this page any more. Point at it again.', 404);
        }
        $regions = [];
        foreach (array_reverse(array_slice($page->line($element), 2)) as $at) {
            foreach ((new CandidateFinder($this->engine->pages(), $this->scope))->find($path, $at) as $candidate) {
                if ($candidate->kind === 'kind' && $page->classes[$at] !== []) {
                    $regions[$candidate->selector] ??= $this->region($candidate);
                }
            }
        }

        return ['name' => $name, 'total' => count($hits), 'users' => array_map($this->rule(...), array_slice($hits, 0, self::TOLD)), 'regions' => array_slice(array_values($regions), 0, 6)];
    }

    /** @return array<string, mixed> */
    private function region(Candidate $candidate): array
    {
        return ['selector' => $candidate->selector, 'words' => $candidate->words, 'total' => $candidate->count(), 'pages' => count(array_filter($candidate->reach))];
    }

    /** @return array<string, mixed> */
    private function rule(ThemeHit $hit): array
    {
        $rule = $hit->rule->rule;
        $reach = array_map(fn (Page $page): int => count(($this->matchers[spl_object_id($page)] ??= new Matcher($page, States::any()))->selectAny($rule->selectors)), $this->engine->pages());
        $override = ThemeSearch::override($rule);

        return [
            'selector' => (string) $rule->selectors,
            'file' => ltrim($hit->rule->sheet->path, '/'),
            'line' => $hit->rule->position()->line,
            'conditions' => array_map(static fn (MediaList $m): string => "@media {$m->text}", $rule->media),
            'declarations' => array_map(static fn (Declaration $d): array => ['text' => "{$d->name}: {$d->value}".($d->important ? ' !important' : ''), 'found' => in_array($d, $hit->declarations, true)], $rule->declarations()),
            'total' => array_sum($reach),
            'pages' => count(array_filter($reach)),
            'distance' => $hit->distance === null ? null : round($hit->distance, 3),
            'override' => $override === null ? null : OverrideReport::fields($override),
        ];
    }
}
