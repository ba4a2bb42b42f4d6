<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\StartsWhen;
use Rung\Core\Record\Record;
use Rung\Core\Time\Day;

/** What differs for one prescription, or for the whole stage (`before` null); `after` is null where nothing could be changed or it rests. */
final readonly class ChangeNote
{
    public function __construct(
        public ChangeNoteKind $kind,
        public ?Prescription $before = null,
        public ?Prescription $after = null,
        /** Until when something rests. */
        public ?Day $until = null,
        /** For how many days it rests. */
        public ?int $days = null,
        /** Sessions a week, where the note is about them. */
        public ?int $perWeek = null,
        /** What an exercise waited for that begins. */
        public ?StartsWhen $startsWhen = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('kind', ChangeNoteKind::class),
            $node->childOrNull('before', Prescription::read(...)),
            $node->childOrNull('after', Prescription::read(...)),
            $node->dayOrNull('until'),
            $node->wholeOrNull('days'),
            $node->wholeOrNull('per_week'),
            $node->childOrNull('starts_when', StartsWhen::read(...)),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return Record::withoutNulls([
            'kind' => $this->kind->value,
            'before' => $this->before?->toArray(),
            'after' => $this->after?->toArray(),
            'until' => $this->until?->toIso(),
            'days' => $this->days,
            'per_week' => $this->perWeek,
            'starts_when' => $this->startsWhen?->toArray(),
        ]);
    }
}
