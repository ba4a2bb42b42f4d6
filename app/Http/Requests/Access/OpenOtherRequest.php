<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use Illuminate\Foundation\Http\FormRequest;

/** Why a case of others is opened for a day. */
final class OpenOtherRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['reason' => ['required', 'string', 'min:10', 'max:300']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'reason.*' => 'Say why you cannot wait for its practitioner, in 10 to 300 letters. The owner reads it.',
        ];
    }

    public function reason(): string
    {
        return $this->string('reason')->trim()->value();
    }
}
