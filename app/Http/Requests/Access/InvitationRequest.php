<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** An invitation that is looked at. */
class InvitationRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['token' => ['required', 'string', 'max:100']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'token.*' => 'This invitation is not complete. Open the link again, or ask your practice for a new one.',
        ];
    }

    public function token(): string
    {
        return $this->string('token')->value();
    }
}
