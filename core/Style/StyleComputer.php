<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Colour\Colour;
use Insignum\Style\Value\Context;
use Insignum\Style\Value\FontSize;
use Insignum\Style\Value\Specified;
use Insignum\Style\Value\Tint;
use Insignum\Value\Units;

/** From the winners of the cascade to computed values: Cascade 5, section 4. */
final class StyleComputer
{
    private const BLOCK = [
        'inline' => 'block', 'inline-block' => 'block', 'inline-flex' => 'flex', 'inline-grid' => 'grid', 'inline-table' => 'table', 'ruby-text' => 'block',
        'table-row-group' => 'block', 'table-header-group' => 'block', 'table-footer-group' => 'block', 'table-row' => 'block', 'table-cell' => 'block',
        'table-column-group' => 'block', 'table-column' => 'block', 'table-caption' => 'block', '-webkit-inline-box' => '-webkit-box', 'ruby' => 'block ruby', 'math' => 'block math',
    ];

    /** In ruby all is inline: Ruby 1, 2.3. */
    private const INLINE = [
        'block' => 'inline-block', 'flow-root' => 'inline-block', 'flex' => 'inline-flex', 'grid' => 'inline-grid', 'table' => 'inline-table', 'list-item' => 'inline list-item',
        'block math' => 'inline-block', 'block ruby' => 'ruby', '-webkit-box' => '-webkit-inline-box',
    ];

    /** What monospace text is scaled by where its size isn't absolute, as browsers' default sizes are 16px and 13px. */
    private const MONOSPACE = 13 / 16;

    /** @var array<string, Property> */
    private readonly array $properties;

    public readonly Style $initial;

    /** @var array<string, string> what is carried, by how it is written */
    private array $texts = [];

    private float $rootSize = 16.0;

    private float $rootLine = 19.2;

    /** @param  array<string, RegisteredProperty>  $registered */
    public function __construct(private readonly Declarations $declarations, private readonly Condition $condition, private readonly array $registered)
    {
        $this->properties = $declarations->table->all();
        $this->initial = new Style($declarations->initialValues(), [], 16.0, Colour::black(), false);
    }

    /**
     * @param  array<string, array{Setting, ?Entry}>  $winners
     * @param  ?Style  $parent  null for the root
     * @param  callable(string): ?Contender  $rollback  for `revert`
     */
    public function compute(array $winners, ?Style $parent, callable $rollback, string $pagePath, Slot $slot = Slot::None, Boxing $boxing = Boxing::Plain): Style
    {
        $from = $parent ?? $this->initial;
        $variables = new Variables($this->customSettings($winners), $from->custom, $this->registered);
        $hasCustom = false;
        $specified = [];
        $carried = $from->carried === [] ? [] : array_intersect_key($from->carried, PropertyTable::CARRIED_DOWN);
        foreach ($winners as $name => [$setting, $entry]) {
            if (str_starts_with($name, '--')) {
                $hasCustom = true;
            } elseif (isset($this->properties[$name])) {
                $specified[$name] = $this->specified($name, $setting, $rollback, $variables);
            } else {
                $text = $this->carried($name, $setting, $rollback, $variables, $from);
                if ($text === '') {
                    unset($carried[$name]);
                } else {
                    $carried[$name] = $text;
                }
            }
        }
        $values = $from->handedDown($this->initial->values, $this->properties);
        // `inherit` takes from the slot where there is one, which has what it got from the parent and no more.
        $source = $slot === Slot::None ? $from : $from->throughSlot($values);
        [$fontSize, $absolute] = $this->fontSize($specified, $from);
        $dark = $this->isDark($specified['color-scheme'] ?? null, $from);
        $colour = ($specified['color'] ?? null) instanceof Tint ? $specified['color']->colour->resolve($from->colour, $dark) : match ($specified['color'] ?? WideKeyword::Unset) {
            WideKeyword::Initial => $dark ? Colour::white() : Colour::black(),
            default => $from->colour,
        };
        if ($parent === null) {
            $this->rootSize = $fontSize;
        }
        $lineContext = new Context($this->units($fontSize), $colour, $dark, $from->values);
        $line = $this->value('line-height', $specified['line-height'] ?? WideKeyword::Unset, $lineContext, $from);
        if ($parent === null) {
            $this->rootLine = $this->linePixels($line, $fontSize);
        }
        $units = $this->units($fontSize, $this->linePixels($line, $fontSize));
        foreach ($specified as $name => $value) {
            $entry = $winners[$name][1];
            $values[$name] = $this->value($name, $value, new Context($units, $colour, $dark, $from->values, $entry === null ? $pagePath : $entry->sheet->path), $source);
        }
        $values['font-size'] = \Insignum\Value\Number::format($fontSize).'px';
        $values['line-height'] = $line;
        $values['color'] = (string) $colour;

        if ($boxing === Boxing::Whole && $values['display'] === 'contents') {
            $values['display'] = 'none';
        } elseif ($boxing === Boxing::Block) {
            $values['display'] = self::BLOCK[$values['display']] ?? $values['display'];
        }

        return new Style($this->adjusted($values, $parent, $slot), $hasCustom || $this->registered !== [] ? $variables->all() : $from->custom, $fontSize, $colour, $dark, $absolute, $carried);
    }

