<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;
use Rung\Core\Calendar\LighterWeek;

/** Which week is to be lighter, and by how much. */
final class LighterWeekRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'week' => ['required', 'string', 'date_format:Y-m-d'],
            'less_percent' => [
                'required',
                'integer',
                'between:' . LighterWeek::LEAST_PERCENT . ',' . LighterWeek::MOST_PERCENT,
            ],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'week.*' => 'The week must be a day of it, as 2026-12-07.',
            'less_percent.*' =>
                'How much lighter must be a whole number from ' .
                LighterWeek::LEAST_PERCENT .
                ' to ' .
                LighterWeek::MOST_PERCENT .
                ' (percent).',
        ];
    }
}
