<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;

/** What a person would call an element. */
final class Nouns
{
    private const TAGS = [
        'a' => 'link', 'article' => 'article', 'aside' => 'aside', 'b' => 'bold text', 'blockquote' => 'quotation', 'body' => 'page body', 'button' => 'button',
        'caption' => 'caption', 'cite' => 'citation', 'code' => 'code', 'dd' => 'description', 'details' => 'fold-out', 'div' => 'box', 'dl' => 'description list',
        'dt' => 'term', 'em' => 'emphasis', 'fieldset' => 'group of fields', 'figcaption' => 'caption', 'figure' => 'figure', 'footer' => 'footer', 'form' => 'form',
        'h1' => 'heading', 'h2' => 'heading', 'h3' => 'heading', 'h4' => 'heading', 'h5' => 'heading', 'h6' => 'heading', 'header' => 'header', 'hr' => 'divider',
        'html' => 'page', 'i' => 'icon', 'iframe' => 'frame', 'img' => 'image', 'input' => 'field', 'label' => 'label', 'legend' => 'legend', 'li' => 'list item',
        'main' => 'main part', 'nav' => 'navigation', 'ol' => 'numbered list', 'option' => 'option', 'p' => 'paragraph', 'picture' => 'picture', 'pre' => 'code block',
        'q' => 'quote', 'section' => 'section', 'select' => 'choice', 'small' => 'small print', 'span' => 'piece of text', 'strong' => 'strong text', 'sub' => 'subscript',
        'summary' => 'question', 'sup' => 'superscript', 'svg' => 'drawing', 'table' => 'table', 'tbody' => 'table body', 'td' => 'cell', 'textarea' => 'text field',
        'tfoot' => 'table foot', 'th' => 'heading cell', 'thead' => 'table head', 'time' => 'time', 'tr' => 'row', 'u' => 'underlined text', 'ul' => 'list', 'video' => 'video',
    ];

    public static function of(Page $page, int $element): string
    {
        return self::TAGS[$page->tags[$element]] ?? $page->tags[$element];
    }

    public static function tag(string $tag): string
    {
        return self::TAGS[$tag] ?? $tag;
    }

    /** A class or id as words: `tone-night` to “tone night”. */
    public static function words(string $name): string
    {
        return trim((string) preg_replace(['/[-_]+/', '/(?<=[a-z])(?=[A-Z])/'], ' ', $name));
    }
}
