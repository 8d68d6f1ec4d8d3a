<?php

declare(strict_types=1);

namespace Insignum\Style;

use Insignum\Page\Page;

/** What an element makes of the box that it is given: Display 3, appendix B, and HTML 15.3.13. */
enum Boxing
{
    case Plain;

    /** Its content is not its own to give away: `contents` is none. */
    case Whole;

    /** A block, whatever it is asked to be. */
    case Block;

    private const REPLACED = ['br' => 1, 'wbr' => 1, 'meter' => 1, 'progress' => 1, 'canvas' => 1, 'embed' => 1, 'object' => 1, 'audio' => 1, 'iframe' => 1, 'img' => 1, 'video' => 1, 'frame' => 1, 'frameset' => 1, 'input' => 1, 'textarea' => 1, 'select' => 1];

    /** What may be without a box in a drawing. */
    private const GROUPS = ['svg' => 1, 'g' => 1, 'use' => 1, 'tspan' => 1];

    public static function of(Page $page, int $element): self
    {
        $tag = $page->tags[$element];
        $space = $page->foreign[$element] ?? '';
        if ($space === '') {
            return $tag === 'legend' ? self::Block : (isset(self::REPLACED[$tag]) ? self::Whole : self::Plain);
        }
        $isGroup = $space === 'svg' && isset(self::GROUPS[$tag]) && ($tag !== 'svg' || isset($page->foreign[$page->parents[$element]]));

        return $isGroup ? self::Plain : self::Whole;
    }
}
