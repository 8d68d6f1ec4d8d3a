<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Selector\InvalidSelector;
use Insignum\Selector\SelectorList;
use Insignum\Selector\SelectorParser;
use Insignum\Syntax\AtRule;
use Insignum\Syntax\Components;
use Insignum\Syntax\Declaration;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Node;
use Insignum\Syntax\Parser;
use Insignum\Syntax\PlainBlock;
use Insignum\Syntax\Rule;
use Insignum\Syntax\Severity;
use Insignum\Syntax\TokenType;

/** From the syntax tree to rules with their conditions: nesting, `@media`, `@supports`, `@layer`, `@scope`, `@container`. */
final class SheetCompiler
{
    /** @var list<StyleRule|ImportRule|LayerName> */
    private array $items = [];

    /** @var array<string, RegisteredProperty> */
    private array $registered = [];

    /** @var list<Finding> */
    private array $findings = [];

    /** @var array<string, string> by prefix */
    private array $namespaces = [];

    /** @var array<string, MediaList> by what is written: each is answered once */
    private array $media = [];

    private int $anonymous = 0;

    private readonly SupportsCondition $supports;

    public function __construct(Declarations $declarations)
    {
        $this->supports = new SupportsCondition($declarations);
    }

    public function compile(string $css, string $path): CompiledSheet
    {
        $this->items = $this->registered = $this->namespaces = [];
        $this->anonymous = 0;
        $sheet = Parser::stylesheet($css);
        $this->findings = $sheet->findings;
        $this->walk($sheet->children, new Surroundings);

        return new CompiledSheet($path, $sheet->source, $this->items, $this->registered, $this->findings);
    }

    /** @param  list<Node>  $nodes */
    private function walk(array $nodes, Surroundings $around): void
    {
        $loose = [];
        foreach ($nodes as $node) {
            if ($node instanceof Declaration) {
                $loose[] = $node;

                continue;
            }
            // Nesting 1, section 5: declarations after a nested rule make a rule of their own at that place.
            if ($loose !== []) {
                $this->add($loose, $around);
                $loose = [];
            }
            if ($node instanceof Rule) {
                $this->rule($node, $around);
            } elseif ($node instanceof AtRule) {
                $this->atRule($node, $around);
            }
        }
        $this->add($loose, $around);
    }

    /** @param  list<Declaration>  $declarations */
    private function add(array $declarations, Surroundings $around): void
    {
        if ($declarations !== [] && $around->parent !== null) {
            $this->items[] = new StyleRule($around->parent, $declarations, $around->media, $around->layer, $around->container, $around->scope, $around->parentOffset);
        }
    }

    private function rule(Rule $rule, Surroundings $around): void
    {
        try {
            $selectors = SelectorParser::prelude($rule, $around->parent, $this->namespaces);
        } catch (InvalidSelector $error) {
            $at = $rule->start + $error->offset;
            $this->findings[] = preg_match('/:-(?:webkit|moz|ms|o|khtml)-/i', $rule->prelude) === 1
                ? new Finding('prefixed', Severity::Notice, "“{$rule->prelude}” is for one browser: the others skip the whole rule.", $at, $at + 1)
                : new Finding('selector', Severity::Error, $error->getMessage().' Browsers skip the whole rule.', $at, $at + 1);

            return;
        }
        if (! $rule->block instanceof PlainBlock) {
            $this->walk($rule->block, $around->inside($selectors, $rule->start));
        } elseif (! $rule->block->isEmpty()) {
            $this->items[] = new StyleRule($selectors, $rule->block, $around->media, $around->layer, $around->container, $around->scope, $rule->start);
        }
    }

