<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Wellspring\Core\Problem\ProblemCode;
use Wellspring\Core\Problem\Refused;

/** A request to /manage/api. The API's description is made from its rules. */
abstract class ApiRequest extends FormRequest
{
    /** For a revision or a version: the range of PostgreSQL's type integer. */
    protected const STORED_INTEGER = ['integer', 'min:0', 'max:2147483647'];

    /**
     * The revision that a change started from.
     *
     * @param  bool  $exists  whether there is anything that the change replaces
     * @return int|null null only for what is new
     *
     * @throws Refused when it is missing
     */
    public function revision(bool $exists): ?int
    {
        $revision = $this->validated('revision');
        if ($exists && ! is_numeric($revision)) {
            throw Refused::because(
                'revision',
                ProblemCode::Missing,
                'expected the revision that the change started from, as it was loaded.',
            );
        }

        return is_numeric($revision) ? (int) $revision : null;
    }

    /** @return array<string, list<mixed>> by key */
    abstract public function rules(): array;
}
