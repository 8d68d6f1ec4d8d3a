<?php

declare(strict_types=1);

namespace Insignum\Style;

/** A library over texts in memory. */
final class MemoryLibrary implements Library
{
    private readonly SheetCompiler $compiler;

    /** @var array<string, CompiledSheet> */
    private array $compiled = [];

    /** @param  array<string, string>  $texts path to CSS */
    public function __construct(private readonly array $texts = [], Declarations $declarations = new Declarations)
    {
        $this->compiler = new SheetCompiler($declarations);
    }

    public function sheet(string $path): ?CompiledSheet
    {
        return isset($this->texts[$path]) ? $this->compile($this->texts[$path], $path) : null;
    }

    public function compile(string $css, string $path): CompiledSheet
    {
        return $this->compiled[$path."\n".$css] ??= $this->compiler->compile($css, $path);
    }
}
