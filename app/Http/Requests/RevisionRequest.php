<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The revision that the person saw. The write is refused if a newer one exists. */
#[OA\Schema]
final class RevisionRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['nullable', ...self::STORED_INTEGER]];
    }

    /** The revision; null to accept any. */
    public function seen(): ?int
    {
        return $this->revision(false);
    }
}
