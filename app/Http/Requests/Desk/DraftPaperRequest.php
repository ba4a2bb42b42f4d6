<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\Rule;
use Rung\Core\Papers\PaperKind;

/** Which paper is begun. */
final class DraftPaperRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['kind' => ['required', Rule::enum(PaperKind::class)]];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['kind' => 'Choose one of the papers.'];
    }

    public function kind(): PaperKind
    {
        return PaperKind::from($this->string('kind')->value());
    }
}
