<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Table\DateForm;
use Rung\Core\Table\Sheet;
use Rung\Core\Table\SheetKind;
use Rung\Core\Table\SheetMatch;

/** A sheet as text, what it holds, and which column says what. */
class SheetRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'kind' => ['required', Rule::enum(SheetKind::class)],
            'text' => ['required', 'string'],
            'columns' => ['present', 'nullable', 'array'],
            'columns.*' => ['nullable', 'integer', 'min:0'],
            'dates' => ['present', 'nullable', Rule::enum(DateForm::class)],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'kind' => 'Say what the sheet holds.',
            'text.*' => 'Choose a sheet, or paste it.',
            'columns.*' => 'Choose a column of the sheet for each, or none.',
            'dates' => 'Say how the sheet writes dates.',
        ];
    }

    /** @throws InvalidInput */
    public function match(): SheetMatch
    {
        $chosen = $this->input('columns');
        $columns = null;
        foreach (is_array($chosen) ? $chosen : [] as $field => $column) {
            $columns[(string) $field] = is_numeric($column) ? (int) $column : null;
        }

        return SheetMatch::match(
            Sheet::read($this->string('text')->value()),
            SheetKind::from($this->string('kind')->value()),
            $columns,
            DateForm::tryFrom($this->string('dates')->value()),
        );
    }
}
