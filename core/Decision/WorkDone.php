<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Prescription;

/** What the next dose has to know of the work that was done (docs/rules.md, "The next dose"). */
interface WorkDone
{
    /** Whether a dose keeps to the week's growth, or is the one step that a week always allows. */
    public function fitsWeek(Prescription $prescription, Dose $dose): bool;

    /**
     * Kilograms on the bar or stack for an n-repetition maximum, rounded down to the increment; null where nothing
     * usable was logged or for more than 20 repetitions.
     */
    public function loadFor(Prescription $prescription, int $reps, int|float $incrementKg): int|float|null;

    /** 1 + the number of earlier weeks of the stage that have a session in it. */
    public function weekOfStage(): int;
}
