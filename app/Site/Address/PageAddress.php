<?php

declare(strict_types=1);

namespace App\Site\Address;

/** The address of a page. The addresses of its links are made from it. */
final readonly class PageAddress
{
    /**
     * @param  array<string, string>  $parameters  of the query, by name
     * @param  list<string>  $order  names of parameters, in the order of the canonical address
     */
    public function __construct(public string $path, public array $parameters = [], private array $order = [])
    {
    }

    /**
     * @param  array<string, string>  $parameters  instead of its own
     * @param  list<string>  $order  see the constructor
     */
    public function withAll(array $parameters, array $order = []): self
    {
        return new self($this->path, $parameters, $order);
    }

    public function whole(): string
    {
        return self::written($this->path, $this->parameters);
    }

    /** The same without some of the parameters. */
    public function without(string ...$names): self
    {
        return new self($this->path, array_diff_key($this->parameters, array_flip($names)), $this->order);
    }

    /**
     * The same with one parameter changed, at its place in the canonical order.
     *
     * @param  string|null  $value  null removes the parameter
     */
    public function with(string $name, ?string $value, string $fragment = ''): string
    {
        $query = $this->parameters;
        unset($query[$name]);
        if ($value !== null) {
            $query[$name] = $value;
        }
        $places = array_flip($this->order);
        uksort($query, fn (string $a, string $b): int => ($places[$a] ?? PHP_INT_MAX) <=> ($places[$b] ?? PHP_INT_MAX));

        return self::written($this->path, $query).($fragment === '' ? '' : "#{$fragment}");
    }

    public function withFragment(string $fragment): string
    {
        return "{$this->whole()}#{$fragment}";
    }

    /** @param  array<string, string>  $query */
    private static function written(string $path, array $query): string
    {
        // A comma is allowed in a query (RFC 3986, 3.4), and is easier to read than %2C.
        return $path.($query === [] ? '' : '?'.str_replace('%2C', ',', http_build_query($query)));
    }
}
