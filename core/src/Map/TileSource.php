<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/** Another site that the tiles of maps come from. */
final readonly class TileSource
{
    /** An address with the places {z}, {x} and {y}. */
    public const PATTERN = '~^https://[a-z0-9.-]+(:\d+)?/(?=\S*\{z\})(?=\S*\{x\})(?=\S*\{y\})[^\s"\'<>]*$~Di';

    /**
     * @param  string  $address  `https://tiles.example/{z}/{x}/{y}.png`
     * @param  string  $attribution  what its owner asks to be said, as plain text
     */
    public function __construct(public string $address, public string $attribution)
    {
    }

    public function host(): string
    {
        return (string) parse_url($this->address, PHP_URL_HOST);
    }

    /** @return array{tiles: string, attribution: string} */
    public function toArray(): array
    {
        return ['tiles' => $this->address, 'attribution' => $this->attribution];
    }
}
