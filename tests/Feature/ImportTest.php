<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Models\Site;
use App\Models\Snapshot;
use Illuminate\Http\UploadedFile;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;
use ZipArchive;

final class ImportTest extends TestCase
{
    private const PAGE = '<!doctype html><title>Home</title><link rel="stylesheet" href="theme.css"><link rel="stylesheet" href="https://fonts.example/x.css"><p class="quote">x</p>';

    /** @param  array<string, string>  $entries */
    private static function zip(array $entries, ?callable $more = null): UploadedFile
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'zip');
        $zip = new ZipArchive;
        $zip->open($file, ZipArchive::OVERWRITE);
        foreach ($entries as $path => $content) {
            $zip->addFromString($path, $content);
        }
        $more === null || $more($zip);
        $zip->close();

        return new UploadedFile($file, 'site.zip', 'application/zip', null, true);
    }

    /** @param  list<UploadedFile>  $files */
    private function bringIn(array $files): Snapshot
    {
        $user = $this->user();
        $this->actingAs($user)->post('/sites', ['name' => 'Saved', 'files' => $files])->assertRedirect();

        return Site::query()->where('user_id', $user->id)->firstOrFail()->snapshots()->firstOrFail();
    }

    public function test_a_zip_of_saved_pages_is_read_with_its_images_and_what_is_missing_is_told(): void
    {
        $image = (string) file_get_contents(dirname(__DIR__, 2).'/demo/theme/img/star-tile.png');
        $snapshot = $this->bringIn([self::zip(['saved/index.html' => self::PAGE, 'saved/about/us.html' => '<html><body>a</body></html>', 'saved/theme.css' => '.quote { color: red', 'saved/img/tile.png' => $image, 'saved/app.js' => 'alert(1)'])]);

        self::assertSame(Snapshot::READY, $snapshot->state);
        self::assertSame(['index.html', 'about/us.html'], $snapshot->pages->pluck('path')->all());
        $asset = $snapshot->assets()->firstOrFail();
        self::assertSame([160, 160, 'image/png'], [$asset->width, $asset->height, $asset->mime]);
        $told = implode(' ', $snapshot->notices);
        self::assertStringContainsString('https://fonts.example/x.css', $told);
        self::assertStringContainsString('theme.css, line 1', $told);
        self::assertStringContainsString('never closed', $told);
    }

    public function test_single_files_work_too_and_a_file_that_is_no_page_is_left_out(): void
    {
        $snapshot = $this->bringIn([
            UploadedFile::fake()->createWithContent('index.html', self::PAGE),
            UploadedFile::fake()->createWithContent('picture.html', "\x89PNG\r\n\x1a\n\0\0\0"),
            UploadedFile::fake()->createWithContent('theme.css', 'a{}'),
        ]);

        self::assertSame(Snapshot::READY, $snapshot->state);
        self::assertSame(['index.html'], $snapshot->pages->pluck('path')->all());
        self::assertStringContainsString('picture.html', implode(' ', $snapshot->notices));
    }

    public function test_a_page_of_50_megabytes_is_left_out_and_the_rest_is_read(): void
    {
        $snapshot = $this->bringIn([UploadedFile::fake()->createWithContent('index.html', self::PAGE), UploadedFile::fake()->createWithContent('big.html', str_repeat('<p>', intdiv(50 * 1024 * 1024, 3) + 1))]);

        self::assertSame(Snapshot::READY, $snapshot->state);
        self::assertStringContainsString('“big.html” was left out: it has 50 MB', implode(' ', $snapshot->notices));
    }

    /** @return iterable<string, array{callable(): list<UploadedFile>, string}> */
    public static function bad(): iterable
    {
        yield 'a broken archive' => [static fn (): array => [UploadedFile::fake()->createWithContent('site.zip', 'PK not really')], 'can’t be opened'];
        yield 'a path that leaves the archive' => [static fn (): array => [self::zip(['../../etc/index.html' => self::PAGE])], 'points outside'];
        yield 'an absolute path' => [static fn (): array => [self::zip(['/etc/index.html' => self::PAGE])], 'points outside'];
        yield 'a link' => [static fn (): array => [self::zip(['index.html' => self::PAGE, 'l.css' => '/etc/passwd'], static fn (ZipArchive $z) => $z->setExternalAttributesName('l.css', ZipArchive::OPSYS_UNIX, 0120777 << 16))], 'points outside'];
        yield 'an archive that unfolds without end' => [static fn (): array => [self::zip(['index.html' => self::PAGE, 'x.css' => str_repeat('a{}', 4_000_000)])], 'Unpacked, this archive would be'];
        yield 'no page at all' => [static fn (): array => [self::zip(['theme.css' => 'a{}'])], 'no HTML page'];
    }

    /** @param  callable(): list<UploadedFile>  $files */
    #[DataProvider('bad')]
    public function test_bad_uploads_get_a_sentence_and_store_nothing(callable $files, string $words): void
    {
        $snapshot = $this->bringIn($files());

        self::assertSame(Snapshot::FAILED, $snapshot->state);
        self::assertStringContainsString($words, (string) $snapshot->message);
        self::assertSame(0, $snapshot->pages()->count() + $snapshot->stylesheets()->count());
        $this->get("/sites/{$snapshot->site_id}")->assertOk()->assertSee('Arriving', false);
    }

    public function test_paths_of_loose_files_are_checked(): void
    {
        $this->actingAs($user = $this->user())->post('/sites', ['name' => 'X', 'files' => [UploadedFile::fake()->createWithContent('a.html', self::PAGE)], 'paths' => ['../../a.html']]);

        self::assertSame(Snapshot::FAILED, Site::query()->where('user_id', $user->id)->firstOrFail()->snapshots()->firstOrFail()->state);
    }
}
