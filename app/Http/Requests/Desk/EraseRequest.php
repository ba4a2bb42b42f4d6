<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Models\Athlete;
use Illuminate\Foundation\Http\FormRequest;

/** Whose record is erased, by the name as it was typed, and why. */
final class EraseRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['name' => ['required', 'string', 'max:200'], 'why' => ['required', 'string', 'max:300']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'name.*' => 'Type the name, so that it is nobody else.',
            'why.*' => 'Say who asked for it and when: 300 letters at most.',
        ];
    }

    public function names(Athlete $athlete): bool
    {
        return mb_strtolower($this->string('name')->trim()->value()) === mb_strtolower($athlete->name);
    }

    public function why(): string
    {
        return $this->string('why')->trim()->value();
    }
}
