<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;
use Rung\Core\Papers\Block;

/** What was written on a paper. */
final class WritePaperRequest extends FormRequest
{
    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return [
            'based_on' => ['required', 'integer', 'min:1'],
            'to' => ['present', 'nullable', 'string', 'max:300'],
            'texts' => ['present', 'array'],
            'texts.*' => ['nullable', 'string', 'max:' . Block::LONGEST],
            'left_out' => ['present', 'array', 'max:60'],
            'left_out.*' => ['string', 'max:80'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'based_on.*' => 'Open the paper again: it is not known which version this was written on.',
            'to.*' => 'Say in 300 letters at most to whom it goes.',
            'texts.*' => 'A part of a paper is a text of ' . Block::LONGEST . ' letters at most.',
            'left_out.*' => 'Choose again which parts are left out.',
        ];
    }

    public function basedOn(): int
    {
        return $this->integer('based_on');
    }

    public function to(): string
    {
        return trim($this->string('to')->value());
    }

    /** @return array<string, string> */
    public function texts(): array
    {
        $texts = [];
        foreach ((array) $this->input('texts') as $key => $text) {
            $texts[(string) $key] = is_string($text) ? trim($text) : '';
        }

        return $texts;
    }

    /** @return list<string> */
    public function leftOut(): array
    {
        return array_values(array_filter((array) $this->input('left_out'), is_string(...)));
    }
}
