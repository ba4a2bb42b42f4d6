<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

/** A referral sign that was found. It blocks the start until a practitioner says why it is safe to go on. */
final readonly class FoundSign
{
    public function __construct(public string $key, public string $words, public ?string $why) {}

    public function blocks(): bool
    {
        return trim($this->why ?? '') === '';
    }

    /** @return array{key: string, words: string, why: string|null} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'words' => $this->words, 'why' => $this->why];
    }
}
