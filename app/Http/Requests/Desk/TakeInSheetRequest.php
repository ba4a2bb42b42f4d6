<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

/** A sheet that is taken in; its id keeps one that is sent twice from being taken in twice. */
final class TakeInSheetRequest extends SheetRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['id' => ['required', 'uuid']] + parent::rules();
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['id' => 'An id is needed, so that sending twice takes in once.'] + parent::messages();
    }

    public function id(): string
    {
        return $this->string('id')->value();
    }
}
