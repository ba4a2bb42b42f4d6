<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** Exercises whose small pictures are asked for. */
final class FiguresRequest extends FormRequest
{
    private const LONGEST = 8000;

    private const MOST = 120;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['of' => ['required', 'string', 'max:' . self::LONGEST]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['of' => 'Name the exercises, with commas between them, in at most ' . self::LONGEST . ' letters.'];
    }

    /** @return list<string> each once */
    public function exercises(): array
    {
        $keys = array_values(array_unique(explode(',', $this->string('of')->value())));

        return array_slice($keys, 0, self::MOST);
    }
}
