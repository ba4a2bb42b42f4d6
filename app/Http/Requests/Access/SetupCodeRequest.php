<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** The code by which an empty installation is begun. */
class SetupCodeRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['code' => ['required', 'string', 'max:40']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['code.*' => 'Type the code that ./rung start has printed.'];
    }

    public function code(): string
    {
        return $this->string('code')->value();
    }
}
