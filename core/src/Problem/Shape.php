<?php

declare(strict_types=1);

namespace Wellspring\Core\Problem;

use Wellspring\Core\Text\ControlCharacters;
use Wellspring\Core\Text\Whitespace;

/**
 * Reads the keys of one object and adds a problem for each fault, so that a reader can continue and report all faults
 * at once.
 */
final class Shape
{
    /** @var array<array-key, mixed> */
    private array $data;

    /**
     * @param  list<string>  $known  keys that are always allowed; others become allowed when they are read
     */
    public function __construct(
        mixed $data,
        public readonly string $path,
        private readonly Problems $problems,
        private array $known = [],
    ) {
        if (! is_array($data) || ($data !== [] && array_is_list($data))) {
            $problems->add($path, ProblemCode::NotAnObject, 'expected an object, found '.self::describe($data).'.');
            $data = [];
        }
        $this->data = $data;
    }

    public function has(string $key): bool
    {
        $this->known[] = $key;

        return array_key_exists($key, $this->data);
    }

    public function raw(string $key): mixed
    {
        $this->known[] = $key;

        return $this->data[$key] ?? null;
    }

    /**
     * The object under the key.
     *
     * @param  list<string>  $known  see the constructor
     */
    public function inner(string $key, array $known = []): self
    {
        return new self($this->raw($key), $this->at($key), $this->problems, $known);
    }

    public function at(string $key): string
    {
        return Path::to($this->path, $key);
    }

    public function text(string $key, ?string $default = null): string
    {
        if (! $this->has($key) && $default !== null) {
            return $default;
        }
        $value = $this->raw($key);
        if (! is_string($value) || Whitespace::isAll($value) || ! self::isPlain($value)) {
            $this->wrong(
                $key,
                is_string($value) && ! self::isPlain($value)
                    ? 'text without control characters'
                    : 'text that is not empty',
                $value,
            );

            return $default ?? '';
        }

        return Whitespace::trim($value);
    }

    public function whole(string $key, int $default, int $min, int $max): int
    {
        return $this->wholeOrNull($key, $min, $max) ?? $default;
    }

    public function wholeOrNull(string $key, int $min, int $max): ?int
    {
        if (! $this->has($key)) {
            return null;
        }
        $value = $this->raw($key);
        if (! is_int($value) || $value < $min || $value > $max) {
            $this->wrong($key, "a whole number from {$min} to {$max}", $value);

            return null;
        }

        return $value;
    }

    public function numberOrNull(string $key): int|float|null
    {
        if (! $this->has($key)) {
            return null;
        }
        $value = $this->raw($key);
        if (! is_int($value) && ! is_float($value)) {
            $this->wrong($key, 'a number', $value);

            return null;
        }

        return $value;
    }

    public function flag(string $key): bool
    {
        if (! $this->has($key)) {
            return false;
        }
        $value = $this->raw($key);
        if (! is_bool($value)) {
            $this->wrong($key, 'true or false', $value);
        }

        return $value === true;
    }

    /** @param  list<string>  $choices  at least one */
    public function oneOf(string $key, array $choices, ?string $default = null): string
    {
        if (! $this->has($key) && $default !== null) {
            return $default;
        }
        $value = $this->raw($key);
        if (! is_string($value) || ! in_array($value, $choices, true)) {
            $this->wrong($key, (count($choices) === 1 ? '' : 'one of ').implode(', ', $choices), $value);

            return $default ?? $choices[0] ?? '';
        }

        return $value;
    }

    /** @return list<mixed> */
    public function items(string $key): array
    {
        if (! $this->has($key)) {
            return [];
        }
        $value = $this->raw($key);
        if (! is_array($value) || ! array_is_list($value)) {
            $this->wrong($key, 'a list', $value);

            return [];
        }

        return $value;
    }

    /** @return list<string> each a slug, none twice */
    public function slugs(string $key): array
    {
        $slugs = [];
        foreach ($this->items($key) as $i => $slug) {
            if (! is_string($slug) || Whitespace::isAll($slug) || ! self::isPlain($slug)) {
                $this->problems->add(
                    Path::to($this->at($key), $i),
                    ProblemCode::WrongValue,
                    'expected a slug, found '.self::describe($slug).'.',
                );
            } elseif (in_array($slug, $slugs, true)) {
                $this->problems->add(
                    Path::to($this->at($key), $i),
                    ProblemCode::Twice,
                    "“{$slug}” is named twice; expected each slug once.",
                );
            } else {
                $slugs[] = $slug;
            }
        }

        return $slugs;
    }

    public function wrong(string $key, string $expected, mixed $found): void
    {
        $missing = ! array_key_exists($key, $this->data);
        $this->problems->add(
            $this->at($key),
            $missing ? ProblemCode::Missing : ProblemCode::WrongValue,
            $missing ? "is missing; expected {$expected}." : "expected {$expected}, found ".self::describe($found).'.',
        );
    }

    /** Adds a problem for every unknown key. Call it after all optional keys were read. */
    public function noOthers(): void
    {
        foreach (array_keys($this->data) as $key) {
            if (! in_array($key, $this->known, true)) {
                $known = array_values(array_unique($this->known));
                sort($known);
                $this->problems->add(
                    Path::to($this->path, $key),
                    ProblemCode::UnknownKey,
                    'is not a known key; expected one of: '.implode(', ', $known).'.',
                );
            }
        }
    }

    /** Valid UTF-8 without control characters. */
    private static function isPlain(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && ! ControlCharacters::areIn($text);
    }

    /** The found value, shortened for a sentence. */
    public static function describe(mixed $value): string
    {
        return match (true) {
            $value === null => 'nothing',
            is_bool($value) => $value ? 'true' : 'false',
            is_string($value) => '“'.mb_strimwidth(mb_scrub($value), 0, 60, '…').'”',
            is_int($value), is_float($value) => (string) json_encode($value, JSON_PARTIAL_OUTPUT_ON_ERROR),
            is_array($value) => array_is_list($value) ? 'a list' : 'an object',
            default => get_debug_type($value),
        };
    }
}
