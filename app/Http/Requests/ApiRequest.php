<?php

declare(strict_types=1);

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;

/** A request to /manage/api; what its rules say is also what the description of the API says. */
abstract class ApiRequest extends FormRequest
{
    /** @return array<string, list<mixed>> by key */
    abstract public function rules(): array;
}
