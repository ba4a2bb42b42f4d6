<?php

declare(strict_types=1);

namespace App\Actions;

/** What a decision put in force, as it is needed to take it back. Kept with the decision. */
final readonly class UndoData
{
    /**
     * @param list<string> $doseChanges ids of rows that it made
     * @param array<string, mixed> $case fields of the case as they were
     * @param list<array{session: string, on: string, moved_from: string|null}> $moved sessions as they stood
     * @param list<string> $added ids of sessions that were put in once more
     * @param array{version: int, changes: list<array<string, mixed>>}|null $waiting the version that gave way before its first day
     */
    public function __construct(
        /** The version of the plan that was in force before; null where the plan was left alone. */
        public ?int $planVersion = null,
        public array $doseChanges = [],
        public ?string $stageEntry = null,
        public ?string $review = null,
        public ?string $signOff = null,
        public array $case = [],
        public ?array $waiting = null,
        public array $moved = [],
        public array $added = [],
    ) {}

    /** @param array<string, mixed> $case fields of the case as they were before */
    public function withCase(array $case): self
    {
        return new self(
            $this->planVersion,
            $this->doseChanges,
            $this->stageEntry,
            $this->review,
            $this->signOff,
            $this->case + $case,
            $this->waiting,
            $this->moved,
            $this->added,
        );
    }

    /** @param array<string, mixed> $kept */
    public static function from(array $kept): self
    {
        $id = static fn(string $name): ?string => is_string($kept[$name] ?? null) ? $kept[$name] : null;
        $case = $kept['case'] ?? [];

        return new self(
            is_int($kept['planVersion'] ?? null) ? $kept['planVersion'] : null,
            array_values(array_filter((array) ($kept['doseChanges'] ?? []), is_string(...))),
            $id('stageEntry'),
            $id('review'),
            $id('signOff'),
            is_array($case) ? array_filter($case, is_string(...), ARRAY_FILTER_USE_KEY) : [],
            self::waitingFrom($kept['waiting'] ?? null),
            self::movedFrom($kept['moved'] ?? null),
            array_values(array_filter((array) ($kept['added'] ?? []), is_string(...))),
        );
    }

    /** @return list<array{session: string, on: string, moved_from: string|null}> */
    private static function movedFrom(mixed $kept): array
    {
        $moved = [];
        foreach (is_array($kept) ? $kept : [] as $entry) {
            if (is_array($entry) && is_string($entry['session'] ?? null) && is_string($entry['on'] ?? null)) {
                $moved[] = [
                    'session' => $entry['session'],
                    'on' => $entry['on'],
                    'moved_from' => is_string($entry['moved_from'] ?? null) ? $entry['moved_from'] : null,
                ];
            }
        }

        return $moved;
    }

    /** @return array{version: int, changes: list<array<string, mixed>>}|null */
    private static function waitingFrom(mixed $kept): ?array
    {
        if (!is_array($kept) || !is_int($kept['version'] ?? null)) {
            return null;
        }
        /** @var list<array<string, mixed>> $changes */
        $changes = array_values(array_filter((array) ($kept['changes'] ?? []), is_array(...)));

        return ['version' => $kept['version'], 'changes' => $changes];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'planVersion' => $this->planVersion,
            'doseChanges' => $this->doseChanges,
            'stageEntry' => $this->stageEntry,
            'review' => $this->review,
            'signOff' => $this->signOff,
            'case' => (object) $this->case,
            'waiting' => $this->waiting,
            'moved' => $this->moved,
            'added' => $this->added,
        ];
    }
}
