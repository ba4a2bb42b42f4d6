<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

/** A referral sign that was found. It blocks the start until a practitioner says why it is safe to go on. */
final readonly class FoundSign
{
    private const LEAST_LETTERS = 20;

    private const LEAST_WORDS = 3;

    public function __construct(public string $key, public string $words, public ?string $why) {}

    public function blocks(): bool
    {
        return trim($this->why ?? '') === '';
    }

    /** Whether the reason for going on is a sentence, not a word. */
    public function isExplained(): bool
    {
        $why = trim($this->why ?? '');

        return mb_strlen($why) >= self::LEAST_LETTERS && preg_match_all('/\p{L}+/u', $why) >= self::LEAST_WORDS;
    }

    /** @return array{key: string, words: string, why: string|null} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'words' => $this->words, 'why' => $this->why];
    }
}
