<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** Why somebody leaves, and who takes their cases over. */
final class LeaveRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['to' => ['nullable', 'uuid'], 'note' => ['required', 'string', 'max:300']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'to.*' => 'Choose who takes the cases over.',
            'note.*' => 'Say why, for the record of each case: 300 letters at most.',
        ];
    }

    public function note(): string
    {
        return $this->string('note')->value();
    }
}
