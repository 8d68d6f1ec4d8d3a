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

    /** @param  bool  $isHtml  whether the element is one of HTML: some values are told apart without their case there */
    public function accepts(?string $actual, bool $isHtml = true): bool
    {
        if ($actual === null) {
            return false;
        }
        if ($this->operator === '') {
            return true;
        }
        $ignoresCase = $this->ignoreCase || ($isHtml && isset(AttributeCase::INSENSITIVE[$this->name]));
        $wanted = $ignoresCase ? strtolower($this->value) : $this->value;
        $actual = $ignoresCase ? strtolower($actual) : $actual;

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
