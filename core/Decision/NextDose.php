<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Lever;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Phase;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;

/**
 * The step that a prescription's progression asks for, one lever at a time
 * (docs/rules.md, "The next dose"). What needs the log is handed in through {@see WorkDone}.
 */
final class NextDose
{
    private const EASED_LOAD = 0.9;

    private const EASED_TIME = 0.75;

    private const LEAST_EASED_S = 5;

    public function __construct(private readonly WorkDone $work) {}

    /** @return array{Change, Dose|null} */
    public function progress(Prescription $prescription): array
    {
        if ($prescription->progression?->blocks !== null) {
            return $this->block($prescription);
        }
        foreach ($prescription->progression->levers ?? [] as $lever) {
            $dose = $this->step($lever, $prescription);
            if ($dose instanceof Dose) {
                return $this->work->fitsWeek($prescription, $dose) ? [Change::Dose, $dose] : [Change::HoldAtCap, null];
            }
            if ($dose) {
                break;
            }
        }

        return [Change::NextRung, null];
    }

    /** @return array{Change, Dose|null} */
    public function addLoad(Prescription $prescription): array
    {
        $progression = $prescription->progression;
        $increment = $progression?->incrementKg();
        if ($increment === null) {
            return $this->progress($prescription);
        }
        $load = Number::clean(($prescription->dose->load_kg ?? 0) + $increment);
        $lever = $progression?->weightLever();
        if ($lever !== null && $lever->kind === LeverKind::Load && $lever->to !== null && Number::over($load, $lever->to)) {
            return $this->progress($prescription);
        }

        return [Change::Dose, $prescription->dose->with(['load_kg' => $load])];
    }

    /** @return array{Change, Dose|null} */
    public function ease(Prescription $prescription): array
    {
        $dose = $prescription->dose;
        $range = $prescription->progression?->lever(LeverKind::Range);
        if ($range !== null && $dose->range !== null && Number::over($dose->range->width(), $range->step())) {
            return [Change::Dose, $dose->with([
                'range' => $dose->range->endingAt(Number::clean($dose->range->to_deg - $range->step())),
            ])];
        }
        if ($dose->sets > 2) {
            return [Change::Dose, $dose->with(['sets' => $dose->sets - 1])];
        }
        $increment = $prescription->progression?->incrementKg();
        if ($increment !== null) {
            $load = Number::floorToMultiple(($dose->load_kg ?? 0) * self::EASED_LOAD, $increment);
            $load = $load == 0 ? $increment : $load;
            if (Number::under($load, $dose->load_kg ?? 0)) {
                return [Change::Dose, $dose->with(['load_kg' => $load])];
            }
        }
        $shorter = self::shorter($prescription->mode, $dose);

        return $shorter === null ? [Change::PreviousRung, null] : [Change::Dose, $shorter];
    }

    /** Three quarters of what lasts longest in the dose, if that lowers it. */
    private static function shorter(Mode $mode, Dose $dose): ?Dose
    {
        $eased = static fn(int|float $amount, int $least): int => max($least, Number::floor($amount * self::EASED_TIME));
        [$field, $now, $least] = match (true) {
            $mode === Mode::Isometric && $dose->hold_s !== null => ['hold_s', $dose->hold_s, self::LEAST_EASED_S],
            $dose->work_s !== null => ['work_s', $dose->work_s, self::LEAST_EASED_S],
            default => ['reps', $dose->reps, 1],
        };
        $new = $eased($now, $least);

        return $new < $now ? $dose->with([$field => $new]) : null;
    }

    /** @return Dose|bool the next dose, true for the next rung, false where the lever has no room */
    private function step(Lever $lever, Prescription $prescription): Dose|bool
    {
        $dose = $prescription->dose;

        return match ($lever->kind) {
            LeverKind::Hold => self::raised($dose, 'hold_s', $dose->hold_s, $lever),
            LeverKind::Reps => self::raised($dose, 'reps', $dose->reps, $lever),
            LeverKind::Sets => self::raised($dose, 'sets', $dose->sets, $lever),
            LeverKind::Percent => self::raised($dose, 'percent_mvc', $dose->percent_mvc, $lever),
            LeverKind::Range => self::widened($dose, $lever),
            LeverKind::Tempo => self::paced($dose, $lever),
            LeverKind::Load => self::loaded($dose, $lever),
            LeverKind::RepetitionMaximum => $this->heavier($prescription, $lever),
            LeverKind::Rung => $prescription->exercise !== $lever->exercise,
        };
    }

    /** @param 'hold_s'|'reps'|'sets'|'percent_mvc' $field */
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

        return $dose->with(['range' => $dose->range->endingAt(Number::clean(min($to, $dose->range->to_deg + $lever->step())))]);
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

    private static function loaded(Dose $dose, Lever $lever): Dose|false
    {
        $load = Number::clean(($dose->load_kg ?? 0) + ($lever->increment_kg ?? 0));
        if ($lever->to !== null && Number::over($load, $lever->to)) {
            return false;
        }

        return $dose->with(['load_kg' => $load] + ($lever->back ?? []));
    }

    private function heavier(Prescription $prescription, Lever $lever): Dose|false
    {
        $dose = $prescription->dose;
        $now = $dose->rm ?? $dose->reps;
        $to = (int) $lever->to;
        if ($now <= $to) {
            return false;
        }
        $target = max($to, $now - (int) $lever->step());
        $load = $this->work->loadFor($prescription, $target, $lever->increment_kg ?? 1);
        $changes = ['rm' => $target, 'reps' => $target];
        if ($load !== null && Number::over($load, $dose->load_kg ?? 0)) {
            $changes['load_kg'] = $load;
        }

        return $dose->with($changes);
    }

    /** @return array{Change, Dose|null} */
    private function block(Prescription $prescription): array
    {
        $dose = $prescription->dose;
        $block = $prescription->progression?->blockFor($this->work->weekOfStage());
        if ($block === null) {
            return [Change::Unchanged, null];
        }
        $changes = ['sets' => $block->sets, 'reps' => $block->reps];
        if ($dose->rm !== null) {
            $changes['rm'] = $block->reps;
        }
        $load = $this->work->loadFor($prescription, $block->reps, $prescription->progression?->incrementKg() ?? 1);
        if ($load !== null && (Number::over($load, $dose->load_kg ?? 0)
            || ($block->reps > $dose->reps && Number::under($load, $dose->load_kg ?? 0)))) {
            $changes['load_kg'] = $load;
        }
        $next = $dose->with($changes);

        return $next->toArray() === $dose->toArray() ? [Change::Unchanged, null] : [Change::Dose, $next];
    }
}
