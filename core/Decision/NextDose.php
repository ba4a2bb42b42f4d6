<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Lever;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Phase;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;

/**
 * The step that raises a prescription, one lever at a time (docs/rules.md, "The next dose"). What needs the log is handed
 * in through {@see WorkDone}.
 */
final class NextDose
{
    public function __construct(private readonly WorkDone $work) {}

    public function progress(Prescription $prescription): NextStep
    {
        if ($prescription->progression?->blocks !== null) {
            return $this->block($prescription);
        }
        if (!$this->work->isDone($prescription)) {
            return NextStep::none($prescription->dose->corridor() !== null ? Change::Growing : Change::NotDone);
        }

        return $this->work->isWaiting($prescription) ? NextStep::none(Change::Waiting) : $this->byLevers($prescription);
    }

    public function addLoad(Prescription $prescription): NextStep
    {
        if ($this->work->addedTwiceThisWeek($prescription)) {
            return NextStep::none(Change::HoldAtCap);
        }
        $increment = $prescription->progression?->incrementKg();
        $lever = $prescription->progression?->weightLever();
        $load = $increment === null ? null : Number::clean($this->work->presentLoadKg($prescription) + $increment);
        if (
            $load !== null &&
            ($lever?->kind !== LeverKind::Load || $lever->to === null || !Number::over($load, $lever->to))
        ) {
            return NextStep::dose($prescription->dose->with(['load_kg' => $load]));
        }
        if ($prescription->progression?->blocks === null && !$this->work->isDone($prescription)) {
            return NextStep::none($prescription->dose->corridor() !== null ? Change::Growing : Change::NotDone);
        }

        return $prescription->progression?->blocks === null
            ? $this->byLevers($prescription)
            : $this->block($prescription);
    }

    private function byLevers(Prescription $prescription): NextStep
    {
        foreach ($prescription->progression->levers ?? [] as $lever) {
            $dose = $this->step($lever, $prescription);
            if ($dose instanceof Dose) {
                return $this->fitsWeek($prescription, $dose)
                    ? NextStep::dose($dose)
                    : NextStep::none(Change::HoldAtCap);
            }
            if ($dose) {
                break;
            }
        }

        return $prescription->isLastRung()
            ? NextStep::none(Change::AtTop)
            : NextStep::rung(Change::NextRung, $prescription->rung(1));
    }

    /** Whether a dose keeps to the week's growth, or is the one step that a week always allows. */
    private function fitsWeek(Prescription $prescription, Dose $dose): bool
    {
        if (!$this->work->changedThisWeek($prescription)) {
            return true;
        }
        $growth = 1 + $this->work->weekGrowthMaxPercent() / 100;
        $mass = $this->work->bodyMassKg();
        $load = $dose->load_kg ?? $this->work->presentLoadKg($prescription);
        $base = $this->work->base($prescription);
        $heaviest = Work::isWeighed($prescription) ? $this->work->heaviestKg($prescription) : 0;

        return ($base == 0 || Number::atMost(Work::ofDose($prescription, $dose, $load, $mass), $growth * $base)) &&
            ($heaviest == 0 || Number::atMost($load + $dose->bodyLoad($mass), $growth * $heaviest));
    }

    /** @return Dose|bool the next dose, true for the next rung, false where the lever has no room */
    private function step(Lever $lever, Prescription $prescription): Dose|bool
    {
        $dose = $prescription->dose;
        $inCorridor = $dose->corridor()?->field;

        return match ($lever->kind) {
            LeverKind::Hold => $inCorridor !== 'hold_s' ? self::raised($dose, 'hold_s', $dose->hold_s, $lever) : false,
            LeverKind::Reps => $inCorridor !== 'reps' ? self::raised($dose, 'reps', $dose->reps, $lever) : false,
            LeverKind::Work => $inCorridor !== 'work_s' ? self::raised($dose, 'work_s', $dose->work_s, $lever) : false,
            LeverKind::Sets => self::raised($dose, 'sets', $dose->sets, $lever),
            LeverKind::Percent => self::raised($dose, 'percent_mvc', $dose->percent_mvc, $lever),
            LeverKind::Height => self::raised($dose, 'height_cm', $dose->height_cm, $lever),
            LeverKind::Range => self::widened($dose, $lever),
            LeverKind::Tempo => self::paced($dose, $lever),
            LeverKind::Resistance => self::firmer($dose, $lever),
            LeverKind::Load => $this->loaded($prescription, $lever),
            LeverKind::RepetitionMaximum => $this->heavier($prescription, $lever),
            LeverKind::Rung => $prescription->exercise !== $lever->exercise && !$prescription->isLastRung(),
        };
    }

    /** @param 'hold_s'|'reps'|'work_s'|'sets'|'percent_mvc'|'height_cm' $field */
    private static function raised(Dose $dose, string $field, int|float|null $now, Lever $lever): Dose|false
    {
        $to = $lever->to ?? 0;
        if ($now === null || !Number::under($now, $to)) {
            return false;
        }
        $next = Number::clean(min($to, $now + $lever->step()));

        /** @phpstan-ignore argument.type (counted levers have whole steps and bounds) */
        return $dose->with([$field => $next]);
    }

