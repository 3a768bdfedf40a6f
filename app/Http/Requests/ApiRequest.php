<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A request to /manage/api; what its rules say is also what the description of the API says. */
abstract class ApiRequest extends FormRequest
{
    /** Of a revision or a version: what PostgreSQL's type integer holds. */
    protected const STORED_INTEGER = ['integer', 'min:0', 'max:2147483647'];

    /** @return array<string, list<mixed>> by key */
    abstract public function rules(): array;
}
