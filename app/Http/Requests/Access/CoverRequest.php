<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Http\Requests\AsksPractice;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** Who stands in for whom, from which day until which. */
final class CoverRequest extends FormRequest
{
    use AsksPractice;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'of' => ['required', 'uuid'],
            'user' => ['required', 'uuid', 'different:of'],
            'from' => [
                'bail',
                'required',
                Rule::date()
                    ->format('Y-m-d')
                    ->betweenOrEqual($this->today()->toIso(), $this->lastDay()->toIso()),
            ],
            'until' => [
                'bail',
                'required',
                'date_format:Y-m-d',
                'after_or_equal:from',
                'before_or_equal:' . $this->lastDay()->toIso(),
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'of.*' => 'Choose who is away.',
            'user.*' => 'Choose who stands in.',
            'from.after_or_equal' => 'Choose a day from today on, within a year.',
            'from.before_or_equal' => 'Choose a day from today on, within a year.',
            'from.*' => 'Choose the first day.',
            'until.after_or_equal' => 'The last day must not lie before the first.',
            'until.before_or_equal' => 'Choose a day from today on, within a year.',
            'until.*' => 'Choose the last day.',
        ];
    }
}
