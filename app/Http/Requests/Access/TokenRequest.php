<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** What a token is for, and for how long it holds. */
final class TokenRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:80'], 'days' => ['required', 'integer', 'between:1,366']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.required' => 'Say what the token is for.',
            'name.*' => 'The name of a token is a text of 80 letters at most.',
            'days' => 'Say for how many days it holds: 1 to 366.',
        ];
    }

    public function name(): string
    {
        return $this->string('name')->trim()->value();
    }
}
