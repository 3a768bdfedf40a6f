<?php

declare(strict_types=1);

namespace Wellspring\Core\Map;

/** Another site that supplies the tiles of maps. */
final readonly class TileSource
{
    /** An address with the placeholders {z}, {x} and {y}. */
    public const PATTERN = '~^https://[a-z0-9.-]+(:\d+)?/(?=\S*\{z\})(?=\S*\{x\})(?=\S*\{y\})[^\s"\'<>]*$~Di';

    /**
     * @param  string  $address  `https://tiles.example/{z}/{x}/{y}.png`
     * @param  string  $attribution  the credit that its owner asks for, as plain text
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
