<?php

declare(strict_types=1);

namespace Insignum\Syntax;

/** Writes nodes as CSS a person would be glad to read: two spaces, one declaration a line, comments where they stood. */
final class Printer
{
    /** @param  list<Node>  $nodes */
    public static function print(array $nodes, string $indent = ''): string
    {
        $out = '';
        $before = null;
        foreach ($nodes as $node) {
            $isRule = $node instanceof Rule || $node instanceof AtRule;
            $out .= $before !== null && ($isRule && ! $before instanceof Comment || $before instanceof Rule || $before instanceof AtRule) ? "\n" : '';
            $out .= $indent.self::node($node, $indent)."\n";
            $before = $node;
        }

        return $out;
    }

    private static function node(Node $node, string $indent): string
    {
        return match (true) {
            $node instanceof Comment => '/*'.$node->text.'*/',
            $node instanceof Declaration => Ident::escape($node->name).": {$node->value}".($node->important ? ' !important' : '').';',
            $node instanceof Rule => $node->prelude.' '.self::block($node->children(), $indent),
            $node instanceof AtRule => rtrim('@'.Ident::escape($node->name)." {$node->prelude}").($node->children === null ? ';' : ' '.self::block($node->children, $indent)),
            $node instanceof Raw => $node->text,
            default => throw new \LogicException('A node kind without a printed form: '.$node::class),
        };
    }

    /** @param  list<Node>  $children */
    private static function block(array $children, string $indent): string
    {
        return "{\n".self::print($children, $indent.'  ').$indent.'}';
    }
}
