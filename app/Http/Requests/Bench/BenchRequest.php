<?php

declare(strict_types=1);

namespace App\Http\Requests\Bench;

use App\Http\Requests\HasDefinition;
use App\Http\Requests\PreviewRequest;

/** An unsaved definition and the context of its preview. */
abstract class BenchRequest extends PreviewRequest
{
    use HasDefinition;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [...parent::rules(), 'definition' => ['required', 'array']];
    }
}
