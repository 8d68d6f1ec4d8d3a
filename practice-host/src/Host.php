<?php

declare(strict_types=1);

namespace PracticeHost;

final class Host
{
    private const TYPES = [
        'html' => 'text/html; charset=utf-8', 'css' => 'text/css; charset=utf-8', 'svg' => 'image/svg+xml', 'png' => 'image/png',
        'jpg' => 'image/jpeg', 'jpeg' => 'image/jpeg', 'webp' => 'image/webp', 'gif' => 'image/gif', 'avif' => 'image/avif', 'woff2' => 'font/woff2', 'js' => 'text/javascript',
    ];

    private const MOODS = ['well', 'slow', 'failing', 'refusing', 'forgetful'];

    private const LARGEST_IMAGE = 10 * 1024 * 1024;

    public function __construct(private readonly string $site, private readonly string $storage, private readonly string $token)
    {
        is_dir("$storage/images") || mkdir("$storage/images", 0777, true);
    }

    public function answer(string $method, string $path): void
    {
        $mood = $this->read('mood') ?: 'well';
        if ($path !== '/-/mood') {
            if ($mood === 'slow') {
                sleep((int) (getenv('PRACTICE_SLOW_SECONDS') ?: 20));
            }
            if ($mood === 'failing') {
                $this->say(500, 'The host is out of order.');

                return;
            }
        }
        match (true) {
            $method === 'POST' && $path === '/-/mood' => $this->mood(),
            $method === 'GET' && $path === '/-/sheet' => $this->sheet(),
            $method === 'PUT' && $path === '/-/sheet' => $this->put($mood),
            $method === 'GET' && $path === '/-/sheet.css' => $this->sheet(),
            $method === 'PUT' && str_starts_with($path, '/-/images/') => $this->image(substr($path, 10)),
            $method === 'GET' || $method === 'HEAD' => $this->file($path),
            default => $this->say(405, 'No such thing can be done here.'),
        };
    }

    private function sheet(): void
    {
        $css = $this->read('sheet.css');
        header('ETag: '.$this->tag($css));
        header('Cache-Control: no-cache');
        $this->say(200, $css, 'css');
    }

    private function put(string $mood): void
    {
        if (! $this->mayWrite() || $mood === 'refusing') {
            $this->say(403, 'The token is not the right one.');

            return;
        }
        $current = $this->tag($this->read('sheet.css'));
        $given = $_SERVER['HTTP_IF_MATCH'] ?? '';
        if ($given === '') {
            $this->say(428, 'Say in If-Match which sheet this one replaces.');

            return;
        }
        if ($given !== $current) {
            header("ETag: $current");
            $this->say(412, 'The sheet is another one by now.');

            return;
        }
        $css = (string) file_get_contents('php://input');
        if ($mood !== 'forgetful') {
            $this->write('sheet.css', $css);
        }
        header('ETag: '.$this->tag($css));
        http_response_code(204);
    }

    private function image(string $name): void
    {
        $content = (string) file_get_contents('php://input', length: self::LARGEST_IMAGE + 1);
        $problem = match (true) {
            ! $this->mayWrite() => [403, 'The token is not the right one.'],
            ! preg_match('/\A[a-z0-9][a-z0-9._-]{0,80}\.(?:png|jpe?g|webp|gif|avif)\z/i', $name) => [422, 'An image has a plain name that ends in png, jpg, webp, gif or avif.'],
            strlen($content) > self::LARGEST_IMAGE => [413, 'An image has 10 MB at the most.'],
            @getimagesizefromstring($content) === false => [415, 'This is not an image.'],
            default => null,
        };
        if ($problem !== null) {
            $this->say(...$problem);

            return;
        }
        $this->write("images/$name", $content);
        header("Location: /-/images/$name");
        http_response_code(201);
    }

    private function mood(): void
    {
        $given = json_decode((string) file_get_contents('php://input'), true);
        $mood = is_array($given) ? ($given['mood'] ?? '') : '';
        if (! $this->mayWrite() || ! in_array($mood, self::MOODS, true)) {
            $this->say(422, 'A mood is one of '.implode(', ', self::MOODS).', and needs the token.');

            return;
        }
        $this->write('mood', $mood);
        $this->say(200, $mood);
    }

    private function file(string $path): void
    {
        if (str_starts_with($path, '/-/images/')) {
            $file = $this->storage.'/images/'.basename($path);
        } else {
            $file = realpath($this->site.'/'.ltrim($path === '/' ? 'index.html' : $path, '/'));
            $root = realpath($this->site);
            if ($file === false || $root === false || ! str_starts_with($file, $root.'/')) {
                $file = '';
            }
        }
        $type = strtolower(pathinfo((string) $file, PATHINFO_EXTENSION));
        if (! is_file((string) $file) || ! isset(self::TYPES[$type])) {
            $this->say(404, 'There is no such page.');

            return;
        }
        $content = (string) file_get_contents((string) $file);
        if ($type === 'html') {
            $tag = trim($this->tag($this->read('sheet.css')), '"');
            $content = str_replace('</head>', "  <link rel=\"stylesheet\" href=\"/-/sheet.css?v=$tag\">\n</head>", $content);
            header('Cache-Control: no-cache');
        }
        $this->say(200, $content, $type);
    }

    private function mayWrite(): bool
    {
        return $this->token !== '' && hash_equals("Bearer {$this->token}", $_SERVER['HTTP_AUTHORIZATION'] ?? '');
    }

    private function tag(string $css): string
    {
        return '"'.substr(hash('sha256', $css), 0, 16).'"';
    }

    private function read(string $name): string
    {
        return is_file("{$this->storage}/$name") ? (string) file_get_contents("{$this->storage}/$name") : '';
    }

    /** Whole or not at all, as pages may be read meanwhile. */
    private function write(string $name, string $content): void
    {
        $new = tempnam($this->storage, 'new');
        file_put_contents((string) $new, $content);
        rename((string) $new, "{$this->storage}/$name");
    }

    private function say(int $status, string $body, string $type = ''): void
    {
        http_response_code($status);
        header('Content-Type: '.(self::TYPES[$type] ?? 'text/plain; charset=utf-8'));
        header('X-Content-Type-Options: nosniff');
        echo $body;
    }
}
