<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** For requests that carry a module's definition. */
trait HasDefinition
{
    /** @return array<array-key, mixed> as it was sent, with all that no rule names */
    public function definition(): array
    {
        return (array) ($this->json()->all()['definition'] ?? []);
    }
}
