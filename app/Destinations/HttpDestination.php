<?php

declare(strict_types=1);

namespace App\Destinations;

use App\Models\Image;
use App\Models\Site;
use App\Support\Refusal;
use Illuminate\Http\Client\Response;
use Insignum\Page\PageReader;

/** A host that takes a sheet by PUT with If-Match and a bearer token at /-/sheet, as the practice host does. */
final class HttpDestination implements Destination
{
    private const ENDPOINT = '/-/sheet';

    public function __construct(private readonly GuardedHttp $http)
    {
    }

    public function current(Site $site): LiveSheet
    {
        $response = $this->ask($site, 'GET');

        return new LiveSheet($response->body(), $response->header('ETag'));
    }

    public function put(Site $site, string $css, string $etag): LiveSheet
    {
        $response = $this->ask($site, 'PUT', ['If-Match' => $etag], $css);

        return new LiveSheet($css, $response->header('ETag'));
    }

    public function putImage(Site $site, string $name, string $content, string $mime): void
    {
        $this->ask($site, 'PUT', ['Content-Type' => $mime], $content, '/'.Image::FOLDER.rawurlencode($name));
    }

    public function prove(Site $site, string $css): Proof
    {
        $page = $this->base($site).'/';
        $html = $this->http->send('GET', $page, ['Cache-Control' => 'no-cache']);
        $this->check($html, $site);
        foreach (array_reverse(PageReader::read($html->body())->sheets) as $source) {
            if ($source->address === null) {
                continue;
            }
            $address = $this->http->absolute($source->address, $page);
            $sheet = $this->http->send('GET', $address, ['Cache-Control' => 'no-cache']);
            if ($sheet->successful() && $sheet->body() === $css) {
                return new Proof($page, $address, true, now()->toIso8601String());
            }
        }

        return new Proof($page, null, false, now()->toIso8601String());
    }

    /** @param  array<string, string>  $headers */
    private function ask(Site $site, string $method, array $headers = [], ?string $body = null, string $path = self::ENDPOINT): Response
    {
        $response = $this->http->send($method, $this->base($site).$path, ['Authorization' => 'Bearer '.$site->destination_token, ...$headers], $body);
        $this->check($response, $site);

        return $response;
    }

    private function check(Response $response, Site $site): void
    {
        if ($response->successful()) {
            return;
        }
        $host = (string) parse_url($this->base($site), PHP_URL_HOST);
        throw match (true) {
            $response->status() === 412 => new Refusal('changed-elsewhere', 'Somebody else changed the live sheet since it was last looked at. Nothing was overwritten. Look at the difference, then decide.', 409),
            in_array($response->status(), [401, 403], true) => new Refusal('host-refuses', "{$host} refused: the token is not the right one, or may not write there. Nothing was changed. Check the token under Destination.", 502),
            default => new Refusal('host-fails', "{$host} answered with error {$response->status()}. Nothing is known to have changed there; the draft and all releases are as they were. Try again later.", 502),
        };
    }

    private function base(Site $site): string
    {
        return rtrim($site->destination_url ?? throw new Refusal('no-destination', 'This site has no destination yet. Say where the live site is under Releases; until then, copy or download the sheet.'), '/');
    }
}
