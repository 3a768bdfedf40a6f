<?php

declare(strict_types=1);

namespace App\Http\Requests;

/** A definition that nobody has saved, and from where it is looked at. */
abstract class BenchRequest extends PreviewRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'definition' => ['required', 'array']];
    }

    /** @return array<array-key, mixed> as it was sent, with all that no rule names */
    public function definition(): array
    {
        return (array) ($this->json()->all()['definition'] ?? []);
    }
}
