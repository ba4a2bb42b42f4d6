<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Dose\LeverKind;
use Rung\Core\Stage\CriterionType;

/** What a programme can be made of, by name, each with values to begin with that whoever writes the programme changes. */
final class PartWords
{
    public static function criterion(CriterionType $type): string
    {
        return match ($type) {
            CriterionType::DaysInStage => 'Days in the stage',
            CriterionType::ExercisePain => 'Pain in the exercises',
            CriterionType::Provocation => 'The morning test',
            CriterionType::CleanDays => 'Days without too much',
            CriterionType::Symmetry => 'Strength beside the other side',
            CriterionType::TestValue => 'Value of the strength test',
            CriterionType::Reached => 'A dose reached',
            CriterionType::SportSessions => 'Full sessions of sport',
            CriterionType::Adherence => 'Share of sessions done',
            CriterionType::Outcome => 'Severity score',
            CriterionType::SignOff => 'Technique signed off',
            CriterionType::LoadedPain => 'Pain with a load',
            CriterionType::TestChange => 'Gain of the strength test',
            CriterionType::OutcomeGain => 'Gain of the severity score',
        };
    }

    public static function lever(LeverKind $kind): string
    {
        return match ($kind) {
            LeverKind::Hold => 'Longer hold',
            LeverKind::Work => 'Longer work',
            LeverKind::Height => 'Higher',
            LeverKind::Resistance => 'Stronger band',
            LeverKind::Reps => 'More repetitions',
            LeverKind::Sets => 'More sets',
            LeverKind::Percent => 'Larger share of the maximum',
            LeverKind::Range => 'More range',
            LeverKind::Tempo => 'Slower or faster',
            LeverKind::Load => 'More load',
            LeverKind::RepetitionMaximum => 'Heavier, for fewer repetitions',
            LeverKind::Rung => 'Next rung of the ladder',
        };
    }

    /**
     * A criterion to begin with. `structure` stands for the strength test of the structure that is treated; a criterion
     * over an exercise is given one of the stage.
     *
     * @return array<string, mixed>
     */
    public static function newCriterion(CriterionType $type, string $prescription, string $measure): array
    {
        return ['type' => $type->value] +
            match ($type) {
                CriterionType::DaysInStage => ['min' => 14],
                CriterionType::ExercisePain => ['max' => 3, 'days' => 7, 'min_sessions' => 3],
                CriterionType::Provocation => ['max' => 3, 'days' => 7, 'min_readings' => 4],
                CriterionType::CleanDays => ['min' => 7, 'min_sessions' => 3],
                CriterionType::Symmetry => ['test' => 'structure', 'min_percent' => 90],
                CriterionType::TestValue => ['test' => 'structure', 'min' => 100],
                CriterionType::TestChange => ['test' => 'structure', 'min_percent' => 10],
                CriterionType::Reached => ['prescription' => $prescription, 'sets' => 3, 'reps' => 10],
                CriterionType::LoadedPain => [
                    'max' => 3,
                    'days' => 7,
                    'min_sessions' => 3,
                    'prescription' => $prescription,
                    'min_load_kg' => 10,
                ],
                CriterionType::SportSessions => ['min' => 3],
                CriterionType::Adherence => ['min_percent' => 80, 'days' => 14],
                CriterionType::Outcome => ['measure' => $measure, 'min' => 80],
                CriterionType::OutcomeGain => ['measure' => $measure, 'min' => 10, 'better' => 'higher'],
                CriterionType::SignOff => [],
            };
    }

    /** @return array<string, mixed> */
    public static function newLever(LeverKind $kind): array
    {
        return ['lever' => $kind->value] +
            match ($kind) {
                LeverKind::Hold => ['to' => 45, 'step' => 5],
                LeverKind::Work => ['to' => 60, 'step' => 10],
                LeverKind::Height => ['to' => 40, 'step' => 5],
                LeverKind::Resistance => ['steps' => ['light', 'medium', 'strong']],
                LeverKind::Reps => ['to' => 15, 'step' => 1],
                LeverKind::Sets => ['to' => 4, 'step' => 1],
                LeverKind::Percent => ['to' => 80, 'step' => 10],
                LeverKind::Range => ['to' => 90, 'step' => 10],
                LeverKind::Tempo => ['phase' => 'lower_s', 'to' => 5, 'step' => 1],
                LeverKind::Load => ['increment_kg' => 2.5],
                LeverKind::RepetitionMaximum => ['to' => 8, 'step' => 2, 'increment_kg' => 2.5],
                LeverKind::Rung => [],
            };
    }
}
