<?php

declare(strict_types=1);

namespace Insignum\Selector;

/** `[name operator "value" flag]`, Selectors 4, section 6. `operator` is '' where only presence is asked. */
final readonly class AttributeTest
{
    public function __construct(
        public string $name,
        public string $operator = '',
        public string $value = '',
        public bool $ignoreCase = false,
    ) {
    }

    public function accepts(?string $actual): bool
    {
        if ($actual === null) {
            return false;
        }
        if ($this->operator === '') {
            return true;
        }
        $wanted = $this->ignoreCase ? strtolower($this->value) : $this->value;
        $actual = $this->ignoreCase ? strtolower($actual) : $actual;

        return match ($this->operator) {
            '=' => $actual === $wanted,
            '~=' => $wanted !== '' && ! preg_match('/\s/', $wanted) && in_array($wanted, (array) preg_split('/[ \t\n\f\r]+/', $actual), true),
            '|=' => $actual === $wanted || str_starts_with($actual, $wanted.'-'),
            '^=' => $wanted !== '' && str_starts_with($actual, $wanted),
            '$=' => $wanted !== '' && str_ends_with($actual, $wanted),
            '*=' => $wanted !== '' && str_contains($actual, $wanted),
            default => false,
        };
    }
}
