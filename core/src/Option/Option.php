<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/**
 * A key of a plug-in in a definition: its reader, its JSON Schema and its control in the editors in one place.
 *
 * @phpstan-type PlainOptionShape array{
 *     key: string, label: string, kind: string, default: mixed, choices?: list<array{value: string, label: string}>,
 *     min?: int, max?: int, step?: int, unit?: string, hint?: string,
 * }
 * @phpstan-type OptionShape array{
 *     key: string, label: string, kind: string, default: mixed, choices?: list<array{value: string, label: string}>,
 *     min?: int, max?: int, step?: int, unit?: string, hint?: string, options?: list<PlainOptionShape>,
 * }
 */
interface Option
{
    public function key(): string;

    public function label(): string;

    /** The default value. */
    public function default(): mixed;

    /** The value in the definition, or the default. Adds problems if it is invalid. */
    public function read(Shape $shape): mixed;

    /** A value other than the default in words: “gap wide”. */
    public function words(mixed $value): string;

    /** @return array<string, mixed> JSON Schema (2020-12) */
    public function schema(): array;

    /** @return OptionShape what an editor needs to offer it */
    public function describe(): array;
}
