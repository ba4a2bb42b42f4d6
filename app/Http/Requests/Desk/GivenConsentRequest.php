<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Http\Requests\AsksPractice;
use App\Models\ConsentPurpose;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** An agreement that was given or taken back, when and how. */
final class GivenConsentRequest extends FormRequest
{
    use AsksPractice;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'purpose' => ['required', Rule::enum(ConsentPurpose::class)],
            'given' => ['required', 'boolean'],
            'on' => [
                'bail',
                'required',
                Rule::date()
                    ->format('Y-m-d')
                    ->beforeOrEqual($this->today()->toIso()),
            ],
            'how' => ['required', 'string', 'max:200'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'purpose.*' => 'Choose what it is about.',
            'given.*' => 'Say whether it was given or taken back.',
            'on.before_or_equal' => 'The day must not lie in the future.',
            'on.*' => 'Choose the day.',
            'how.*' => 'Say how, for instance “in person” or “by letter of 3 May”: 200 letters at most.',
        ];
    }

    public function purpose(): ConsentPurpose
    {
        return ConsentPurpose::from($this->string('purpose')->value());
    }

    public function how(): string
    {
        return $this->string('how')->trim()->value();
    }
}
