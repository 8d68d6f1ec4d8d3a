<?php

declare(strict_types=1);

/**
 * Puts the demo site together: php demo/make.php DIRECTORY [--theme=2]
 *
 * Larkmoor Observatory is invented, and so is its theme Orrery. Version 2 of the theme renames some classes, as theme updates do.
 */
$out = rtrim($argv[1] ?? exit("Say where to put it: php demo/make.php DIRECTORY\n"), '/');
$isSecond = in_array('--theme=2', $argv, true);
$renamed = $isSecond ? ['bar--stuck' => 'bar--fixed', 'badge' => 'count', 'band__inner' => 'band__box', 'question__body' => 'question__answer', 'form__row' => 'field', 'credit' => 'colophon'] : [];
$rename = static fn (string $text): string => (string) preg_replace_callback('/(?<![\w-])('.implode('|', array_keys($renamed) ?: ['(?!)']).')(?![\w-])/', static fn (array $m): string => $renamed[$m[1]], $text);
$menu = ['visit' => 'Visit', 'programme' => 'Programme', 'journal' => 'Journal', 'membership' => 'Membership', 'book' => 'Book a night', 'contact' => 'Contact'];
$layout = (string) file_get_contents(__DIR__.'/layout.html');

foreach (['', '/css', '/img', '/fonts'] as $folder) {
    is_dir($out.$folder) || mkdir($out.$folder, 0777, true);
}
foreach (glob(__DIR__.'/pages/*.html') ?: [] as $file) {
    preg_match('/\A<!--\s*(.+?)\s*\|\s*(.+?)\s*-->\s*(.*)\z/s', (string) file_get_contents($file), $page);
    $name = basename($file, '.html');
    $current = $name === 'journal-comet' ? 'journal' : $name;
    $items = '';
    foreach ($menu as $target => $label) {
        $state = $target === $current ? ' class="is-current"' : '';
        $badge = $target === 'programme' ? ' <span class="badge">6</span>' : '';
        $items .= "\n      <li$state><a href=\"$target.html\">$label$badge</a></li>";
    }
    $html = strtr($layout, ['{title}' => $page[1], '{classes}' => $page[2], '{menu}' => $items, '{content}' => rtrim($page[3])]);
    file_put_contents("$out/$name.html", $rename($html));
}
foreach (['orrery', 'fonts'] as $sheet) {
    file_put_contents("$out/css/$sheet.css", str_replace('Orrery 1.4', $isSecond ? 'Orrery 2.0' : 'Orrery 1.4', $rename((string) file_get_contents(__DIR__."/theme/css/$sheet.css"))));
}
foreach (glob(__DIR__.'/theme/img/*') ?: [] as $file) {
    copy($file, "$out/img/".basename($file));
}
$fonts = dirname(__DIR__).'/node_modules/@fontsource-variable';
foreach (['literata' => 'literata/files/literata-latin-wght-normal', 'literata-italic' => 'literata/files/literata-latin-wght-italic', 'work-sans' => 'work-sans/files/work-sans-latin-wght-normal'] as $name => $source) {
    copy("$fonts/$source.woff2", "$out/fonts/$name.woff2");
}
