<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Http\Requests\PracticeDay;
use Illuminate\Foundation\Http\FormRequest;

/** Who stands in for whom, from which day until which. */
final class CoverRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'of' => ['required', 'uuid'],
            'user' => ['required', 'uuid', 'different:of'],
            'from' => ['bail', 'required', 'date_format:Y-m-d', PracticeDay::ahead()],
            'until' => ['bail', 'required', 'date_format:Y-m-d', PracticeDay::ahead(), 'after_or_equal:from'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'of.*' => 'Choose who is away.',
            'user.*' => 'Choose who stands in.',
            'from.required' => 'Choose the first day.',
            'from.date_format' => 'Choose the first day.',
            'until.after_or_equal' => 'The last day must not lie before the first.',
            'until.required' => 'Choose the last day.',
            'until.date_format' => 'Choose the last day.',
        ];
    }
}
