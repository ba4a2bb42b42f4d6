<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Access\Email;
use Closure;
use Illuminate\Foundation\Http\FormRequest;

/** Who would sign in. */
final class SignInRequest extends FormRequest
{
    private const UNSOUND = 'This is neither an e-mail address nor a sign-in name. Check it.';

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'email' => [
                'required',
                'string',
                'max:254',
                static fn(string $field, mixed $value, Closure $fail) => is_string($value) && Email::isSound($value)
                    ? null
                    : $fail(self::UNSOUND),
            ],
            'password' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'email.required' => 'Your e-mail address or sign-in name is needed.',
            'email.string' => self::UNSOUND,
            'email.max' => self::UNSOUND,
            'password.required' => 'Your password is needed.',
            'password.*' => 'A password has 200 letters at most.',
        ];
    }

    /** The address, or the name that somebody without one signs in with. */
    public function email(): string
    {
        return Email::folded($this->string('email')->value());
    }

    public function password(): string
    {
        return $this->string('password')->value();
    }
}
