<?php

declare(strict_types=1);

namespace App\Http\Controllers\Manage\Content;

use App\Content\FormDrafts;
use App\Http\Requests\Content\KeepFormDraftRequest;
use App\Models\User;
use Illuminate\Http\Request;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** Keeps what a person has typed into the form of a type, a taxonomy or a term. */
final readonly class FormDraftController
{
    public function __construct(private FormDrafts $drafts)
    {
    }

    /** @return array{keptAt: string} */
    public function keep(KeepFormDraftRequest $request, string $form): array
    {
        self::check($form);
        $values = $request->json()->all()['values'] ?? null;
        if (! is_array($values)) {
            throw Refused::because('values', ProblemCode::NotAnObject, 'expected an object.');
        }
        $revision = $request->validated('revision');

        return ['keptAt' => $this->drafts->keep(
            self::who($request),
            $form,
            is_numeric($revision) ? (int) $revision : null,
            $values,
        )];
    }

    /** @return array{dropped: true} */
    public function drop(Request $request, string $form): array
    {
        self::check($form);
        $this->drafts->drop(self::who($request), $form);

        return ['dropped' => true];
    }

    private static function check(string $form): void
    {
        preg_match('/^(type|taxonomy|term):[a-z0-9_-]{1,64}$/D', $form) === 1
            || abort(404, 'Expected the name of a form, such as type:plant or term:12.');
    }

    private static function who(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : abort(401);
    }
}
