<?php

declare(strict_types=1);

namespace App\Care;

use Rung\Core\Time\Day;

/** What a practitioner advised to cut or change for now, and for how long it stands. */
final readonly class Advice
{
    public function __construct(
        public string $words,
        public Day $from,
        /** The last day on which it stands; null where it stands until it is taken off. */
        public ?Day $until,
    ) {}

    /** @param array<mixed> $kept */
    public static function fromArray(array $kept): self
    {
        $text = static fn(string $name): ?string => is_string($kept[$name] ?? null) ? $kept[$name] : null;
        $until = $text('until');

        return new self(
            $text('words') ?? '',
            Day::fromIso($text('from') ?? ''),
            $until === null ? null : Day::fromIso($until),
        );
    }

    /**
     * The words of what still stands on a day.
     *
     * @param list<self> $all
     *
     * @return list<string>
     */
    public static function standing(array $all, Day $on): array
    {
        return array_column(
            array_filter(
                $all,
                static fn(self $advice): bool => $advice->until === null || !$on->isAfter($advice->until),
            ),
            'words',
        );
    }

    /** @return array{words: string, from: string, until: string|null} */
    public function toArray(): array
    {
        return ['words' => $this->words, 'from' => $this->from->toIso(), 'until' => $this->until?->toIso()];
    }
}
