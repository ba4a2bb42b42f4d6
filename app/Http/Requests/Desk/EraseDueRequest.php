<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** Whose records are erased, of those that need not be kept any longer. */
final class EraseDueRequest extends FormRequest
{
    /** At a time; as many are listed. */
    public const MOST = 200;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'athletes' => ['required', 'array', 'min:1', 'max:' . self::MOST],
            'athletes.*' => ['uuid'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['athletes.*' => 'Choose whose records are erased.'];
    }
}
