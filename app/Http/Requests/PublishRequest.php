<?php

declare(strict_types=1);

namespace App\Http\Requests;

use OpenApi\Attributes as OA;

/** The revision of the draft that the person saw, so that nothing else is published. */
#[OA\Schema]
final class PublishRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['revision' => ['nullable', ...self::STORED_INTEGER]];
    }

    /** The revision of the draft; null to publish whatever it is. */
    public function seen(): ?int
    {
        return $this->revision(false);
    }
}
