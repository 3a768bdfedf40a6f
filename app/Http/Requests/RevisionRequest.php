<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The revision that the person saw, so that nothing else is published, removed or written over. */
#[OA\Schema]
final class RevisionRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['nullable', ...self::STORED_INTEGER]];
    }

    /** The revision; null to accept whichever is stored. */
    public function seen(): ?int
    {
        return $this->revision(false);
    }
}
