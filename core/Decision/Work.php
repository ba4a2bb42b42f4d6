<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\CaseFile\LoggedSet;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Strength\Strength;

/** Work as the weekly cap counts it, and the strength that logged sets tell (docs/rules.md, "The next dose"). */
final class Work
{
    /** Of one set: seconds held, kilograms lifted or repetitions, by mode. */
    public static function of(Prescription $prescription, int $reps, int|float|null $holdS, int|float|null $loadKg, int|float|null $bodyMassKg): int|float
    {
        return match (true) {
            $prescription->mode === Mode::Isometric => $reps * ($holdS ?? 0),
            $prescription->mode->isMoving() => $reps * max(1, ($loadKg ?? 0) + $prescription->dose->bodyLoad($bodyMassKg)),
            default => $reps,
        };
    }

    /** @param list<LoggedSet> $sets */
    public static function ofSets(Prescription $prescription, array $sets, int|float|null $bodyMassKg): int|float
    {
        $work = 0;
        foreach ($sets as $set) {
            $work += self::of($prescription, $set->countedReps($prescription->mode), $set->hold_s, $set->load_kg, $bodyMassKg);
        }

        return $work;
    }

    /** Whether a dose is at most so many percent more work than a base; a base of 0 allows any. */
    public static function growsWithin(Prescription $prescription, Dose $dose, int|float $base, int|float $maxPercent, int|float|null $bodyMassKg): bool
    {
        $work = $dose->sets * self::of($prescription, $dose->reps, $dose->hold_s, $dose->load_kg, $bodyMassKg);

        return $base == 0 || Number::atMost($work, (1 + $maxPercent / 100) * $base);
    }

    /**
     * The best estimate of the one-repetition maximum, the body's part in it, and the set that gave it; null where no
     * set has a load, repetitions, and at most 20 of them with those in reserve.
     *
     * @param list<LoggedSet> $sets
     *
     * @return array{kg: int|float, set: LoggedSet}|null
     */
    public static function bestE1rm(array $sets, int|float $bodyLoadKg): ?array
    {
        $best = null;
        foreach ($sets as $set) {
            $done = $set->reps ?? 0;
            $rir = $set->rir ?? 0;
            if (($set->load_kg ?? 0) > 0 && $done > 0 && $done + $rir <= Strength::MAX_REPS) {
                $kg = Strength::e1rm($set->load_kg + $bodyLoadKg, $done, $rir);
                $best = $best === null || $kg > $best['kg'] ? ['kg' => $kg, 'set' => $set] : $best;
            }
        }

        return $best;
    }

    /**
     * Kilograms to put on for an n-repetition maximum by what was logged, the body's part taken off, rounded down to the
     * increment; null where no set tells it or for more than 20 repetitions.
     *
     * @param list<LoggedSet> $sets
     */
    public static function loadFor(array $sets, int $reps, int|float $bodyLoadKg, int|float $incrementKg): int|float|null
    {
        $best = $reps > Strength::MAX_REPS ? null : self::bestE1rm($sets, $bodyLoadKg);

        return $best === null ? null : max(0, Number::floorToMultiple(Strength::loadFor($best['kg'], $reps) - $bodyLoadKg, $incrementKg));
    }
}