    private static function widened(Dose $dose, Lever $lever): Dose|false
    {
        $to = $lever->to ?? 0;
        if ($dose->range === null || !Number::under($dose->range->to_deg, $to)) {
            return false;
        }

        return $dose->with([
            'range' => $dose->range->endingAt(Number::clean(min($to, $dose->range->to_deg + $lever->step()))),
        ]);
    }

    private static function paced(Dose $dose, Lever $lever): Dose|false
    {
        if ($dose->tempo === null) {
            return false;
        }
        $phase = $lever->phase ?? Phase::Lower;
        $now = $dose->tempo->seconds($phase);
        $to = $lever->to ?? 0;
        $next = match (true) {
            Number::under($now, $to) => min($to, $now + $lever->step()),
            Number::over($now, $to) => max($to, $now - $lever->step()),
            default => null,
        };

        return $next === null ? false : $dose->with(['tempo' => $dose->tempo->with($phase, Number::clean($next))]);
    }

    private static function firmer(Dose $dose, Lever $lever): Dose|false
    {
        $next = $lever->label($dose->resistance, 1);

        return $next === null ? false : $dose->with(['resistance' => $next]);
    }

    private function loaded(Prescription $prescription, Lever $lever): Dose|false
    {
        $load = Number::clean($this->work->presentLoadKg($prescription) + ($lever->increment_kg ?? 0));
        if ($lever->to !== null && Number::over($load, $lever->to)) {
            return false;
        }

        return $prescription->dose->with(['load_kg' => $load] + ($lever->back ?? []));
    }

    private function heavier(Prescription $prescription, Lever $lever): Dose|false
    {
        $dose = $prescription->dose;
        $now = $dose->rm ?? $dose->reps;
        $to = (int) $lever->to;
        if ($now <= $to || $dose->reps_to !== null) {
            return false;
        }
        $target = max($to, $now - (int) $lever->step());

        return $dose->with(
            ['rm' => $target, 'reps' => $target] +
                $this->load($prescription, $target, $dose->reps, $lever->increment_kg ?? 1),
        );
    }

    /** @return array{load_kg?: int|float} the load worked out for so many repetitions, where it is not what stands already */
    private function load(Prescription $prescription, int $reps, int $repsNow, int|float $incrementKg): array
    {
        $load = $this->workedOut($prescription, $reps, $repsNow, $incrementKg);

        return $load === null || ($load == 0 && $prescription->dose->load_kg === null) ? [] : ['load_kg' => $load];
    }

    private function workedOut(
        Prescription $prescription,
        int $reps,
        int $repsNow,
        int|float $incrementKg,
    ): int|float|null {
        $load = Work::loadFor(
            $this->work->lastSets($prescription),
            $reps,
            $prescription->dose->bodyLoad($this->work->bodyMassKg()),
            $incrementKg,
        );
        if ($load === null) {
            return null;
        }
        $present = $this->work->presentLoadKg($prescription);
        if ($reps < $repsNow && $this->work->lastWasFull($prescription)) {
            // Fewer repetitions at the same weight would be less, not more.
            return max($load, Number::clean($present + $incrementKg));
        }

        return $reps <= $repsNow ? max($load, $present) : $load;
    }

    private function block(Prescription $prescription): NextStep
    {
        $dose = $prescription->dose;
        $block = $prescription->progression?->blockFor($this->work->weekOfStage());
        if ($block === null) {
            return NextStep::none(Change::Unchanged);
        }
        $increment = $prescription->progression?->incrementKg() ?? 1;
        $changes = ['sets' => $block->sets, 'reps' => $block->reps, 'reps_to' => $block->reps_to];
        if ($block->reps_to === null) {
            $changes += ['grow_by' => null, 'grow_after' => null];
        }
        if ($dose->rm !== null) {
            $changes['rm'] = $block->most();
        }
        $load = $this->load($prescription, $block->most(), $dose->reps_to ?? $dose->reps, $increment);
        if ($load !== [] && !$block->differsFrom($dose)) {
            $present = $this->work->presentLoadKg($prescription);
            $bounded = min($load['load_kg'], $this->heaviestThisWeek($prescription, $increment));
            if (Number::over($load['load_kg'], $present) && !Number::over($bounded, $present)) {
                return NextStep::none(Change::HoldAtCap);
            }
            $load = ['load_kg' => $bounded];
        }
        $next = $dose->with($changes + $load);

        return $next->toArray() === $dose->toArray() ? NextStep::none(Change::Unchanged) : NextStep::dose($next);
    }

    /** Kilograms to which a load may grow inside a block; without end where nothing bounds it. */
    private function heaviestThisWeek(Prescription $prescription, int|float $incrementKg): int|float
    {
        $heaviest = Work::isWeighed($prescription) ? $this->work->heaviestKg($prescription) : 0;
        if ($heaviest == 0) {
            return INF;
        }
        $bound = Work::onBar(
            (1 + $this->work->weekGrowthMaxPercent() / 100) * $heaviest,
            $prescription->dose->bodyLoad($this->work->bodyMassKg()),
            $incrementKg,
        );

        return $this->work->changedThisWeek($prescription)
            ? $bound
            : max($bound, Number::clean($this->work->presentLoadKg($prescription) + $incrementKg));
    }
}
