<?php

declare(strict_types=1);

namespace App\Http\Requests\Phone;

use Illuminate\Foundation\Http\FormRequest;

/** When a phone reminds of what: minutes after midnight, or not at all. */
final class PushPhoneRequest extends FormRequest
{
    private const LAST_MINUTE = 1439;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        $time = ['present', 'nullable', 'integer', 'between:0,' . self::LAST_MINUTE];

        return ['morning_at' => $time, 'session_at' => $time, 'messages' => ['required', 'boolean']];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        $time = 'must be minutes after midnight, from 0 to ' . self::LAST_MINUTE . ', or nothing.';

        return [
            'morning_at.*' => "When the morning is reminded of $time",
            'session_at.*' => "When the session is reminded of $time",
            'messages.*' => 'Say whether this phone shows messages of the practice.',
        ];
    }

    /** @return array{morning_at: int|null, session_at: int|null, messages: bool} */
    public function times(): array
    {
        return [
            'morning_at' => $this->filled('morning_at') ? $this->integer('morning_at') : null,
            'session_at' => $this->filled('session_at') ? $this->integer('session_at') : null,
            'messages' => $this->boolean('messages'),
        ];
    }
}