    /** Takes what rem and rlh stand for from a root that was computed before. */
    public function startFrom(Style $root): void
    {
        $this->rootSize = $root->fontSize;
        $this->rootLine = $this->linePixels($root->values['line-height'], $root->fontSize);
    }

    private function units(float $fontSize, ?float $line = null): Units
    {
        return new Units((float) $this->condition->width, (float) $this->condition->height, $fontSize, $this->rootSize, $line ?? $fontSize * 1.2, $this->rootLine);
    }

    /**
     * @param  array<string, array{Setting, ?Entry}>  $winners
     * @return array<string, string>
     */
    private function customSettings(array $winners): array
    {
        $own = [];
        foreach ($winners as $name => [$setting]) {
            if (! str_starts_with($name, '--')) {
                continue;
            }
            if (is_string($setting->value)) {
                $own[$name] = $setting->value;
            } elseif ($setting->value === WideKeyword::Initial) {
                $own[$name] = 'var(--)';
            }
        }

        return $own;
    }

    /**
     * The text of a property that has no computed value here; empty for the initial one.
     *
     * @param  callable(string): ?Contender  $rollback
     */
    private function carried(string $name, Setting $setting, callable $rollback, Variables $variables, Style $from): string
    {
        $value = $setting->value;
        if ($value === WideKeyword::Revert || $value === WideKeyword::RevertLayer) {
            $value = $rollback($name)?->setting->value ?? WideKeyword::Unset;
        }
        if ($value instanceof Pending) {
            $text = trim((string) $variables->substitute($value->text));
            $value = $text === '' ? WideKeyword::Unset : WideKeyword::tryFrom(strtolower($text)) ?? $text;
        }
        if ($value instanceof WideKeyword) {
            $inherits = $value === WideKeyword::Inherit || ($value !== WideKeyword::Initial && isset(PropertyTable::CARRIED_DOWN[$name]));

            return $inherits ? $from->carried[$name] ?? '' : '';
        }
        $text = is_string($value) ? $value : $setting->declaration->value;

        return $this->texts[$text] ??= self::tidy($text);
    }

    /** Written alike where it means the same: white space by one space, and names in lower case where nothing else stands beside them. */
    private static function tidy(string $text): string
    {
        $text = trim((string) preg_replace('/\s+/', ' ', $text));

        return preg_match('/["\'(]/', $text) === 1 ? $text : strtolower($text);
    }

    /** @param  callable(string): ?Contender  $rollback */
    private function specified(string $name, Setting $setting, callable $rollback, Variables $variables): Specified|WideKeyword
    {
        $value = $setting->value;
        if ($value === WideKeyword::Revert || $value === WideKeyword::RevertLayer) {
            $value = $rollback($name)?->setting->value ?? WideKeyword::Unset;
        }
        if ($value instanceof Pending) {
            $text = $variables->substitute($value->text);
            $wide = $text === null ? WideKeyword::Unset : WideKeyword::tryFrom(strtolower(trim($text)));

            return $wide ?? $this->declarations->specified($value->name, trim((string) $text))[$setting->property] ?? WideKeyword::Unset;
        }

        return is_string($value) ? WideKeyword::Unset : $value;
    }

    private function value(string $name, Specified|WideKeyword $value, Context $context, Style $from): string
    {
        if ($value instanceof Specified) {
            return $value->compute($context);
        }
        $inherits = $value === WideKeyword::Inherit || ($value !== WideKeyword::Initial && $this->properties[$name]->inherited);

        return $inherits ? $from->values[$name] : $this->initial->values[$name];
    }

