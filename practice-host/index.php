<?php

declare(strict_types=1);

/**
 * A small stand-in for a live site: it serves pages with their theme, and the owner's sheet after it.
 *
 *   PRACTICE_SITE=DIR PRACTICE_STORAGE=DIR PRACTICE_TOKEN=… php -S 127.0.0.1:8401 practice-host/index.php
 *
 *   GET  /…             the site; pages link /-/sheet.css last
 *   GET  /-/sheet       the sheet, with its ETag
 *   PUT  /-/sheet       a new one; needs the token, and If-Match with the tag of the old one
 *   PUT  /-/images/NAME an image; needs the token
 *   POST /-/mood        for tests: {"mood": "well" | "slow" | "failing" | "refusing" | "forgetful"}; needs the token
 */
require __DIR__.'/src/Host.php';

(new PracticeHost\Host(
    getenv('PRACTICE_SITE') ?: dirname(__DIR__).'/storage/demo/larkmoor',
    getenv('PRACTICE_STORAGE') ?: __DIR__.'/storage',
    getenv('PRACTICE_TOKEN') ?: '',
))->answer($_SERVER['REQUEST_METHOD'], rawurldecode((string) parse_url($_SERVER['REQUEST_URI'], PHP_URL_PATH)));
