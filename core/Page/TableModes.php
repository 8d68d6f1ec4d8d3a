<?php

declare(strict_types=1);

namespace Insignum\Page;

/** In a table, its captions, columns, rows and cells: HTML 13.2.6.4.9 to 13.2.6.4.15. */
final class TableModes
{
    private readonly OpenTree $tree;

    public function __construct(private readonly Construction $page)
    {
        $this->tree = $page->tree;
    }

    /** @param  array<string, string>  $attributes */
    public function start(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($this->page->mode) {
            case InsertionMode::InTable:
                $this->startInTable($name, $attributes, $selfClosing);
                break;
            case InsertionMode::InCaption:
                if (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    if ($this->closeCaption()) {
                        $this->page->start($name, $attributes, $selfClosing);
                    }
                } else {
                    $this->page->inBody->start($name, $attributes, $selfClosing);
                }
                break;
            case InsertionMode::InColumnGroup:
                if ($name === 'col') {
                    $this->tree->insert('col', $attributes);
                    $this->tree->pop();
                } elseif ($this->tree->current()?->is('colgroup')) {
                    $this->tree->pop();
                    $this->page->mode = InsertionMode::InTable;
                    $this->page->start($name, $attributes, $selfClosing);
                }
                break;
            case InsertionMode::InTableBody:
                $this->startInTableBody($name, $attributes, $selfClosing);
                break;
            case InsertionMode::InRow:
                $this->startInRow($name, $attributes, $selfClosing);
                break;
            default:
                if (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    if ($this->tree->inTableScope('td') || $this->tree->inTableScope('th')) {
                        $this->closeCell();
                        $this->page->start($name, $attributes, $selfClosing);
                    }
                } else {
                    $this->page->inBody->start($name, $attributes, $selfClosing);
                }
        }
    }

