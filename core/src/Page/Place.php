<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** On which pages something of the frame shows: on all, on none, on those named, on all but those named. */
final readonly class Place
{
    private const BELOW = '/*';

    /**
     * @param  'everywhere'|'nowhere'|'pages'|'except'  $kind
     * @param  list<string>  $names  addresses; one may end in `/*`, for it and all below, and may have a placeholder,
     *   for the page of all that fits
     */
    private function __construct(public string $kind, public array $names = [])
    {
    }

    public static function everywhere(): self
    {
        return new self('everywhere');
    }

    /** What cannot be read is noted. */
    public static function read(Shape $entry, Problems $problems): self
    {
        $said = $entry->has('on') ? $entry->raw('on') : 'everywhere';
        if ($said === 'everywhere' || $said === 'nowhere') {
            return new self($said);
        }
        if (! is_array($said)) {
            $entry->wrong('on', 'everywhere, nowhere, or an object with pages or except', $said);

            return self::everywhere();
        }
        $shape = new Shape($said, $entry->at('on'), $problems);
        $kind = $shape->has('except') ? 'except' : 'pages';
        $names = [];
        foreach ($shape->items($kind) as $i => $name) {
            if (is_string($name) && self::isName($name)) {
                $names[] = $name;
            } else {
                $problems->add(
                    Path::to($shape->at($kind), $i),
                    ProblemCode::WrongValue,
                    'expected an address such as /groups, /groups/* or /groups/{group}, found '
                        .Shape::describe($name).'.',
                );
            }
        }
        $shape->noOthers();

        return new self($kind, $names);
    }

    /**
     * @param  AddressPattern  $page  of the page that is shown
     * @param  string  $path  of the address that it is shown under
     */
    public function admits(AddressPattern $page, string $path): bool
    {
        $isNamed = array_filter(
            $this->names,
            fn (string $name): bool => self::names($name, $path) || self::names($name, $page->pattern),
        ) !== [];

        return match ($this->kind) {
            'everywhere' => true,
            'nowhere' => false,
            'pages' => $isNamed,
            'except' => ! $isNamed,
        };
    }

    public function words(): string
    {
        return match ($this->kind) {
            'everywhere' => '',
            'nowhere' => 'nowhere',
            'pages' => 'only on '.implode(', ', $this->names),
            'except' => 'everywhere but on '.implode(', ', $this->names),
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return match ($this->kind) {
            'everywhere' => [],
            'nowhere' => ['on' => 'nowhere'],
            default => ['on' => [$this->kind => $this->names]],
        };
    }

    /** @return array<string, mixed> JSON Schema (2020-12) of `on` */
    public static function schema(): array
    {
        $names = ['type' => 'array', 'items' => ['type' => 'string', 'pattern' => '^/']];
        $one = fn (string $kind): array => [
            'type' => 'object',
            'required' => [$kind],
            'additionalProperties' => false,
            'properties' => [$kind => $names],
        ];

        return ['oneOf' => [['enum' => ['everywhere', 'nowhere']], $one('pages'), $one('except')]];
    }

    private static function isName(string $name): bool
    {
        $address = str_ends_with($name, self::BELOW) ? substr($name, 0, -strlen(self::BELOW)) : $name;
        try {
            AddressPattern::of($address === '' ? '/' : $address);

            return true;
        } catch (\InvalidArgumentException) {
            return false;
        }
    }

    private static function names(string $name, string $address): bool
    {
        if (! str_ends_with($name, self::BELOW)) {
            return $name === $address;
        }
        $from = substr($name, 0, -strlen(self::BELOW));

        return $address === $from || str_starts_with($address, "{$from}/");
    }
}
