<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** What an athlete, or whoever speaks for them, agreed to. */
final class ConsentRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'by' => ['required', 'string', 'max:120'],
            'on' => ['bail', 'required', 'string', 'date_format:Y-m-d', 'before_or_equal:tomorrow', 'after:2000-01-01'],
            'how' => ['required', 'in:spoken,written'],
            'diagnosis' => ['required', 'boolean'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'by.required' => 'Say who agreed: the athlete, or whoever speaks for them.',
            'on.required' => 'Say on which day it was agreed.',
            'on.date_format' => 'The day must be a date, such as 2026-05-04.',
            'on.before_or_equal' => 'The day must not lie ahead.',
            'by.*' => 'Who agreed is a name of 120 letters at most.',
            'on.*' => 'The day must be a date since 2000, such as 2026-05-04.',
            'diagnosis.*' => 'Say whether the diagnosis may be named.',
            'how.*' => 'Say whether it was spoken or written.',
        ];
    }

    /** @return array{by: string, on: string, how: string, diagnosis: bool} */
    public function consent(): array
    {
        return [
            'by' => trim($this->string('by')->value()),
            'on' => $this->string('on')->value(),
            'how' => $this->string('how')->value(),
            'diagnosis' => $this->boolean('diagnosis'),
        ];
    }
}
