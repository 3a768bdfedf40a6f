<?php

declare(strict_types=1);

namespace App\Site;

/** The address that a page was asked for under, from which the addresses of its links are written. */
final readonly class PageAddress
{
    /** @param  array<array-key, mixed>  $parameters  of the query, by name */
    public function __construct(public string $path, private array $parameters = [])
    {
    }

    /**
     * The same with one parameter changed.
     *
     * @param  string|null  $value  null: without it
     */
    public function with(string $name, ?string $value, string $fragment = ''): string
    {
        $query = $this->parameters;
        unset($query[$name]);
        if ($value !== null) {
            $query[$name] = $value;
        }

        return $this->path.($query === [] ? '' : '?'.http_build_query($query)).($fragment === '' ? '' : "#{$fragment}");
    }
}
