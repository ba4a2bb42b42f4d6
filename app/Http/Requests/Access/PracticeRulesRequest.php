<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Whose cases staff see, and whether they need a second factor. */
final class PracticeRulesRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'cases_open_to' => ['required', Rule::in(['practice', 'own'])],
            'second_factor_needed' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'cases_open_to.*' => 'Choose whose cases people see.',
            'second_factor_needed.*' => 'Say whether a second factor is needed.',
        ];
    }
}
