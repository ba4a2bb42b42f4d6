<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** Whether a record is set aside, and why. */
final class RestrictRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['restricted' => ['required', 'boolean'], 'why' => ['required', 'string', 'max:300']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'restricted.*' => 'Say whether the record is set aside.',
            'why.*' => 'Say what the athlete asked for, and why: 300 letters at most.',
        ];
    }

    public function why(): string
    {
        return $this->string('why')->trim()->value();
    }
}
