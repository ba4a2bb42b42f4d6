<?php

declare(strict_types=1);

namespace App\Http\Requests\Desk;

use Illuminate\Foundation\Http\FormRequest;

/** An item of the library as it was changed, and the version that it was changed from. The core reads what it says. */
final class LibraryItemRequest extends FormRequest
{
    public function itemContent(): string
    {
        $fields = $this->fields();

        return is_object($fields->content ?? null) ? json_encode($fields->content, JSON_THROW_ON_ERROR) : '{}';
    }

    public function basedOn(): int
    {
        $version = $this->fields()->version ?? null;

        return is_int($version) ? $version : 0;
    }

    private function fields(): object
    {
        $fields = json_decode($this->getContent(), false, 32);

        return is_object($fields) ? $fields : (object) [];
    }
}
