<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Engine\Blobs;
use App\Engine\PreviewAddress;
use App\Engine\PreviewPage;
use App\Models\Image;
use App\Models\Snapshot;
use Illuminate\Http\Response;
use Illuminate\Support\Str;

/** Files of a snapshot for the sandboxed frame, by signed address. Outside the session: the frame sends no cookies. */
final class PreviewController extends Controller
{
    public function __construct(private readonly Blobs $blobs)
    {
    }

    public function show(string $token, string $path): Response
    {
        $snapshot = PreviewAddress::snapshot($token) ?? abort(404);
        $page = $snapshot->pages()->where('path', $path)->first();
        if ($page !== null) {
            $nonce = Str::random(32);

            return $this->answer(PreviewPage::html($this->blobs->get($page->hash), $this->base($token), $nonce), 'text/html; charset=utf-8', PreviewPage::policy($nonce), false);
        }

        return $this->file($snapshot, $token, $path);
    }

    private function file(Snapshot $snapshot, string $token, string $path): Response
    {
        $sheet = $snapshot->stylesheets()->where('path', $path)->first();
        if ($sheet !== null) {
            return $this->answer(PreviewPage::css($this->blobs->get($sheet->hash), $this->base($token)), 'text/css; charset=utf-8', "default-src 'none'", true);
        }
        $own = str_starts_with($path, Image::FOLDER) ? $snapshot->site?->images()->where('name', substr($path, strlen(Image::FOLDER)))->first() : null;
        $asset = $own ?? $snapshot->assets()->where('path', $path)->first() ?? abort(404);

        return $this->answer($this->blobs->get($asset->hash), $asset->mime, "default-src 'none'; style-src 'unsafe-inline'; img-src data:; sandbox", true);
    }

    private function base(string $token): string
    {
        return url("/preview/$token");
    }

    private function answer(string $body, string $type, string $policy, bool $keep): Response
    {
        return response($body, 200, [
            'Content-Type' => $type,
            'Content-Security-Policy' => $policy,
            // The frame's origin is opaque: fonts need this, and the address itself is the key.
            'Access-Control-Allow-Origin' => '*',
            'X-Content-Type-Options' => 'nosniff',
            'Referrer-Policy' => 'no-referrer',
            'Cross-Origin-Resource-Policy' => 'cross-origin',
            'Cache-Control' => $keep ? 'private, max-age=3600' : 'no-store',
        ]);
    }
}
