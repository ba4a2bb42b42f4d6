<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Strength\Strength;

/** Work as the weekly cap counts it, and the strength that logged sets show (docs/rules.md, "The next dose"). */
final class Work
{
    /** Whether the weight of a prescription is held to the week's growth as well as its work. */
    public static function isWeighed(Prescription $prescription): bool
    {
        return $prescription->mode === Mode::Isometric || $prescription->mode->isMoving();
    }

    /** Of a dose with so many kilograms: seconds, kilograms lifted or repetitions, by mode. */
    public static function ofDose(
        Prescription $prescription,
        Dose $dose,
        int|float $loadKg,
        int|float|null $bodyMassKg,
    ): int|float {
        return $dose->sets *
            self::ofSet(
                $prescription,
                $dose,
                new LoggedSet($dose->reps, $dose->hold_s, $dose->work_s, $loadKg),
                $bodyMassKg,
            );
    }

    /** @param list<LoggedSet> $sets */
    public static function ofSets(Prescription $prescription, array $sets, int|float|null $bodyMassKg): int|float
    {
        $work = 0;
        foreach ($sets as $set) {
            $work += self::ofSet($prescription, $prescription->dose, $set, $bodyMassKg);
        }

        return $work;
    }

    private static function ofSet(
        Prescription $prescription,
        Dose $dose,
        LoggedSet $set,
        int|float|null $bodyMassKg,
    ): int|float {
        $reps = $set->countedReps($prescription->mode);

        return match (true) {
            $dose->isTimed() => $set->work_s ?? 0,
            $prescription->mode === Mode::Isometric => $reps * ($set->hold_s ?? 0),
            $prescription->mode->isMoving() => $reps *
                max(1, ($set->load_kg ?? 0) + $prescription->dose->bodyLoad($bodyMassKg)),
            default => $reps,
        };
    }

    /**
     * The best estimate of the one-repetition maximum, the body's part in it, and the set that gave it; null where no
     * set lifts anything, has repetitions, and at most 20 of them with those in reserve.
     *
     * @param list<LoggedSet> $sets
     *
     * @return array{kg: int|float, set: LoggedSet}|null
     */
    public static function bestE1rm(array $sets, int|float $bodyLoadKg): ?array
    {
        $best = null;
        foreach ($sets as $set) {
            $lifted = ($set->load_kg ?? 0) + $bodyLoadKg;
            $done = $set->reps ?? 0;
            $rir = $set->rir ?? 0;
            if ($lifted > 0 && $done > 0 && $done + $rir <= Strength::MAX_REPS) {
                $kg = Strength::e1rm($lifted, $done, $rir);
                $best = $best === null || $kg > $best['kg'] ? ['kg' => $kg, 'set' => $set] : $best;
            }
        }

        return $best;
    }

    /**
     * Kilograms to put on for an n-repetition maximum by what was logged, the body's part taken off, rounded down to the
     * increment; null where no set shows it or for more than 20 repetitions.
     *
     * @param list<LoggedSet> $sets
     */
    public static function loadFor(
        array $sets,
        int $reps,
        int|float $bodyLoadKg,
        int|float $incrementKg,
    ): int|float|null {
        $best = $reps > Strength::MAX_REPS ? null : self::bestE1rm($sets, $bodyLoadKg);

        return $best === null ? null : self::onBar(Strength::loadFor($best['kg'], $reps), $bodyLoadKg, $incrementKg);
    }

    /** Kilograms to put on for so many lifted, the body's part taken off, rounded down to the increment, not under 0. */
    public static function onBar(int|float $liftedKg, int|float $bodyLoadKg, int|float $incrementKg): int|float
    {
        return max(0, Number::floorToMultiple($liftedKg - $bodyLoadKg, $incrementKg));
    }
}
