<?php

declare(strict_types=1);

namespace App\Http\Resources;

/**
 * An array that is an object in JSON, also while it is empty.
 *
 * @template-covariant TValue
 */
final readonly class JsonMap implements \JsonSerializable
{
    /** @param  array<array-key, TValue>  $values  by key */
    public function __construct(private array $values)
    {
    }

    public function jsonSerialize(): object
    {
        return (object) $this->values;
    }
}
