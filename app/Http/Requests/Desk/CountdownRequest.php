<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;
use Rung\Core\Time\Day;

/** The day for which an athlete is to be ready. */
final class CountdownRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['by' => ['required', 'date_format:Y-m-d']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['by' => 'Choose the day for which the athlete is to be ready, as 2026-12-12.'];
    }

    public function by(): Day
    {
        return Day::fromIso($this->string('by')->value());
    }
}
