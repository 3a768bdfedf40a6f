<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Listing\ContextFactory;
use App\Site\Address\Sitemap;
use Illuminate\Http\Response;
use Wellspring\Core\Who\Viewer;

/** The sitemaps and robots.txt. */
final readonly class SitemapController
{
    public function __construct(private Sitemap $sitemap, private ContextFactory $contexts)
    {
    }

    public function index(): Response
    {
        $parts = $this->sitemap->parts($this->contexts->now(Viewer::signedOut()));

        return self::xml('site.sitemap-index', ['parts' => $parts]);
    }

    public function part(string $name): Response
    {
        $urls = $this->sitemap->part($name, $this->contexts->now(Viewer::signedOut()));
        abort_if($urls === null, 404);

        return self::xml('site.sitemap', ['urls' => $urls]);
    }

    public function robots(): Response
    {
        $site = rtrim(config()->string('app.url'), '/');

        return response(
            "User-agent: *\nDisallow: /manage\nDisallow: /search\n\nSitemap: {$site}/sitemap.xml\n",
            200,
            ['Content-Type' => 'text/plain; charset=utf-8'],
        );
    }

    /** @param  array<string, mixed>  $data */
    private static function xml(string $view, array $data): Response
    {
        $site = rtrim(config()->string('app.url'), '/');

        return response()->view($view, ['site' => $site] + $data, 200, [
            'Content-Type' => 'application/xml; charset=utf-8',
        ]);
    }
}
