<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Access\Email;
use Illuminate\Foundation\Http\FormRequest;

/** Who forgot the password. */
final class ForgottenPasswordRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'max:254', 'email']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'email.*' =>
                'Type the e-mail address that you sign in with. Whoever signs in with a name asks their practitioner for a new invitation.',
        ];
    }

    public function email(): string
    {
        return Email::folded($this->string('email')->value());
    }
}
