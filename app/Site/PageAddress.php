<?php

declare(strict_types=1);

namespace App\Site;

/** The address of a page, from which the addresses of its links are written. */
final readonly class PageAddress
{
    /** @param  array<string, string>  $parameters  of the query, by name */
    public function __construct(public string $path, public array $parameters = [])
    {
    }

    /** @param  array<string, string>  $parameters  instead of its own */
    public function withAll(array $parameters): self
    {
        return new self($this->path, $parameters);
    }

    public function whole(): string
    {
        return $this->path.($this->parameters === [] ? '' : '?'.http_build_query($this->parameters));
    }

    /** The same without one of the parameters. */
    public function without(string $name): self
    {
        return new self($this->path, array_diff_key($this->parameters, [$name => '']));
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
