<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Moment;

/** One session as it was done. */
final readonly class Session
{
    /**
     * @param list<Entry> $entries
     * @param list<Sign>|null $signs
     */
    public function __construct(
        public string $id,
        public string $stage,
        public SessionKind $kind,
        public Moment $started_at,
        public Moment $ended_at,
        public array $entries,
        public ?string $planned = null,
        public ?Participation $participation = null,
        /** Minutes of sport practice. */
        public int|float|null $minutes = null,
        /** 0–10. */
        public ?int $effort = null,
        /** Minutes until pain was back to how it was before. */
        public int|float|null $settled_min = null,
        public ?array $signs = null,
        public ?string $notes = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $session = new self(
            id: $node->key('id'),
            stage: $node->text('stage'),
            kind: $node->choice('kind', SessionKind::class),
            started_at: $node->moment('started_at'),
            ended_at: $node->moment('ended_at'),
            entries: $node->each('entries', Entry::read(...)),
            planned: $node->textOrNull('planned'),
            participation: $node->choiceOrNull('participation', Participation::class),
            minutes: $node->numberOrNull('minutes'),
            effort: $node->wholeOrNull('effort', 0, 10),
            settled_min: $node->numberOrNull('settled_min'),
            signs: $node->choicesOrNull('signs', Sign::class),
            notes: $node->textOrNull('notes'),
        );
        // A fault of either moment stands for itself.
        if (
            $session->started_at->after($session->ended_at) &&
            $node->has('ended_at') &&
            !$node->isFaulty('started_at') &&
            !$node->isFaulty('ended_at')
        ) {
            $node->fault('ended_at', 'must not be before started_at');
        }

        return $session;
    }

    /** The same session at other times, where a phone's clock was wrong. */
    public function at(Moment $startedAt, Moment $endedAt): self
    {
        return $this->with($startedAt, $endedAt, $this->entries);
    }

    /** The session as it counts for a case of that side (docs/rules.md, "Sets of both sides"). */
    public function counted(Side $affected): self
    {
        $entries = array_map(static fn(Entry $entry): Entry => $entry->counted($affected), $this->entries);

        return $entries === $this->entries ? $this : $this->with($this->started_at, $this->ended_at, $entries);
    }

    /** @param list<Entry> $entries */
    private function with(Moment $startedAt, Moment $endedAt, array $entries): self
    {
        return new self(
            $this->id,
            $this->stage,
            $this->kind,
            $startedAt,
            $endedAt,
            $entries,
            $this->planned,
            $this->participation,
            $this->minutes,
            $this->effort,
            $this->settled_min,
            $this->signs,
            $this->notes,
        );
    }

    /** The highest pain logged for any entry, 0–10; null where none was. */
    public function during(): ?int
    {
        $worst = null;
        foreach ($this->entries as $entry) {
            if ($entry->pain !== null && ($worst === null || $entry->pain > $worst)) {
                $worst = $entry->pain;
            }
        }

        return $worst;
    }

    /** The highest pain logged for one prescription, 0–10; null where none was. */
    public function painOf(string $prescription): ?int
    {
        $worst = null;
        foreach ($this->entries as $entry) {
            if (
                $entry->prescription === $prescription &&
                $entry->pain !== null &&
                ($worst === null || $entry->pain > $worst)
            ) {
                $worst = $entry->pain;
            }
        }

        return $worst;
    }

    /**
     * The sets logged for one prescription, over all its entries.
     *
     * @return list<LoggedSet>
     */
    public function setsOf(string $prescription): array
    {
        $sets = [];
        foreach ($this->entries as $entry) {
            if ($entry->prescription === $prescription) {
                foreach ($entry->sets as $set) {
                    $sets[] = $set;
                }
            }
        }

        return $sets;
    }

    /** Kilograms of the lightest set of a prescription with a logged weight; null where none has one. */
    public function leastLoadOf(string $prescription): int|float|null
    {
        $loads = array_filter(
            array_column($this->setsOf($prescription), 'load_kg'),
            static fn(int|float|null $load): bool => $load !== null,
        );

        return $loads === [] ? null : min($loads);
    }
}
