<?php

declare(strict_types=1);

namespace Insignum\Aim;

use Insignum\Page\Page;

/** Judges ids and classes by their form and, where pages are given, by how the site uses them. */
final class LifetimeJudge
{
    /** A class on this many different tags says how things look. */
    private const SPREAD = 5;

    private const STATES = '/\A(?:(?:is|has|was)-[\w-]+|active|current|open|opened|closed|show|shown|hidden|hide|visible|selected|disabled|enabled|checked|focus|hover|collapsed|collapsing|expanded|loading|loaded|sticky|stuck|fixed|scrolled|in-view|animated|first|last|odd|even)\z/i';

    private const UTILITIES = '/\A(?:[a-z]{1,3}-(?:auto|\d+|xs|sm|md|lg|xl|xxl)(?:-\d+|-auto)?|(?:m|p)[trblxyse]?-(?:[a-z]+-)?n?\d+|(?:d|text|bg|fw|fs|border|rounded|shadow|float|align|justify|order|flex|w|h|mw|mh|g|gx|gy|position|top|start|end|overflow|lh)-[\w-]+|col(?:-[\w]+)*|row|container(?:-\w+)?|clearfix|wrapper|inner|sr-only|visually-hidden|img-fluid|lead|small|mb|mt|u-[\w-]+|(?:has|no)-[\w-]*(?:color|colour|background|size|padding|margin)[\w-]*|align(?:left|right|center|wide|full|none)|\d+-\d+)\z/i';

    /**
     * @param  array<string, true>  $numbered  names that differ from another one by their number alone
     * @param  array<string, true>  $spread  classes that many kinds of element wear
     * @param  ?array<string, true>  $before  the names of an older snapshot
     */
    private function __construct(private readonly array $numbered = [], private readonly array $spread = [], private readonly ?array $before = null)
    {
    }

    /** By form alone. */
    public static function byForm(): self
    {
        return new self;
    }

    /**
     * @param  array<string, Page>  $pages
     * @param  array<string, Page>  $earlier  the pages of an older snapshot, if there is one
     */
    public static function of(array $pages, array $earlier = []): self
    {
        $tags = $stems = [];
        foreach ($pages as $page) {
            foreach ($page->byClass as $class => $elements) {
                foreach ($elements as $element) {
                    $tags[$class][$page->tags[$element]] = true;
                }
            }
            foreach (array_keys($page->byId + $page->byClass) as $name) {
                if (preg_match('/\A(.*[a-z]{3}[-_]?)\d+\z/i', (string) $name, $m) === 1) {
                    $stems[$m[1]][(string) $name] = true;
                }
            }
        }
        $numbered = array_merge(...array_values(array_filter($stems, static fn (array $names): bool => count($names) > 1)) ?: [[]]);
        $before = $earlier === [] ? null : self::names($earlier);

        return new self($numbered, array_fill_keys(array_keys(array_filter($tags, static fn (array $t): bool => count($t) >= self::SPREAD)), true), $before);
    }

    public function judge(string $name): Lifetime
    {
        return match (true) {
            $this->looksGenerated($name) => Lifetime::Generated,
            preg_match(self::STATES, $name) === 1 => Lifetime::State,
            preg_match(self::UTILITIES, $name) === 1, isset($this->spread[$name]) => Lifetime::Utility,
            isset($this->numbered[$name]) => Lifetime::Numbered,
            $this->before !== null && ! isset($this->before[$name]) => Lifetime::New,
            default => Lifetime::Lasting,
        };
    }

    /**
     * @param  array<string, Page>  $pages
     * @return array<string, true>
     */
    private static function names(array $pages): array
    {
        $names = [];
        foreach ($pages as $page) {
            $names += array_fill_keys(array_map(strval(...), array_keys($page->byId + $page->byClass)), true);
        }

        return $names;
    }

    /** A hash, an instance number, or a build tool's suffix. */
    private function looksGenerated(string $name): bool
    {
        foreach (preg_split('/[-_:]+/', $name) ?: [] as $part) {
            $digits = preg_match_all('/\d/', $part);
            $letters = preg_match_all('/[a-z]/i', $part);
            $isHash = strlen($part) >= 5 && $digits >= 2 && $letters >= 1 && preg_match('/\d[a-z]+\d|[a-z]\d+[a-z]|\d{2,}[a-f]/i', $part) && ! preg_match('/\A(?:[a-z]+\d{1,2}|\d{1,2}[a-z]+|h[1-6])\z/i', $part);
            $isNumber = $letters === 0 && $digits >= 3;
            $isNumbered = preg_match('/\A[a-z]*\d{4,}\z/i', $part) === 1;
            // Mixed case without vowels, as build tools write: `css-1q2w3e`, `sc-bdVaJa`.
            $isScrambled = preg_match('/\A(?=.*[a-z])(?=.*[A-Z])[A-Za-z]{5,8}\z/', $part) === 1 && preg_match_all('/[A-Z]/', substr($part, 1)) >= 2;
            if ($isHash || $isNumber || $isNumbered || $isScrambled) {
                return true;
            }
        }

        return false;
    }
}
