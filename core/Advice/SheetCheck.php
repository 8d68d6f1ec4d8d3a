<?php

declare(strict_types=1);

namespace Insignum\Advice;

use Insignum\Page\Page;
use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorParser;
use Insignum\Style\CascadeOrder;
use Insignum\Style\CompiledSheet;
use Insignum\Style\Contender;
use Insignum\Style\Declarations;
use Insignum\Style\PageStyles;
use Insignum\Syntax\AtRule;
use Insignum\Syntax\Declaration;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Node;
use Insignum\Syntax\Parser;
use Insignum\Syntax\Rule;
use Insignum\Syntax\Severity;

/**
 * What is wrong with a sheet: its syntax, properties and values, and where pages are given, rules that hit nothing, and
 * declarations that never win.
 */
final class SheetCheck
{
    private readonly DeclarationAdvice $advice;

    public function __construct(Declarations $declarations)
    {
        $this->advice = new DeclarationAdvice($declarations);
    }

    /**
     * @param  list<PageStyles>  $pages  with the sheet laid over the theme
     * @return list<Finding> in the order of the source
     */
    public function of(CompiledSheet $sheet, array $pages): array
    {
        $findings = $sheet->findings;
        $this->declarations(Parser::stylesheet($sheet->source)->children, false, $findings);
        if ($pages !== []) {
            array_push($findings, ...$this->dead($sheet, array_combine(array_map(static fn (PageStyles $p): string => $p->path, $pages), array_map(static fn (PageStyles $p): Page => $p->page, $pages))));
            array_push($findings, ...$this->losing($sheet, $pages));
        }
        usort($findings, static fn (Finding $a, Finding $b): int => $a->start <=> $b->start);

        return $findings;
    }

    /**
     * @param  list<Node>  $nodes
     * @param  bool  $descriptors  inside an at-rule whose declarations are no properties
     * @param  list<Finding>  $findings
     */
    private function declarations(array $nodes, bool $descriptors, array &$findings): void
    {
        $seen = [];
        foreach ($nodes as $node) {
            if ($node instanceof Rule) {
                $this->declarations($node->children(), false, $findings);
            } elseif ($node instanceof AtRule) {
                $this->declarations($node->children ?? [], in_array($node->name, ['font-face', 'property', 'counter-style', 'page', 'font-palette-values', 'view-transition', 'font-feature-values', 'position-try'], true), $findings);
            } elseif ($node instanceof Declaration && ! $descriptors) {
                $finding = $this->advice->on($node->name, $node->value, $node->start, $node->end);
                if ($finding !== null) {
                    $findings[] = $finding;
                } elseif (($seen[$node->name] ?? null) === $node->value) {
                    $findings[] = new Finding('set-twice', Severity::Notice, "{$node->name} is set to the same value twice in this rule.", $node->start, $node->end);
                }
                $seen[$node->name] = $node->value;
            }
        }
    }

    /**
     * @param  array<string, Page>  $pages
     * @return list<Finding>
     */
    private function dead(CompiledSheet $sheet, array $pages): array
    {
        $advice = new SelectorAdvice($pages);
        $found = [];
        foreach ($sheet->rules() as $rule) {
            try {
                $finding = $advice->on(SelectorParser::parse((string) $rule->selectors));
            } catch (InvalidSelector) {
                continue;
            }
            if ($finding !== null) {
                $found[] = new Finding($finding->code, $finding->severity, "{$rule->selectors}: {$finding->message}", $rule->offset, $rule->offset + strlen((string) $rule->selectors), $finding->fix);
            }
        }

        return $found;
    }

    /**
     * Declarations that lose on every element that they are for.
     *
     * @param  list<PageStyles>  $pages
     * @return list<Finding>
     */
    private function losing(CompiledSheet $sheet, array $pages): array
    {
        $won = $lost = [];
        foreach ($pages as $styles) {
            foreach ($styles->matching->touched() as $element) {
                $properties = [];
                foreach ($styles->matching->entriesOf($element) as $index) {
                    $entry = $styles->set->entry($index);
                    foreach ($entry->sheet === $sheet ? $styles->cascade->settings($entry) : [] as $setting) {
                        $properties[$setting->property] = true;
                    }
                }
                foreach (array_keys($properties) as $property) {
                    $contenders = $styles->cascade->contenders($element, $property);
                    foreach ($contenders as $contender) {
                        if ($contender->entry?->sheet !== $sheet) {
                            continue;
                        }
                        $start = $contender->setting->declaration->start;
                        // A later declaration of the same rule is a fallback's successor, and no loss.
                        if ($contenders[0]->entry?->rule === $contender->entry->rule) {
                            $won[$start] = true;
                        } else {
                            $lost[$start] ??= [$contender, $contenders[0]];
                        }
                    }
                }
            }
        }

        return array_values(array_map(self::loses(...), array_diff_key($lost, $won)));
    }

    /** @param  array{Contender, Contender}  $pair the loser and the winner */
    private static function loses(array $pair): Finding
    {
        [$loser, $winner] = $pair;
        $declaration = $loser->setting->declaration;
        $by = CascadeOrder::decider($winner->key, $loser->key);
        $where = $winner->entry === null ? 'a style attribute' : "{$winner->entry->selector->text} in {$winner->entry->sheet->path}, line ".$winner->entry->sheet->position($winner->setting->declaration->start)->line;

        return new Finding('loses', Severity::Warning, "{$declaration->name} never wins here: $where beats it by $by.", $declaration->start, $declaration->end);
    }
}
