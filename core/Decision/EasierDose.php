<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;

/** What makes a prescription easier, the least that helps first (docs/rules.md, "The next dose"). */
final class EasierDose
{
    private const EASED_LOAD = 0.9;

    private const EASED_TIME = 0.75;

    private const LEAST_EASED_S = 5;

    private const FEWEST_SETS = 2;

    /** Degrees that come off a range without a lever of its own. */
    private const RANGE_STEP_DEG = 10;

    public function __construct(private readonly WorkDone $work) {}

    public function ease(Prescription $prescription): NextStep
    {
        $dose = $prescription->dose;
        $range = $this->shorterRange($prescription);

        return match (true) {
            ($back = $this->back($prescription)) !== null => $back,
            $range !== null => NextStep::dose($range),
            $this->work->wasAboveLowerEnd($prescription) => NextStep::none(Change::WithinRange),
            $dose->sets > self::FEWEST_SETS => NextStep::dose($dose->with(['sets' => $dose->sets - 1])),
            ($lighter = $this->lighter($prescription)) !== null => NextStep::dose($lighter),
            $prescription->isFirstRung() => NextStep::none(Change::AtBottom),
            default => NextStep::rung(Change::PreviousRung, $prescription->rung(-1)),
        };
    }

    public function stepDown(Prescription $prescription): NextStep
    {
        $back = $this->back($prescription);
        if ($back !== null) {
            return $back;
        }
        if (!$prescription->isFirstRung()) {
            return NextStep::rung(Change::PreviousRung, $prescription->rung(-1));
        }
        $lighter = $this->lighter($prescription);

        return $lighter === null ? NextStep::none(Change::AtBottom) : NextStep::dose($lighter);
    }

    /** What was raised last is taken back first. */
    private function back(Prescription $prescription): ?NextStep
    {
        return $prescription->before !== null && $this->work->wasRaisedLast($prescription)
            ? NextStep::back($prescription->before->exercise, $prescription->before->dose)
            : null;
    }

    private function shorterRange(Prescription $prescription): ?Dose
    {
        $range = $prescription->dose->range;
        $lever = $prescription->progression?->lever(LeverKind::Range);
        $step = $lever?->step() ?? self::RANGE_STEP_DEG;
        if (
            $range === null ||
            !Number::over($range->width(), $step) ||
            ($lever === null && !$this->work->hurtAtTheEnd($prescription))
        ) {
            return null;
        }

        return $prescription->dose->with(['range' => $range->endingAt(Number::clean($range->to_deg - $step))]);
    }

    /** A thinner band, a lower step, less weight, less time or fewer repetitions, whichever there is. */
    private function lighter(Prescription $prescription): ?Dose
    {
        $dose = $prescription->dose;
        $label = $prescription->progression?->lever(LeverKind::Resistance)?->label($dose->resistance, -1);
        if ($label !== null) {
            return $dose->with(['resistance' => $label]);
        }
        $height = $prescription->progression?->lever(LeverKind::Height);
        if ($height !== null && $dose->height_cm !== null && Number::over($dose->height_cm, $height->step())) {
            return $dose->with(['height_cm' => Number::clean($dose->height_cm - $height->step())]);
        }
        $increment = $prescription->progression?->incrementKg();
        if ($increment !== null) {
            $present = $this->work->presentLoadKg($prescription);
            $load = Number::floorToMultiple($present * self::EASED_LOAD, $increment);
            $load = $load == 0 ? $increment : $load;
            if (Number::under($load, $present)) {
                return $dose->with(['load_kg' => $load]);
            }
        }

        return self::shorter($prescription->mode, $dose);
    }

    /** Three quarters of what lasts longest in the dose, if that lowers it. */
    private static function shorter(Mode $mode, Dose $dose): ?Dose
    {
        [$field, $now, $least] = match (true) {
            $mode === Mode::Isometric && $dose->hold_s !== null => ['hold_s', $dose->hold_s, self::LEAST_EASED_S],
            $dose->isTimed() => ['work_s', $dose->work_s ?? 0, self::LEAST_EASED_S],
            default => ['reps', $dose->reps, 1],
        };
        $new = max($least, Number::floor($now * self::EASED_TIME));

        return $new < $now ? $dose->with([$field => $new]) : null;
    }
}
