<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** For how long records are kept; nothing: for good. */
final class KeepYearsRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['kept_years' => ['present', 'nullable', 'integer', 'between:1,50']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['kept_years.*' => 'Say for how many whole years records are kept: 1 to 50.'];
    }

    public function years(): ?int
    {
        return $this->input('kept_years') === null ? null : $this->integer('kept_years');
    }
}
