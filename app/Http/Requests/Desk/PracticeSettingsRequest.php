<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\AsksPractice;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** What a practice sets for itself. */
final class PracticeSettingsRequest extends FormRequest
{
    use AsksPractice;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'telephone' => ['present', 'nullable', 'string', 'max:40', 'regex:/^\+?[0-9][0-9 ()\/.-]{3,}$/'],
            'hours' => ['present', 'nullable', 'string', 'max:200'],
            'address' => ['sometimes', 'nullable', 'string', 'max:300'],
            'name' => ['sometimes', 'required', 'string', 'max:120'],
            'timezone' => ['sometimes', 'required', 'timezone:all'],
            'nudge_words' => ['sometimes', 'nullable', 'string', 'max:600'],
            'equipment' => ['sometimes', 'nullable', 'array', 'max:60'],
            'equipment.*' => ['string', Rule::in($this->catalogue()->equipment())],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'telephone.max' => 'The telephone number is too long: 40 letters at most.',
            'telephone.*' => 'The telephone number must be digits, such as +351 210 000 000.',
            'hours.*' => 'Say in 200 letters at most when somebody answers.',
            'address.*' => 'The address has 300 letters at most.',
            'name.*' => 'The practice needs a name, of 120 letters at most.',
            'timezone.*' => 'Choose the time zone that the practice works in.',
            'nudge_words.*' => 'At most 600 letters. {name} stands for the first name.',
            'equipment.*' => 'Choose what is at hand of what the library knows.',
        ];
    }
}
