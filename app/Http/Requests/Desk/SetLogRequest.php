<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** What a device wrote down, as text. */
final class SetLogRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['text' => ['required', 'string']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['text' => 'Choose a file of the device.'];
    }
}
