<?php

declare(strict_types=1);

namespace Insignum\Style;

/**
 * The cascade sorting order, Cascade 5, section 6.1, as lists that compare field by field; the greater one wins.
 *
 * The fields are the FIELDS below, in this order. Inline style and presentational hints have rows of their own.
 */
final class CascadeOrder
{
    public const FIELDS = ['origin', 'inline', 'layer', 'ids', 'classes', 'types', 'proximity', 'order'];

    private const NORMAL = ['browser' => 0, 'hint' => 1, 'author' => 2, 'inline' => 2];

    private const IMPORTANT = ['author' => 3, 'inline' => 3, 'hint' => 3, 'browser' => 4];

    /** @return list<int> */
    public static function normal(Entry $entry, int $proximity): array
    {
        $s = $entry->selector->specificity;

        return [self::NORMAL[$entry->origin->value], 0, $entry->layer, $s->a, $s->b, $s->c, -$proximity, $entry->order];
    }

    /** The order for normal declarations as bytes, each field at a fixed width, so that they compare as strings do. */
    public static function sortable(Entry $entry, int $proximity): string
    {
        $s = $entry->selector->specificity;

        return pack('CJNNNNN', self::NORMAL[$entry->origin->value], $entry->layer, $s->a, $s->b, $s->c, 0xFFFFFFFF - $proximity, $entry->order);
    }

    /** @return list<int> layers count the other way round: 6.4.2 */
    public static function important(Entry $entry, int $proximity): array
    {
        $s = $entry->selector->specificity;

        return [self::IMPORTANT[$entry->origin->value], 0, -$entry->layer, $s->a, $s->b, $s->c, -$proximity, $entry->order];
    }

    /** @return list<int> for a declaration of a style attribute or of a presentational one, number $order in it */
    public static function attached(Origin $origin, bool $important, int $order): array
    {
        $level = ($important ? self::IMPORTANT : self::NORMAL)[$origin->value];

        return [$level, $origin === Origin::Inline ? 1 : 0, 0, 0, 0, 0, 0, $order];
    }

    /**
     * The field that decided between a winner and a loser.
     *
     * @param  list<int>  $winner
     * @param  list<int>  $loser
     */
    public static function decider(array $winner, array $loser): string
    {
        foreach (self::FIELDS as $i => $field) {
            if ($winner[$i] !== $loser[$i]) {
                return in_array($field, ['ids', 'classes', 'types'], true) ? 'specificity' : ($field === 'origin' && $winner[0] >= 3 && $winner[0] !== 4 ? 'importance' : $field);
            }
        }

        return 'order';
    }
}
