<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Content\FormDrafts;
use App\Models\User;
use Illuminate\Http\Request;

/**
 * The unsaved draft that the signed-in person has of a form.
 *
 * @phpstan-type FormDraftShape array{values: JsonMap<mixed>, revision: int|null, keptAt: string}
 */
final readonly class FormDraftResource
{
    public function __construct(private FormDrafts $drafts)
    {
    }

    /** @return FormDraftShape|null */
    public function of(Request $request, string $form): ?array
    {
        $user = $request->user();
        $draft = $user instanceof User ? $this->drafts->of($user, $form) : null;

        return $draft === null ? null : [...$draft, 'values' => new JsonMap($draft['values'])];
    }
}
