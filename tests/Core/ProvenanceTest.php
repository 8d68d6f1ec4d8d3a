<?php

declare(strict_types=1);

namespace Tests\Core;

use Insignum\Style\CascadeOrder;
use Insignum\Style\Contender;
use Insignum\Style\Provenance;
use Insignum\Style\VariableSource;
use PHPUnit\Framework\TestCase;

final class ProvenanceTest extends TestCase
{
    private function of(string $body, string $css, string $property, bool $inherits = true, ?string $pseudo = null): Provenance
    {
        $styles = SiteFixture::one($body, $css)->styles();

        return Provenance::of($styles, $styles->page->byId['x'][0], $property, $inherits, $pseudo);
    }

    public function test_contenders_stand_in_order_with_what_decided(): void
    {
        $found = $this->of('<p id="x" class="a" style="color: teal">x</p>', 'p { color: red } .a { color: blue } #x { color: green !important } @layer l { #x { color: lime } }', 'color');

        self::assertSame(['green', 'teal', 'blue', 'red', 'lime'], array_map(static fn (Contender $c): string => $c->setting->declaration->value, $found->contenders));
        self::assertSame(['importance', 'inline', 'specificity', 'layer'], array_map(
            static fn (int $i): string => CascadeOrder::decider($found->contenders[$i]->key, $found->contenders[$i + 1]->key),
            [0, 1, 2, 3],
        ));
    }

    public function test_what_is_inherited_says_from_where(): void
    {
        $found = $this->of('<div class="out"><div><b id="x">x</b></div></div>', '.out { color: red }', 'color');

        self::assertSame('.out', $found->contenders[0]->entry?->selector->text);
        self::assertNotNull($found->inheritedFrom);
        self::assertSame([], $this->of('<div class="out"><b id="x">x</b></div>', '.out { opacity: 0.5 }', 'opacity', false)->contenders);
    }

    public function test_custom_properties_are_followed_to_where_they_are_set(): void
    {
        $found = $this->of('<div class="night"><p id="x">x</p></div>', ':root { --ink: black; --text: var(--ink) } .night { --ink: white } p { color: var(--text, var(--other)) }', 'color');

        self::assertSame(['--text', '--ink'], array_map(static fn (VariableSource $v): string => $v->name, $found->variables));
        self::assertSame([':root', ':root'], array_map(static fn (VariableSource $v): ?string => $v->setBy->entry?->selector->text, $found->variables));
        $near = $this->of('<div class="night"><p id="x">x</p></div>', ':root { --ink: black } .night { --ink: white } p { color: var(--ink) }', 'color');
        self::assertSame(['.night', 'white'], [$near->variables[0]->setBy->entry?->selector->text, $near->variables[0]->value]);
    }

    public function test_pseudo_elements_have_their_own(): void
    {
        $css = 'p { color: red } p::before { content: ""; background-color: blue }';

        self::assertSame('blue', $this->of('<p id="x">x</p>', $css, 'background-color', false, 'before')->contenders[0]->setting->declaration->value);
        self::assertSame('red', $this->of('<p id="x">x</p>', $css, 'color', true, 'before')->contenders[0]->setting->declaration->value);
    }

    public function test_a_container_query_that_would_win_makes_it_depend_on_layout(): void
    {
        $css = '@container (min-width: 40em) { .a { color: red } p { opacity: 0.5 } } p { color: blue } .a { opacity: 1 }';

        self::assertTrue($this->of('<p id="x" class="a">x</p>', $css, 'color')->dependsOnLayout());
        self::assertFalse($this->of('<p id="x" class="a">x</p>', $css, 'opacity', false)->dependsOnLayout());
        self::assertFalse($this->of('<p id="x">x</p>', $css, 'color')->dependsOnLayout());
    }
}
