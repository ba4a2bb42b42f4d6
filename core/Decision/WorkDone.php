<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Prescription;
use Rung\Core\Record\LoggedSet;

/** What the next dose has to know of the work that was done (docs/rules.md, "The next dose"). */
interface WorkDone
{
    /** Kilograms of the dose, or what was lifted last where the dose has none. */
    public function presentLoadKg(Prescription $prescription): int|float;

    /** Whether what is prescribed was done in full and well tolerated. */
    public function isDone(Prescription $prescription): bool;

    /** Whether a step that failed before has to wait longer for the next try. */
    public function isWaiting(Prescription $prescription): bool;

    /** Whether its dose was changed in the last 7 × 24 h. */
    public function changedThisWeek(Prescription $prescription): bool;

    /** Whether two loads were added in the last 7 × 24 h. */
    public function addedTwiceThisWeek(Prescription $prescription): bool;

    /** The work that a week's growth is measured by, as {@see Work} counts it; 0 where there is none. */
    public function base(Prescription $prescription): int|float;

    /** Kilograms lifted, the body's part among them, that a week's growth is measured by; 0 where there are none. */
    public function heaviestKg(Prescription $prescription): int|float;

    public function weekGrowthMaxPercent(): int|float;

    public function bodyMassKg(): int|float|null;

    /** @return list<LoggedSet> of the last session that logged it */
    public function lastSets(Prescription $prescription): array;

    /** Whether that session was well tolerated, with the load that was asked. */
    public function lastWasFull(Prescription $prescription): bool;

    /** 1 + the number of earlier weeks of the stage that have a session in it. */
    public function weekOfStage(): int;

    /** Whether the latest change of its dose raised it. */
    public function wasRaisedLast(Prescription $prescription): bool;

    /** Whether it was over its limit in the last bout and hurt at the end of the range. */
    public function hurtAtTheEnd(Prescription $prescription): bool;

    /** Whether the last bout did more of it than the lower end of its corridor. */
    public function wasAboveLowerEnd(Prescription $prescription): bool;
}
