<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Http\Requests\AsksPractice;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** With whom a case is shared, and until which day. */
final class ShareCaseRequest extends FormRequest
{
    use AsksPractice;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'user' => ['required', 'uuid'],
            'until' => [
                'bail',
                'nullable',
                Rule::date()
                    ->format('Y-m-d')
                    ->betweenOrEqual($this->today()->toIso(), $this->lastDay()->toIso()),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'user.*' => 'Choose with whom.',
            'until.date_format' => 'Choose the last day.',
            'until.*' => 'Choose a day from today on, within a year.',
        ];
    }

    public function until(): ?string
    {
        return $this->filled('until') ? $this->string('until')->value() : null;
    }
}
