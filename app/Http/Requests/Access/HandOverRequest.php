<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** Who takes a case over, and why. */
final class HandOverRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['to' => ['required', 'uuid'], 'note' => ['required', 'string', 'max:300']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'to.*' => 'Choose who takes the case over.',
            'note.*' => 'Say why, for the record of the case: 300 letters at most.',
        ];
    }

    public function note(): string
    {
        return $this->string('note')->value();
    }
}
