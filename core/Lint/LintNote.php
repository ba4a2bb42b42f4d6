<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Catalogue\LintKey;

/** One thing pointed out, with its numbers in words. */
final readonly class LintNote
{
    public function __construct(
        public LintKey $key,
        public string $title,
        public string $why,
        public string $words,
        /** The prescription that it is about; null where it is about the whole stage. */
        public ?string $prescription = null,
    ) {}

    /** @return array{key: string, title: string, why: string, words: string, prescription: string|null} */
    public function toArray(): array
    {
        return [
            'key' => $this->key->value,
            'title' => $this->title,
            'why' => $this->why,
            'words' => $this->words,
            'prescription' => $this->prescription,
        ];
    }
}
