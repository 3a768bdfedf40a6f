<?php

declare(strict_types=1);

namespace Wellspring\Core\Page;

use Wellspring\Core\Page\Address\AddressPattern;
use Wellspring\Core\Problem\Path;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Problems;
use Wellspring\Core\Problem\Shape;

/** The pages on which a block of the frame shows: all, none, only those named, or all but those named. */
final readonly class Place
{
    private const BELOW = '/*';

    /**
     * @param  'everywhere'|'nowhere'|'pages'|'except'  $kind
     * @param  list<string>  $names  addresses; one may end in `/*`, which includes all below it, and may have a
     *   placeholder, which means the page for all its records
     */
    private function __construct(public string $kind, public array $names = [])
    {
    }

    public static function everywhere(): self
    {
        return new self('everywhere');
    }

    /**
     * @param  bool  $takesNewPages  true if the names are pages without the block, so that new pages show it
     * @param  list<string>  $names  addresses; one may end in `/*`
     */
    public static function of(bool $takesNewPages, array $names): self
    {
        return match (true) {
            $names !== [] => new self($takesNewPages ? 'except' : 'pages', $names),
            default => new self($takesNewPages ? 'everywhere' : 'nowhere'),
        };
    }

    /** True if new pages show it, unless they are named. */
    public function takesNewPages(): bool
    {
        return $this->kind === 'everywhere' || $this->kind === 'except';
    }

    /** The name for a page with all below it. */
    public static function allBelow(string $address): string
    {
        return $address.self::BELOW;
    }

    /** @return string|null the address of `/shop/*`, which is `/shop`; null where the name is that of one page */
    public static function branchOf(string $name): ?string
    {
        return str_ends_with($name, self::BELOW) ? substr($name, 0, -strlen(self::BELOW)) : null;
    }

    /** @param  list<string>  $names */
    public static function isNamedBy(array $names, string $address): bool
    {
        return array_filter($names, fn (string $name): bool => self::names($name, $address)) !== [];
    }

    /** Adds problems if it is invalid. */
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
     * @param  AddressPattern  $page  of the current page
     * @param  string  $path  of the current address
     */
    public function admits(AddressPattern $page, string $path): bool
    {
        return $this->takesNewPages() !== (
            self::isNamedBy($this->names, $path) || self::isNamedBy($this->names, $page->pattern)
        );
    }

    /** The same for a page with an address, for all of its records. */
    public function admitsPage(string $address): bool
    {
        return $this->takesNewPages() !== self::isNamedBy($this->names, $address);
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
        $address = self::branchOf($name) ?? $name;
        try {
            AddressPattern::of($address === '' ? '/' : $address);

            return true;
        } catch (\InvalidArgumentException) {
            return false;
        }
    }

    private static function names(string $name, string $address): bool
    {
        $from = self::branchOf($name);

        return $from === null
            ? $name === $address
            : $address === $from || str_starts_with($address, "{$from}/");
    }
}
