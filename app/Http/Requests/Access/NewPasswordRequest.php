<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Access\Email;
use Illuminate\Foundation\Http\FormRequest;

/** A new password, by a link that was mailed. */
final class NewPasswordRequest extends FormRequest
{
    public const OVER = 'This link was used, is not complete, or has run out. Ask for a new one.';

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'email' => ['required', 'string', 'max:254'],
            'token' => ['required', 'string', 'max:100'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'password.*' => 'A new password is needed, of 200 letters at most.',
            'email.*' => self::OVER,
            'token.*' => self::OVER,
        ];
    }

    /** @return array{email: string, token: string, password: string} as the broker takes them */
    public function credentials(): array
    {
        return [
            'email' => Email::folded($this->string('email')->value()),
            'token' => $this->string('token')->value(),
            'password' => $this->string('password')->value(),
        ];
    }
}
