<?php

declare(strict_types=1);

/**
 * Pages made for a stylesheet: elements that satisfy its own selectors, drawn by a fixed seed, so that as many of its rules
 * as possible meet something.
 *
 *   php tests/browser/made.php SEED FOLDER STYLESHEET...     writes FOLDER/made-0.html and so on, with copies of the sheets
 */
use Insignum\Selector\ComplexSelector;
use Insignum\Selector\Compound;
use Insignum\Style\Declarations;
use Insignum\Style\SheetCompiler;

require __DIR__.'/../../vendor/autoload.php';

const PAGES = 3;
const SELECTORS = 60;
const TAGS = ['div', 'span', 'p', 'a', 'h2', 'ul', 'li', 'button', 'input', 'section', 'label', 'table', 'td', 'blockquote', 'code', 'select', 'small', 'img', 'em', 'summary', 'progress', 'details'];
const VOID = ['input', 'img', 'br', 'hr', 'link', 'meta', 'col', 'source', 'area', 'base', 'embed', 'track', 'wbr'];
const UNFIT = ['script', 'style', 'title', 'textarea', 'template', 'iframe', 'noscript', 'option', 'optgroup', 'html', 'body', 'head', 'frameset', 'plaintext', 'object'];
const SWITCHES = ['disabled' => 'disabled', 'checked' => 'checked', 'required' => 'required', 'open' => 'open', 'read-only' => 'readonly', 'link' => 'href="#"', 'any-link' => 'href="#"'];

[, $seed, $folder] = $argv;
mt_srand((int) $seed);
@mkdir($folder, 0777, true);
$pick = static fn (array $list): mixed => $list[mt_rand(0, count($list) - 1)];

$selectors = [];
$links = '';
foreach (array_slice($argv, 3) as $number => $file) {
    copy($file, "$folder/$number.css");
    $links .= "<link rel=\"stylesheet\" href=\"$number.css\">";
    foreach ((new SheetCompiler(new Declarations))->compile((string) file_get_contents($file), '/x')->rules() as $rule) {
        array_push($selectors, ...$rule->selectors->selectors);
    }
}

/** @return array{string, string} tag and attributes of an element that a compound matches, as far as attributes can do it */
$element = static function (Compound $compound) use ($pick): array {
    $tag = $compound->tag ?? $pick(TAGS);
    $classes = $compound->classes;
    $attributes = array_map(static fn (string $id): string => 'id="'.htmlspecialchars($id).'"', array_slice($compound->ids, 0, 1));
    foreach ($compound->pseudoClasses as $pseudo) {
        $attributes[] = SWITCHES[$pseudo->name] ?? '';
        if (in_array($pseudo->name, ['is', 'where', '&'], true) && ($pseudo->selectors->selectors ?? []) !== []) {
            $compounds = $pick($pseudo->selectors->selectors)->compounds;
            $classes = [...$classes, ...end($compounds)->classes];
            $tag = $compound->tag ?? end($compounds)->tag ?? $tag;
        }
    }
    foreach ($compound->attributes as $test) {
        if (! in_array($test->name, ['class', 'id', 'style', 'autofocus'], true)) {
            $attributes[] = "$test->name=\"".htmlspecialchars($test->value).'"';
        }
    }
    $attributes[] = $classes === [] ? '' : 'class="'.htmlspecialchars(implode(' ', $classes)).'"';
    $attributes[] = mt_rand(0, 50) === 0 ? 'dir="rtl"' : '';
    $attributes[] = mt_rand(0, 40) === 0 ? 'disabled' : '';

    return [preg_match('/^[a-z][a-z0-9-]*$/i', $tag) && ! in_array($tag, UNFIT, true) ? $tag : 'div', implode(' ', array_filter($attributes))];
};

$markup = static function (ComplexSelector $selector, string $inside) use ($element): string {
    $html = $inside;
    for ($i = count($selector->compounds) - 1; $i >= 0; $i--) {
        [$tag, $attributes] = $element($selector->compounds[$i]);
        $html = match (true) {
            in_array($tag, VOID, true) => "<$tag $attributes>$html",
            $tag === 'select' => "<select $attributes><option>o</option></select>$html",
            default => "<$tag $attributes>".($html === '' ? 'text' : $html)."</$tag>",
        };
        if ($i > 0 && in_array($selector->combinators[$i - 1], ['+', '~'], true)) {
            [$tag, $attributes] = $element($selector->compounds[--$i]);
            $html = "<$tag $attributes>".(in_array($tag, VOID, true) ? '' : "before</$tag>").$html;
        }
    }

    return $html;
};

for ($page = 0; $page < PAGES; $page++) {
    $body = '';
    for ($n = 0; $n < SELECTORS; $n++) {
        $body .= $markup($pick($selectors), mt_rand(0, 3) === 0 ? $markup($pick($selectors), '') : '')."\n";
    }
    file_put_contents("$folder/made-$page.html", "<!doctype html><html lang=\"en\"><head><meta charset=\"utf-8\">$links</head><body>$body</body></html>");
}
