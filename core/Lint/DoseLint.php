<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Catalogue\LintKey;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Exercise\LeverArm;
use Rung\Core\Exercise\Position;
use Rung\Core\Exercise\Region;
use Rung\Core\Record\Structure;

/** What can be said of a stage's doses by themselves. */
final class DoseLint extends Notes
{
    private const HEAVY_SCHOOL = 'heavy';

    protected function look(): void
    {
        $stage = $this->subject->stage->stage;
        $targets = 0;
        foreach ($stage->prescriptions as $prescription) {
            $exercise = $this->subject->exercise($prescription);
            if ($exercise === null) {
                continue;
            }
            $direct = $exercise->loads($this->subject->structure->structure) === Directness::Target;
            $targets += $direct ? 1 : 0;
            if ($direct) {
                $this->intensity($prescription);
            }
            $this->reserve($prescription);
            $this->position($prescription, $exercise);
        }
        if ($targets === 0 && $stage->mode !== Mode::Sport && $stage->prescriptions !== []) {
            $this->say(
                LintKey::NoTarget,
                "No exercise of this stage loads the {$this->subject->structure->name()} directly.",
            );
        }
        $this->lowering();
        $this->length();
    }

    private function intensity(Prescription $prescription): void
    {
        $dose = $prescription->dose;
        $heavy = $this->subject->rule->name === self::HEAVY_SCHOOL;
        $percent = $this->limit(LintKey::TooLightHeavy, 'percent_mvc');
        $effort = $this->limit(LintKey::TooLightHeavy, 'effort');
        $intensity =
            $dose->percent_mvc !== null
                ? "$dose->percent_mvc % of maximum"
                : ($dose->effort === null
                    ? 'no intensity set'
                    : "effort $dose->effort of 10");
        $isLight = $dose->percent_mvc !== null ? $dose->percent_mvc < $percent : ($dose->effort ?? 0) < $effort;
        if ($heavy && $isLight) {
            $this->say(
                LintKey::TooLightHeavy,
                "$intensity; this school asks for $percent % or effort $effort at least.",
                $prescription,
            );
        }
        if ($prescription->mode !== Mode::Isometric) {
            return;
        }
        $least = $this->limit(LintKey::TooLightHold, 'percent_mvc');
        if (!$heavy && $dose->percent_mvc !== null && $dose->percent_mvc < $least) {
            $this->say(LintKey::TooLightHold, "$intensity; under $least % changes little.", $prescription);
        }
        $seconds = $this->limit(LintKey::ShortHeavyHold, 'hold_s');
        if ($heavy && $dose->hold_s !== null && $dose->hold_s < $seconds) {
            $this->say(LintKey::ShortHeavyHold, "$dose->hold_s s; never under $seconds s.", $prescription);
        }
    }

    private function reserve(Prescription $prescription): void
    {
        $dose = $prescription->dose;
        $reps = $this->limit(LintKey::EasyHighReps, 'reps');
        $most = $this->limit(LintKey::EasyHighReps, 'reserve');
        $reserve = $dose->rm === null ? null : $dose->rm - $dose->reps;
        if ($dose->reps >= $reps && $reserve !== null && $reserve >= $most) {
            $this->say(LintKey::EasyHighReps, "$dose->reps repetitions with $reserve in reserve.", $prescription);
        }
    }

    private function position(Prescription $prescription, Exercise $exercise): void
    {
        $structure = $this->subject->structure;
        $insertion = $structure->structure === Structure::AchillesInsertion;
        if ($insertion && in_array(Position::BelowFloor, $exercise->positions, true)) {
            $this->say(LintKey::HeelDrop, 'the heel goes below the level of the floor.', $prescription);
        }
        foreach ($structure->avoid as $avoid) {
            if (
                $this->subject->irritable &&
                $avoid->concerns($exercise, $prescription->dose) &&
                !($insertion && $avoid->position === Position::BelowFloor)
            ) {
                $this->say(LintKey::AvoidPosition, "$avoid->words.", $prescription);
            }
        }
        $days = $this->limit(LintKey::LongLeverEarly, 'days');
        if (
            $structure->region === Region::Shoulder &&
            $exercise->lever === LeverArm::Long &&
            $this->subject->daysSinceOpened < $days
        ) {
            $this->say(
                LintKey::LongLeverEarly,
                "a long lever after {$this->subject->daysSinceOpened} days; often six to twelve weeks of short lever come first.",
                $prescription,
            );
        }
        $standing = ($prescription->dose->body_fraction ?? 0) > 0 && ($prescription->dose->load_kg ?? 0) > 0;
        if ($standing && self::loadsHeel($exercise) && !in_array('shoes', $exercise->equipment, true)) {
            $this->say(LintKey::Barefoot, "{$prescription->dose->load_kg} kg added: in shoes.", $prescription);
        }
    }

    private function lowering(): void
    {
        $modes = array_map(static fn(Prescription $p): Mode => $p->mode, $this->subject->stage->stage->prescriptions);
        $days = $this->limit(LintKey::LoweringOnly, 'days');
        if (
            !$this->subject->loweringOnly &&
            in_array(Mode::Eccentric, $modes, true) &&
            !in_array(Mode::Isotonic, $modes, true) &&
            $this->subject->daysInStage() > $days
        ) {
            $this->say(
                LintKey::LoweringOnly,
                "Lowering alone for {$this->subject->daysInStage()} days: add lifting work.",
            );
        }
    }

    private function length(): void
    {
        // Where nobody asked how much time there is, an hour is taken as what most have.
        $minutes = $this->subject->sessionMinutes ?? $this->limit(LintKey::TooLong, 'minutes');
        $there =
            $this->subject->sessionMinutes === null
                ? "over $minutes min, and nobody has asked how much time there is"
                : "there are $minutes";
        foreach ($this->subject->stage->slots as $slot) {
            $figures = array_map(
                fn(Prescription $p) => DoseArithmetic::figures(
                    $p->mode,
                    $p->limbs,
                    $p->dose,
                    $this->subject->bodyMassKg,
                ),
                array_values(
                    array_filter(
                        $this->subject->stage->stage->prescriptions,
                        fn(Prescription $p): bool => $p->slot === $slot->key &&
                            (($p->dose->body_fraction ?? 0) == 0 || $this->subject->bodyMassKg !== null),
                    ),
                ),
            );
            $takes = (int) ceil(DoseArithmetic::session($figures)['duration_s'] / 60);
            if ($takes > $minutes) {
                $this->say(LintKey::TooLong, "$slot->title takes $takes min; $there.");
            }
        }
    }

    private static function loadsHeel(Exercise $exercise): bool
    {
        foreach (
            [
                Structure::AchillesMidportion,
                Structure::AchillesInsertion,
                Structure::PlantarFascia,
                Structure::CalfMuscle,
            ]
            as $structure
        ) {
            if ($exercise->loads($structure) === Directness::Target) {
                return true;
            }
        }

        return false;
    }
}
