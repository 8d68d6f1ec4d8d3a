<?php

declare(strict_types=1);

namespace Insignum\Syntax;

enum Severity: string
{
    case Error = 'error';
    case Warning = 'warning';
    case Notice = 'notice';
}
