<?php

declare(strict_types=1);

namespace App\Engine;

use Insignum\Advice\DeclarationAdvice;
use Insignum\Advice\OverrideAdvice;
use Insignum\Advice\SelectorAdvice;
use Insignum\Aim\WinCheck;
use Insignum\Effect\Account;
use Insignum\Effect\SeenChange;
use Insignum\Effect\SitePage;
use Insignum\Effect\Survey;
use Insignum\Effect\Viewing;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Sheet\Override;
use Insignum\Sheet\Sheet;
use Insignum\Style\Condition;
use Insignum\Syntax\Finding;

/** Everything that the whole sheet changes on the site, page by page, so that it can be shown as it is worked out. */
final class AccountReport
{
    /** So many changes are listed for each page; the counts are of all. */
    private const LISTED = 60;

    public function __construct(private readonly SiteEngine $engine, private readonly Sheet $sheet)
    {
    }

    /** @return array<string, mixed> the overrides with what each reaches and loses, and the pages to ask for */
    public function overview(): array
    {
        return [
            'pages' => array_keys($this->engine->pages()),
            'viewings' => array_map(static fn (Viewing $v): string => $v->label(), Account::viewings($this->sheet)),
            'overrides' => array_map($this->override(...), $this->sheet->active()),
        ];
    }

    /**
     * What changes on one page.
     *
     * @param  ?list<Viewing>  $viewings  null for the least that shows each override once
     * @return array<string, mixed>
     */
    public function page(string $path, ?array $viewings = null): array
    {
        $site = fn (Condition $condition): array => array_values(array_filter($this->engine->site($condition), static fn (SitePage $s): bool => $s->path === $path));
        $account = new Account($site, $this->engine->library, $this->engine->declarations->table, $this->sheet);
        $seen = $account->of($viewings ?? Account::viewings($this->sheet));
        $page = $this->engine->pages()[$path];
        $counts = ['meant' => [], 'accepted' => [], 'spill' => []];
        $changes = [];
        foreach ($seen as $change) {
            $kind = $change->change->meant ? 'meant' : ($change->isAccepted ? 'accepted' : 'spill');
            $counts[$kind]["{$change->change->element} {$change->change->pseudo}"] = true;
            $changes[] = ['kind' => $kind, ...$this->change($change, $page)];
        }
        usort($changes, static fn (array $a, array $b): int => (int) ($b['kind'] === 'spill') <=> (int) ($a['kind'] === 'spill'));

        return ['page' => $path, 'counts' => array_map(count(...), $counts), 'changes' => array_slice($changes, 0, self::LISTED), 'total' => count($changes)];
    }

    /** @return array<string, mixed> */
    private function change(SeenChange $seen, \Insignum\Page\Page $page): array
    {
        $change = $seen->change;

        return [
            'path' => $page->path($change->element),
            'label' => ElementReport::label($page, $change->element).($change->pseudo === null ? '' : "::{$change->pseudo}"),
            'excerpt' => $page->excerpt($change->element, 40),
            'cause' => $change->cause->value,
            'by' => $seen->override,
            'viewings' => array_map(static fn (Viewing $v): string => $v->label(), $seen->viewings),
            'properties' => $change->properties,
        ];
    }

    /** @return array<string, mixed> */
    private function override(Override $override): array
    {
        $condition = new Condition($override->nearest(1280));
        $survey = new Survey($this->engine->site($condition), $this->engine->library, $this->engine->declarations->table);
        $findings = (new DeclarationAdvice($this->engine->declarations))->onOverride($override);
        try {
            $result = $survey->of($override, $this->sheet);
        } catch (InvalidSelector $error) {
            return ['id' => $override->id, 'selector' => $override->fullSelector(), 'note' => $override->note, 'reached' => 0, 'pages' => 0, 'losses' => [], 'lost' => 0, 'problem' => $error->getMessage(), 'findings' => self::told($findings)];
        }

        return [
            'id' => $override->id,
            'selector' => $override->fullSelector(),
            'note' => $override->note,
            'reached' => $result->reached(),
            'pages' => count(array_filter($result->reach)),
            'losses' => array_map(OverrideReport::loss(...), (new WinCheck($survey, $this->engine->declarations))->losses($override, $result)),
            'lost' => count($result->marked->lost),
            'problem' => $result->reached() > 0 ? null : (new SelectorAdvice($this->engine->pages()))->on(SelectorParser::parse($override->selector))?->message,
            'findings' => self::told($findings + (new OverrideAdvice($survey, $this->engine->declarations, $this->engine->isThere()))->on($override, $this->sheet, $result)),
        ];
    }

    /**
     * @param  array<int, Finding>  $findings
     * @return list<array{code: string, severity: string, message: string}>
     */
    private static function told(array $findings): array
    {
        ksort($findings);

        return array_values(array_map(static fn (Finding $f): array => ['code' => $f->code, 'severity' => $f->severity->value, 'message' => $f->message], $findings));
    }
}
