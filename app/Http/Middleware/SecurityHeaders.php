<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\View;
use Illuminate\Support\Str;
use Symfony\Component\HttpFoundation\Response;
use Wellspring\Core\Context\SiteSettings;

/**
 * Security headers of the site's pages (Content Security Policy Level 3, W3C). Visitors' pages have no nonce, so that
 * they can be cached; the manage screens have one for the style sheets of their components.
 */
final class SecurityHeaders
{
    public function __construct(private readonly Container $app)
    {
    }

    public function handle(Request $request, Closure $next): Response
    {
        $nonce = $request->is('manage', 'manage/*') ? Str::random(24) : null;
        View::share('nonce', $nonce);
        /** @var Response $response */
        $response = $next($request);
        foreach ([
            'Content-Security-Policy' => self::policy($nonce, $nonce === null ? $this->frames($response) : []),
            'X-Content-Type-Options' => 'nosniff',
            'X-Frame-Options' => 'DENY',
            'Referrer-Policy' => 'strict-origin-when-cross-origin',
            'Permissions-Policy' => 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
        ] + ($request->isSecure() ? ['Strict-Transport-Security' => 'max-age=31536000'] : []) as $name => $value) {
            $response->headers->set($name, $value);
        }

        return $response;
    }

    /** @return list<string> the hosts whose videos may play on a page; none of what is no page */
    private function frames(Response $response): array
    {
        return str_starts_with((string) $response->headers->get('Content-Type'), 'text/html')
            ? array_values(array_unique(array_column($this->app->make(SiteSettings::class)->videoSites, 'frames')))
            : [];
    }

    /** @param  list<string>  $frames */
    private static function policy(?string $nonce, array $frames): string
    {
        $styles = $nonce === null ? '' : " 'nonce-{$nonce}'";

        return implode('; ', [
            "default-src 'self'",
            "script-src 'self'",
            "style-src 'self'{$styles}",
            // Managers may use pictures and videos from other sites in a text.
            "img-src 'self' data: blob: https:",
            "media-src 'self' https:",
            // Only the video sites in the settings.
            ...$frames === [] ? [] : ['frame-src https://'.implode(' https://', $frames)],
            "object-src 'none'",
            "base-uri 'none'",
            "form-action 'self'",
            // The bench's preview is a document of its own, not a page in a frame.
            "frame-ancestors 'none'",
        ]);
    }
}