    private function atRule(AtRule $rule, Surroundings $around): void
    {
        $children = $rule->children ?? [];
        switch ($rule->name) {
            case 'media':
                $this->walk($children, $around->with(media: $this->media[$rule->prelude] ??= new MediaList($rule->prelude)));
                break;
            case 'supports':
                if ($this->supports->accepts($rule->prelude)) {
                    $this->walk($children, $around);
                }
                break;
            case 'layer':
                $this->layer($rule, $around);
                break;
            case 'scope':
                $this->walk($children, $around->with(scope: $this->scope($rule->prelude, $around->parent))->inside(SelectorParser::scopeRoot(), $rule->start));
                break;
            case 'container':
                $this->walk($children, $around->with(container: $rule->prelude));
                break;
            case 'starting-style':
                break;
            case 'import':
                $this->import($rule);
                break;
            case 'property':
                $this->property($rule);
                break;
            case 'namespace':
                $this->namespace($rule);
                break;
        }
    }

    private function layer(AtRule $rule, Surroundings $around): void
    {
        $full = static fn (string $name): string => $around->layer === '' ? $name : "{$around->layer}.$name";
        if ($rule->children === null) {
            foreach (explode(',', $rule->prelude) as $name) {
                $this->items[] = new LayerName($full(trim($name)));
            }

            return;
        }
        $name = $full($rule->prelude === '' ? '#'.++$this->anonymous : $rule->prelude);
        $this->items[] = new LayerName($name);
        $this->walk($rule->children, $around->with(layer: $name));
    }

    /** @param  ?SelectorList  $parent  what `&` stands for in the roots */
    private function scope(string $prelude, ?SelectorList $parent): ScopeRange
    {
        preg_match('/\A(?:\((.*?)\))?\s*(?:to\s*\((.*)\))?\z/is', $prelude, $m);
        $list = static function (string $text, ?SelectorList $from = null): ?SelectorList {
            try {
                return trim($text) === '' ? null : SelectorParser::parse($text, $from);
            } catch (InvalidSelector) {
                return new SelectorList([]);
            }
        };

        $roots = $m[1] ?? '';

        return new ScopeRange($list($roots, str_contains($roots, '&') ? $parent : null), $list($m[2] ?? '', SelectorParser::scopeRoot()));
    }

    private function import(AtRule $rule): void
    {
        $components = Components::dense(Components::parse($rule->prelude));
        $first = array_shift($components);
        $address = match (true) {
            $first === null => null,
            $first->type === TokenType::STRING, $first->type === TokenType::URL => $first->text,
            $first->isFunction('url') => ($first->children[0] ?? null)?->text,
            default => null,
        };
        if ($address === null) {
            return;
        }
        $layer = null;
        if (($components[0] ?? null)?->isIdent('layer')) {
            $layer = '#import'.++$this->anonymous;
            array_shift($components);
        } elseif (($components[0] ?? null)?->isFunction('layer')) {
            $layer = trim(substr($components[0]->raw, 6, -1));
            array_shift($components);
        }
        if (($components[0] ?? null)?->isFunction('supports')) {
            $text = substr($components[0]->raw, 9, -1);
            array_shift($components);
            if (! $this->supports->accepts("($text)") && ! $this->supports->accepts($text)) {
                return;
            }
        }
        $media = implode(' ', array_map(static fn ($c): string => $c->raw, $components));
        $this->items[] = new ImportRule($address, $media, $layer);
    }

    /** CSS Namespaces 3, section 2. */
    private function namespace(AtRule $rule): void
    {
        $components = Components::dense(Components::parse($rule->prelude));
        $last = array_pop($components);
        $name = $last?->isFunction('url') ? ($last->children[0] ?? null)?->text : $last?->text;
        if ($name !== null && count($components) < 2) {
            $this->namespaces[$components === [] ? '' : $components[0]->text] = $name;
        }
    }

    private function property(AtRule $rule): void
    {
        $descriptors = [];
        foreach ($rule->children ?? [] as $child) {
            if ($child instanceof Declaration) {
                $descriptors[$child->name] = $child->value;
            }
        }
        if (isset($descriptors['syntax'], $descriptors['inherits'])) {
            $this->registered[$rule->prelude] = new RegisteredProperty(
                trim($descriptors['syntax'], '"\' '),
                strtolower($descriptors['inherits']) === 'true',
                $descriptors['initial-value'] ?? null,
            );
        }
    }
}
