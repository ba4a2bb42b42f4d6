<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** A text that names days: typed, pasted, or of a calendar file. */
final class ReadDaysRequest extends FormRequest
{
    private const MOST_LETTERS = 100_000;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => ['required', 'string', 'max:' . self::MOST_LETTERS]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'text.max' => 'The text is too long to be looked through. Choose a calendar file of this season alone.',
            'text.*' => 'Type or paste at least one day, as 12 Dec.',
        ];
    }
}
