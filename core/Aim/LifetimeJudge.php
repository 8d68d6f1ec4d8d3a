<?php

declare(strict_types=1);

namespace Insignum\Aim;

/** Judges ids and classes by their form. */
final class LifetimeJudge
{
    private const STATES = '/\A(?:(?:is|has|was)-[\w-]+|active|current|open|opened|closed|show|shown|hidden|hide|visible|selected|disabled|enabled|checked|focus|hover|collapsed|collapsing|expanded|loading|loaded|sticky|stuck|fixed|scrolled|in-view|animated|first|last|odd|even)\z/i';

    private const UTILITIES = '/\A(?:[a-z]{1,3}-(?:auto|\d+|xs|sm|md|lg|xl|xxl)(?:-\d+|-auto)?|(?:m|p)[trblxyse]?-(?:[a-z]+-)?n?\d+|(?:d|text|bg|fw|fs|border|rounded|shadow|float|align|justify|order|flex|w|h|mw|mh|g|gx|gy|position|top|start|end|overflow|lh)-[\w-]+|col(?:-[\w]+)*|row|container(?:-\w+)?|clearfix|wrapper|inner|sr-only|visually-hidden|img-fluid|lead|small|mb|mt|u-[\w-]+|(?:has|no)-[\w-]*(?:color|colour|background|size|padding|margin)[\w-]*|align(?:left|right|center|wide|full|none)|\d+-\d+)\z/i';

    public function judge(string $name): Lifetime
    {
        return match (true) {
            $this->looksGenerated($name) => Lifetime::Generated,
            preg_match(self::STATES, $name) === 1 => Lifetime::State,
            preg_match(self::UTILITIES, $name) === 1 => Lifetime::Utility,
            default => Lifetime::Lasting,
        };
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
