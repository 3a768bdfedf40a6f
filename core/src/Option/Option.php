<?php

declare(strict_types=1);

namespace Wellspring\Core\Option;

use Wellspring\Core\Problem\Shape;

/**
 * A key that a plug-in has in a definition: said once, for its reader, its JSON Schema and its control in the editors.
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

    /** What holds where nothing is said. */
    public function default(): mixed;

    /** The value that the definition says, or the default; what is wrong is noted. */
    public function read(Shape $shape): mixed;

    /** How a value that is not the default reads in a sentence: “gap wide”. */
    public function words(mixed $value): string;

    /** @return array<string, mixed> JSON Schema (2020-12) */
    public function schema(): array;

    /** @return OptionShape what an editor needs to offer it */
    public function describe(): array;
}