    /**
     * @param  array<string, Specified|WideKeyword>  $specified
     * @return array{float, bool} px, and whether it came from an absolute length
     */
    private function fontSize(array $specified, Style $from): array
    {
        $value = $specified['font-size'] ?? WideKeyword::Unset;
        $context = new Context($this->units($from->fontSize), $from->colour, $from->dark, $from->values);
        [$size, $absolute] = match (true) {
            $value instanceof FontSize => [$value->pixels($context), $value->isAbsolute() || ($from->absoluteSize && $value->isRelativeToParent())],
            $value === WideKeyword::Initial => [16.0, false],
            default => [$from->fontSize, $from->absoluteSize],
        };
        $isMonospace = isset($specified['font-family']) ? $this->value('font-family', $specified['font-family'], $context, $from) === 'monospace' : $from->values['font-family'] === 'monospace';
        $wasMonospace = $from->values['font-family'] === 'monospace';
        if (! $absolute && $isMonospace !== $wasMonospace) {
            $size = $isMonospace ? $size * self::MONOSPACE : $size / self::MONOSPACE;
        }

        return [$size, $absolute];
    }

    private function isDark(Specified|WideKeyword|null $scheme, Style $from): bool
    {
        if (! $scheme instanceof Specified) {
            return $scheme === WideKeyword::Initial ? false : $from->dark;
        }
        $words = explode(' ', $scheme->compute(new Context(new Units, Colour::black(), false, [])));

        // The viewing condition is light: dark only where the element says it can't be light.
        return in_array('dark', $words, true) && ! in_array('light', $words, true);
    }

    private function linePixels(string $line, float $fontSize): float
    {
        return $line === 'normal' ? $fontSize * 1.2 : (str_ends_with($line, 'px') ? (float) $line : (float) $line * $fontSize);
    }

    /**
     * What depends on other properties of the element or its parent: the edges of controls that draw themselves, border
     * widths without a style, block-level boxes.
     *
     * @param  array<string, string>  $values
     * @return array<string, string>
     */
    private function adjusted(array $values, ?Style $parent, Slot $slot): array
    {
        if ($values['appearance'] !== 'none') {
            $values = $this->controlled($values);
        }
        if ($values['-webkit-line-clamp'] !== 'none' && in_array($values['-webkit-box-orient'], ['vertical', 'block-axis'], true)) {
            $values['display'] = ['-webkit-box' => 'flow-root', '-webkit-inline-box' => 'inline-block'][$values['display']] ?? $values['display'];
        }
        foreach (['border-top', 'border-right', 'border-bottom', 'border-left', 'outline'] as $edge) {
            if ($values["$edge-style"] === 'none' || $values["$edge-style"] === 'hidden') {
                $values["$edge-width"] = '0px';
            }
        }
        $isOut = in_array($values['position'], ['absolute', 'fixed'], true);
        if ($isOut) {
            $values['float'] = 'none';
        }
        $parentDisplay = $slot === Slot::Box ? 'block' : $parent?->values['display'];
        $isItem = in_array($parentDisplay, ['flex', 'inline-flex', 'grid', 'inline-grid'], true);
        if ($isOut || $values['float'] !== 'none' || $isItem || $parent === null) {
            $values['display'] = self::BLOCK[$values['display']] ?? $values['display'];
        }
        if (! $isOut && in_array($parentDisplay, ['ruby', 'block ruby', 'ruby-text'], true)) {
            $values['display'] = self::INLINE[$values['display']] ?? $values['display'];
        }

        return $values;
    }

    /**
     * CSS UI 4, 7.2, as browsers do it: a control is a block or an inline block, and checkboxes and radio buttons have no
     * border of the author's.
     *
     * @param  array<string, string>  $values
     * @return array<string, string>
     */
    private function controlled(array $values): array
    {
        $display = $values['display'];
        if ($display === 'inline' || (str_contains($display, 'table') && $display !== 'table')) {
            $values['display'] = 'inline-block';
        } elseif ($display === 'list-item' || $display === 'table') {
            $values['display'] = 'block';
        }
        $radius = [PropertyTable::CHECKBOX => '0px', PropertyTable::RADIO => '50%'][$values['appearance']] ?? null;
        if ($radius === null) {
            return $values;
        }
        foreach (['top', 'right', 'bottom', 'left'] as $side) {
            $values["border-$side-style"] = 'none';
            $values["border-$side-color"] = 'currentcolor';
        }
        foreach (['top-left', 'top-right', 'bottom-right', 'bottom-left'] as $corner) {
            $values["border-$corner-radius"] = $radius;
        }

        return [...$values, 'appearance' => 'auto'];
    }
}
