<?php

declare(strict_types=1);

namespace App\Http\Requests\People;

use App\Enums\AuditAction;
use App\Http\Requests\ApiRequest;

/** The search and page of the audit trail. */
final class AuditTableRequest extends ApiRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'page' => ['nullable', 'integer', 'min:1', 'max:100000'],
            'action' => ['nullable', 'in:'.implode(',', array_column(AuditAction::cases(), 'value'))],
            'q' => ['nullable', 'string', 'max:200'],
        ];
    }
}
