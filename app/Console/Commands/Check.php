<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\JsonCommand;
use App\Support\LocalSite;
use Insignum\Advice\SheetCheck;
use Insignum\Effect\Overlay;
use Insignum\Effect\Survey;
use Insignum\Style\Condition;
use Insignum\Style\Declarations;
use Insignum\Style\MemoryLibrary;
use Insignum\Style\PageStyles;
use Insignum\Syntax\Finding;
use Insignum\Syntax\Severity;

/** What is wrong with a sheet, by itself and on pages below a root, as JSON. */
final class Check extends JsonCommand
{
    protected $signature = 'insignum:check {sheet : a stylesheet} {page?* : paths below the root} {--root= : the directory that the site lies in} {--width=1280} {--height=800} {--fail-on=error : error, warning or notice}';

    protected $description = 'Prints what is wrong with a sheet as JSON';

    /** @throws \InvalidArgumentException */
    protected function answer(): int
    {
        $limit = Severity::tryFrom((string) $this->option('fail-on')) ?? throw new \InvalidArgumentException('--fail-on is one of error, warning, notice.');
        $pages = (array) $this->argument('page');
        $file = (string) $this->argument('sheet');
        if ($pages === []) {
            $declarations = new Declarations;
            $sheet = (new MemoryLibrary([], $declarations))->compile(LocalSite::read($file), Survey::SHEET_PATH);
            $findings = (new SheetCheck($declarations))->of($sheet, []);
        } else {
            $site = LocalSite::open((string) $this->option('root'));
            $declarations = $site->declarations;
            $sheet = $site->library->compile(LocalSite::read($file), Survey::SHEET_PATH);
            $overlay = new Overlay($sheet);
            $condition = new Condition((int) $this->option('width'), (int) $this->option('height'));
            $styles = array_map(static fn (string $path): PageStyles => $overlay->on($site->page($path, $condition)->theme()), $pages);
            $findings = (new SheetCheck($declarations))->of($sheet, array_values($styles));
        }
        $this->json(['findings' => array_map(static function (Finding $finding) use ($sheet): array {
            $at = $sheet->position($finding->start);

            return ['code' => $finding->code, 'severity' => $finding->severity->value, 'line' => $at->line, 'column' => $at->column, 'message' => $finding->message, 'fix' => $finding->fix];
        }, $findings)]);
        $order = [Severity::Notice->value => 0, Severity::Warning->value => 1, Severity::Error->value => 2];
        $bad = array_filter($findings, static fn (Finding $f): bool => $order[$f->severity->value] >= $order[$limit->value]);

        return $bad === [] ? self::SUCCESS : 1;
    }
}
