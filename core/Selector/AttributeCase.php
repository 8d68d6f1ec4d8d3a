<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** Attributes whose values match regardless of case in HTML: HTML Living Standard, 4.16.2. */
final class AttributeCase
{
    public const INSENSITIVE = [
        'accept' => 1, 'accept-charset' => 1, 'align' => 1, 'alink' => 1, 'axis' => 1, 'bgcolor' => 1, 'charset' => 1,
        'checked' => 1, 'clear' => 1, 'codetype' => 1, 'color' => 1, 'compact' => 1, 'declare' => 1, 'defer' => 1,
        'dir' => 1, 'direction' => 1, 'disabled' => 1, 'enctype' => 1, 'face' => 1, 'frame' => 1, 'hreflang' => 1,
        'http-equiv' => 1, 'lang' => 1, 'language' => 1, 'link' => 1, 'media' => 1, 'method' => 1, 'multiple' => 1,
        'nohref' => 1, 'noresize' => 1, 'noshade' => 1, 'nowrap' => 1, 'readonly' => 1, 'rel' => 1, 'rev' => 1,
        'rules' => 1, 'scope' => 1, 'scrolling' => 1, 'selected' => 1, 'shape' => 1, 'target' => 1, 'text' => 1,
        'type' => 1, 'valign' => 1, 'valuetype' => 1, 'vlink' => 1,
    ];
}
