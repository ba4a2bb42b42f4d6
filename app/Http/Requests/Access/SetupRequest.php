<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

/** The first practice of an installation, and its owner. */
final class SetupRequest extends SetupCodeRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return parent::rules() + [
            'practice' => ['required', 'string', 'max:120'],
            'timezone' => ['required', 'timezone:all'],
            'name' => ['required', 'string', 'max:80'],
            'email' => ['required', 'string', 'max:254', 'email'],
            'password' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return parent::messages() + [
            'practice.*' => 'The practice needs a name, of 120 letters at most.',
            'timezone.*' => 'Choose the time zone that the practice works in.',
            'name.*' => 'Your name is needed, of 80 letters at most.',
            'email.*' => 'This is no e-mail address. You sign in with it.',
            'password.*' => 'A password is needed, of 200 letters at most.',
        ];
    }
}