    public function end(string $name): void
    {
        switch ($this->page->mode) {
            case InsertionMode::InTable:
                if ($name === 'table') {
                    if ($this->tree->inTableScope('table')) {
                        $this->tree->popUntil('table');
                        $this->resetMode();
                    }
                } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    $this->tree->fostering(fn () => $this->page->inBody->end($name));
                }
                break;
            case InsertionMode::InCaption:
                if ($name === 'caption') {
                    $this->closeCaption();
                } elseif ($name === 'table') {
                    if ($this->closeCaption()) {
                        $this->page->end($name);
                    }
                } elseif (! in_array($name, ['body', 'col', 'colgroup', 'html', 'tbody', 'td', 'tfoot', 'th', 'thead', 'tr'], true)) {
                    $this->page->inBody->end($name);
                }
                break;
            case InsertionMode::InColumnGroup:
                if ($this->tree->current()?->is('colgroup') && $name !== 'col') {
                    $this->tree->pop();
                    $this->page->mode = InsertionMode::InTable;
                    if ($name !== 'colgroup') {
                        $this->page->end($name);
                    }
                }
                break;
            case InsertionMode::InTableBody:
                $this->endInTableBody($name);
                break;
            case InsertionMode::InRow:
                $this->endInRow($name);
                break;
            default:
                $this->endInCell($name);
        }
    }

    public function characters(string $text): void
    {
        if ($this->page->mode === InsertionMode::InCaption || $this->page->mode === InsertionMode::InCell) {
            $this->page->inBody->text($text);
        } elseif (trim($text, TreeBuilder::SPACE) === '' && ($this->page->mode === InsertionMode::InColumnGroup || $this->tree->current()?->is('table', 'tbody', 'tfoot', 'thead', 'tr') === true)) {
            $this->tree->current()?->text($text);
        } elseif ($this->page->mode === InsertionMode::InColumnGroup) {
            $this->page->end('colgroup');
            $this->page->characters($text);
        } else {
            $this->tree->fostering(fn () => $this->page->inBody->text($text));
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInTable(string $name, array $attributes, bool $selfClosing): void
    {
        switch ($name) {
            case 'caption':
                $this->tree->clearTo('table');
                $this->tree->mark();
                $this->tree->insert('caption', $attributes);
                $this->page->mode = InsertionMode::InCaption;
                break;
            case 'colgroup':
                $this->tree->clearTo('table');
                $this->tree->insert('colgroup', $attributes);
                $this->page->mode = InsertionMode::InColumnGroup;
                break;
            case 'col':
                $this->startInTable('colgroup', [], false);
                $this->page->start('col', $attributes, $selfClosing);
                break;
            case 'tbody': case 'tfoot': case 'thead':
                $this->tree->clearTo('table');
                $this->tree->insert($name, $attributes);
                $this->page->mode = InsertionMode::InTableBody;
                break;
            case 'td': case 'th': case 'tr':
                $this->startInTable('tbody', [], false);
                $this->page->start($name, $attributes, $selfClosing);
                break;
            case 'table':
                if ($this->tree->inTableScope('table')) {
                    $this->tree->popUntil('table');
                    $this->resetMode();
                    $this->page->start($name, $attributes, $selfClosing);
                }
                break;
            case 'style': case 'script': case 'template':
                $this->page->inHead->insert($name, $attributes);
                break;
            case 'input':
                if (strtolower($attributes['type'] ?? '') === 'hidden') {
                    $this->tree->insert('input', $attributes);
                    $this->tree->pop();
                } else {
                    $this->tree->fostering(fn () => $this->page->inBody->start($name, $attributes, $selfClosing));
                }
                break;
            case 'form':
                if ($this->page->form === null) {
                    $this->page->form = $this->tree->insert('form', $attributes);
                    $this->tree->pop();
                }
                break;
            default:
                $this->tree->fostering(fn () => $this->page->inBody->start($name, $attributes, $selfClosing));
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInTableBody(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'tr') {
            $this->tree->clearTo('tbody', 'tfoot', 'thead');
            $this->tree->insert('tr', $attributes);
            $this->page->mode = InsertionMode::InRow;
        } elseif ($name === 'th' || $name === 'td') {
            $this->startInTableBody('tr', [], false);
            $this->page->start($name, $attributes, $selfClosing);
        } elseif (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'tfoot', 'thead'], true)) {
            if ($this->leaveTableBody()) {
                $this->page->start($name, $attributes, $selfClosing);
            }
        } else {
            $this->startInTable($name, $attributes, $selfClosing);
        }
    }

    /** @param  array<string, string>  $attributes */
    private function startInRow(string $name, array $attributes, bool $selfClosing): void
    {
        if ($name === 'th' || $name === 'td') {
            $this->tree->clearTo('tr');
            $this->tree->insert($name, $attributes);
            $this->page->mode = InsertionMode::InCell;
            $this->tree->mark();
        } elseif (in_array($name, ['caption', 'col', 'colgroup', 'tbody', 'tfoot', 'thead', 'tr'], true)) {
            if ($this->leaveRow()) {
                $this->page->start($name, $attributes, $selfClosing);
            }
        } else {
            $this->startInTable($name, $attributes, $selfClosing);
        }
    }

    private function endInTableBody(string $name): void
    {
        if (in_array($name, ['tbody', 'tfoot', 'thead'], true)) {
            if ($this->tree->inTableScope($name)) {
                $this->tree->clearTo('tbody', 'tfoot', 'thead');
                $this->tree->pop();
                $this->page->mode = InsertionMode::InTable;
            }
        } elseif ($name === 'table') {
            if ($this->leaveTableBody()) {
                $this->page->end('table');
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'td', 'th', 'tr'], true)) {
            $this->tree->fostering(fn () => $this->page->inBody->end($name));
        }
    }

    private function endInRow(string $name): void
    {
        if ($name === 'tr') {
            $this->leaveRow();
        } elseif ($name === 'table' || (in_array($name, ['tbody', 'tfoot', 'thead'], true) && $this->tree->inTableScope($name))) {
            if ($this->leaveRow()) {
                $this->page->end($name);
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html', 'td', 'th', 'tbody', 'tfoot', 'thead'], true)) {
            $this->tree->fostering(fn () => $this->page->inBody->end($name));
        }
    }

    private function endInCell(string $name): void
    {
        if ($name === 'td' || $name === 'th') {
            if ($this->tree->inTableScope($name)) {
                $this->tree->implied();
                $this->tree->popUntil($name);
                $this->tree->clearToMarker();
                $this->page->mode = InsertionMode::InRow;
            }
        } elseif (in_array($name, ['table', 'tbody', 'tfoot', 'thead', 'tr'], true)) {
            if ($this->tree->inTableScope($name)) {
                $this->closeCell();
                $this->page->end($name);
            }
        } elseif (! in_array($name, ['body', 'caption', 'col', 'colgroup', 'html'], true)) {
            $this->page->inBody->end($name);
        }
    }

    private function leaveTableBody(): bool
    {
        if (! $this->tree->inTableScope('tbody') && ! $this->tree->inTableScope('thead') && ! $this->tree->inTableScope('tfoot')) {
            return false;
        }
        $this->tree->clearTo('tbody', 'tfoot', 'thead');
        $this->tree->pop();
        $this->page->mode = InsertionMode::InTable;

        return true;
    }

    private function leaveRow(): bool
    {
        if (! $this->tree->inTableScope('tr')) {
            return false;
        }
        $this->tree->clearTo('tr');
        $this->tree->pop();
        $this->page->mode = InsertionMode::InTableBody;

        return true;
    }

    private function closeCell(): void
    {
        $this->tree->implied();
        while (($popped = $this->tree->pop()) !== null && ! $popped->is('td', 'th'));
        $this->tree->clearToMarker();
        $this->page->mode = InsertionMode::InRow;
    }

    private function closeCaption(): bool
    {
        if (! $this->tree->inTableScope('caption')) {
            return false;
        }
        $this->tree->implied();
        $this->tree->popUntil('caption');
        $this->tree->clearToMarker();
        $this->page->mode = InsertionMode::InTable;

        return true;
    }

    /** 13.2.4.1, reset the insertion mode appropriately. */
    private function resetMode(): void
    {
        foreach (array_reverse($this->tree->open) as $node) {
            $mode = match ($node->space === 'html' ? $node->tag : '') {
                'td', 'th' => InsertionMode::InCell,
                'tr' => InsertionMode::InRow,
                'tbody', 'thead', 'tfoot' => InsertionMode::InTableBody,
                'caption' => InsertionMode::InCaption,
                'colgroup' => InsertionMode::InColumnGroup,
                'table' => InsertionMode::InTable,
                'head' => InsertionMode::InHead,
                'body' => InsertionMode::InBody,
                default => null,
            };
            if ($mode !== null) {
                $this->page->mode = $mode;

                return;
            }
        }
        $this->page->mode = InsertionMode::InBody;
    }
}
