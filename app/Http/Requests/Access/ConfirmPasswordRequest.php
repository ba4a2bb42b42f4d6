<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** The password again, before a sensitive act. */
final class ConfirmPasswordRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['password' => ['required', 'string', 'max:200']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['password.*' => 'Your current password is needed.'];
    }

    public function password(): string
    {
        return $this->string('password')->value();
    }
}
