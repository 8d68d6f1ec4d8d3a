<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\ComplexSelector;
use Insignum\Syntax\Position;

/** A rule of a stylesheet by one of its selectors, apart from any page. */
final readonly class SheetRule
{
    public function __construct(public CompiledSheet $sheet, public StyleRule $rule, public ComplexSelector $selector)
    {
    }

    public function position(): Position
    {
        return $this->sheet->position($this->rule->offset);
    }

    /**
     * @param  iterable<CompiledSheet>  $sheets
     * @return iterable<self> in source order, one for each selector
     */
    public static function all(iterable $sheets): iterable
    {
        foreach ($sheets as $sheet) {
            foreach ($sheet->rules() as $rule) {
                foreach ($rule->selectors->selectors as $selector) {
                    yield new self($sheet, $rule, $selector);
                }
            }
        }
    }
}
