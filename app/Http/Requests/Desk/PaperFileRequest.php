<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use App\Papers\PageSize;
use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;

/** On which size a paper is printed. */
final class PaperFileRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['size' => ['required', Rule::enum(PageSize::class)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['size' => 'Choose the size of the paper: A4 or letter.'];
    }
}
