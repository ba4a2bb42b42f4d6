<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** The second step of signing in. */
final class SignInCodeRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['code' => ['required', 'string', 'max:20']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['code.*' => 'Type the six digits that your app shows, or one of your recovery codes.'];
    }
}
