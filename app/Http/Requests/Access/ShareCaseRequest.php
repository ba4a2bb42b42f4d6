<?php

declare(strict_types=1);

namespace App\Http\Requests\Access;

use App\Http\Requests\PracticeDay;
use Illuminate\Foundation\Http\FormRequest;

/** With whom a case is shared, and until which day. */
final class ShareCaseRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'user' => ['required', 'uuid'],
            'until' => ['bail', 'nullable', 'date_format:Y-m-d', PracticeDay::ahead()],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['user.*' => 'Choose with whom.', 'until.date_format' => 'Choose the last day.'];
    }

    public function until(): ?string
    {
        return $this->filled('until') ? $this->string('until')->value() : null;
    }
}
