<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** Another password in place of the current one. */
final class ChangePasswordRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'current' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'current.*' => 'Your current password is needed.',
            'password.*' => 'A new password is needed, of 200 letters at most.',
        ];
    }

    public function current(): string
    {
        return $this->string('current')->value();
    }

    public function password(): string
    {
        return $this->string('password')->value();
    }
}
