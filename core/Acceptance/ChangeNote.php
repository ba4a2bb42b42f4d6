<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\StartsWhen;
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
}
