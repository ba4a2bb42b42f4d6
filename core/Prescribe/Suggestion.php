<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

/** A number that follows from what was tested or logged, offered for a field of a dose. */
final readonly class Suggestion
{
    public function __construct(
        /** The field of the dose that it is for; null where it is only told. */
        public ?string $field,
        public int|float|null $value,
        /** What it is and what it rests on, with units. */
        public string $words,
    ) {}

    /** @return array{field: string|null, value: int|float|null, words: string} */
    public function toArray(): array
    {
        return ['field' => $this->field, 'value' => $this->value, 'words' => $this->words];
    }
}
