<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

/** An invitation that is taken up, and the password or PIN that was chosen. */
final class JoinRequest extends InvitationRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['password' => ['required', 'string', 'max:200']] + parent::rules();
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'password.required' => 'A password or PIN is needed.',
            'password.*' => 'A password has 200 letters at most.',
        ] + parent::messages();
    }

    public function password(): string
    {
        return $this->string('password')->value();
    }
}
