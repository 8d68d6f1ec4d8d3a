<?php

declare(strict_types=1);

namespace Insignum\Value;

/** What relative units stand for at one place: CSS Values 4, sections 6 and 7. */
final readonly class Units
{
    private const ABSOLUTE = [
        'px' => ['px', 1.0], 'in' => ['px', 96.0], 'cm' => ['px', 96 / 2.54], 'mm' => ['px', 9.6 / 2.54], 'q' => ['px', 2.4 / 2.54],
        'pt' => ['px', 4 / 3], 'pc' => ['px', 16.0], 'deg' => ['deg', 1.0], 'grad' => ['deg', 0.9], 'rad' => ['deg', 180 / M_PI],
        'turn' => ['deg', 360.0], 's' => ['s', 1.0], 'ms' => ['s', 0.001], 'dppx' => ['dppx', 1.0], 'x' => ['dppx', 1.0],
        'dpi' => ['dppx', 1 / 96], 'dpcm' => ['dppx', 2.54 / 96], 'fr' => ['fr', 1.0], '%' => ['%', 1.0], '' => ['', 1.0],
        'hz' => ['hz', 1.0], 'khz' => ['hz', 1000.0],
    ];

    private const RELATIVE = [
        'em', 'rem', 'ex', 'rex', 'ch', 'rch', 'ic', 'ric', 'cap', 'rcap', 'lh', 'rlh', 'vw', 'svw', 'lvw', 'dvw', 'vh', 'svh',
        'lvh', 'dvh', 'vi', 'svi', 'lvi', 'dvi', 'vb', 'svb', 'lvb', 'dvb', 'vmin', 'svmin', 'lvmin', 'dvmin', 'vmax', 'svmax',
        'lvmax', 'dvmax', 'cqw', 'cqh', 'cqi', 'cqb', 'cqmin', 'cqmax',
    ];

    /**
     * @param  float  $em  font size in px, of the element, or of its parent while the font size itself is computed
     * @param  float  $lh  line height in px
     */
    public function __construct(
        public float $width = 1280.0,
        public float $height = 800.0,
        public float $em = 16.0,
        public float $rem = 16.0,
        public float $lh = 19.2,
        public float $rlh = 19.2,
    ) {
    }

    public static function isKnown(string $unit): bool
    {
        return isset(self::ABSOLUTE[$unit]) || in_array($unit, self::RELATIVE, true);
    }

    /** The canonical unit that the unit resolves to. */
    public static function canonical(string $unit): ?string
    {
        return self::ABSOLUTE[$unit][0] ?? (in_array($unit, self::RELATIVE, true) ? 'px' : null);
    }

    /** In canonical units; null for an unknown unit. */
    public function resolve(float $value, string $unit): ?Quantity
    {
        if (isset(self::ABSOLUTE[$unit])) {
            [$canonical, $factor] = self::ABSOLUTE[$unit];

            return Quantity::of($value * $factor, $canonical);
        }
        $base = match (true) {
            $unit === 'em' => $this->em,
            $unit === 'rem' => $this->rem,
            $unit === 'lh' => $this->lh,
            $unit === 'rlh' => $this->rlh,
            // Without the font file, the fallbacks of Values 4, 6.1.1: half an em, and for ideographs and capitals a whole one.
            $unit === 'ex' || $unit === 'ch' => $this->em / 2,
            $unit === 'rex' || $unit === 'rch' => $this->rem / 2,
            $unit === 'ic' || $unit === 'cap' => $this->em,
            $unit === 'ric' || $unit === 'rcap' => $this->rem,
            in_array($unit, self::RELATIVE, true) => match (substr($unit, -2) === 'in' ? 'min' : (substr($unit, -2) === 'ax' ? 'max' : substr($unit, -1))) {
                'w', 'i' => $this->width / 100,
                'h', 'b' => $this->height / 100,
                'min' => min($this->width, $this->height) / 100,
                default => max($this->width, $this->height) / 100,
            },
            default => null,
        };

        return $base === null ? null : Quantity::of($value * $base, 'px');
    }
}
