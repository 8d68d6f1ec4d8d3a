<?php

declare(strict_types=1);

namespace App\Destinations;

use App\Support\Refusal;
use Illuminate\Http\Client\ConnectionException;
use Illuminate\Http\Client\Response;
use Illuminate\Support\Facades\Http;

/**
 * HTTP to addresses that people typed in. A host is looked up once, refused where any of its addresses is private or loopback
 * (unless it is configured), and the connection is pinned to what was looked up. Redirects are followed by hand, checked anew.
 */
final class GuardedHttp
{
    private const MOST_REDIRECTS = 3;

    /** @param  array<string, string>  $headers */
    public function send(string $method, string $url, array $headers = [], ?string $body = null): Response
    {
        for ($hop = 0; $hop <= self::MOST_REDIRECTS; $hop++) {
            $response = $this->once($method, $url, $headers, $body);
            if (! $response->redirect() || $method !== 'GET') {
                return $response;
            }
            $url = $this->absolute($response->header('Location'), $url);
        }

        throw new Refusal('host-redirects', "{$this->host($url)} sends from one address to the next without end. Nothing was changed.", 502);
    }

    /** An address of a page, resolved against the page it stands in. */
    public function absolute(string $address, string $base): string
    {
        if (preg_match('/\Ahttps?:\/\//i', $address)) {
            return $address;
        }
        $parts = parse_url($base);
        $origin = ($parts['scheme'] ?? 'http').'://'.($parts['host'] ?? '').(isset($parts['port']) ? ":{$parts['port']}" : '');
        if (str_starts_with($address, '//')) {
            return ($parts['scheme'] ?? 'http').':'.$address;
        }

        return str_starts_with($address, '/') ? $origin.$address : $origin.preg_replace('/[^\/]*\z/', '', $parts['path'] ?? '/').$address;
    }

    /** @param  array<string, string>  $headers */
    private function once(string $method, string $url, array $headers, ?string $body): Response
    {
        $parts = parse_url($url);
        $scheme = strtolower($parts['scheme'] ?? '');
        $host = $parts['host'] ?? '';
        if (! in_array($scheme, ['http', 'https'], true) || $host === '' || isset($parts['user'])) {
            throw new Refusal('bad-address', "“{$url}” is not an address of a site. It starts with http:// or https:// and a host.");
        }
        $port = $parts['port'] ?? ($scheme === 'https' ? 443 : 80);
        $address = $this->allowedAddress(trim($host, '[]'), $port);
        $request = Http::withHeaders($headers)
            ->timeout(config()->integer('insignum.destination_timeout'))
            ->connectTimeout(4)
            ->withOptions(['allow_redirects' => false, 'curl' => [CURLOPT_RESOLVE => [trim($host, '[]').":$port:$address"], CURLOPT_PROXY => '']]);
        try {
            return $body === null ? $request->send($method, $url) : $request->withBody($body, $headers['Content-Type'] ?? 'text/css; charset=utf-8')->send($method, $url);
        } catch (ConnectionException $error) {
            $why = str_contains($error->getMessage(), 'timed out') ? 'did not answer in time' : 'could not be reached';
            throw new Refusal('host-down', "{$this->host($url)} $why. Nothing was changed there; the draft and all releases are as they were. Try again when the site is up.", 502);
        }
    }

    private function allowedAddress(string $host, int $port): string
    {
        $addresses = filter_var($host, FILTER_VALIDATE_IP) ? [$host] : array_merge(
            gethostbynamel($host) ?: [],
            array_column(@dns_get_record($host, DNS_AAAA) ?: [], 'ipv6'),
        );
        if ($addresses === []) {
            throw new Refusal('host-unknown', "There is no host named {$host}. Nothing was changed. Check the address for a slip of the pen.");
        }
        if (! in_array("$host:$port", config()->array('insignum.private_hosts'), true)) {
            foreach ($addresses as $address) {
                if (! filter_var($address, FILTER_VALIDATE_IP, FILTER_FLAG_NO_PRIV_RANGE | FILTER_FLAG_NO_RES_RANGE) || preg_match('/\A(?:0|100\.(?:6[4-9]|[7-9]\d|1[01]\d|12[0-7])|::ffff:)/i', $address)) {
                    throw new Refusal('private-address', "{$host} lies in a private network, where Insignum does not go by itself. Whoever runs this installation can allow “{$host}:{$port}” in INSIGNUM_PRIVATE_HOSTS.");
                }
            }
        }

        return $addresses[0];
    }

    private function host(string $url): string
    {
        return (string) (parse_url($url, PHP_URL_HOST) ?: $url);
    }
}
