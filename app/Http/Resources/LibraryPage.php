<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\LibraryKind;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Catalogue\Avoid;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Differential;
use Rung\Core\Catalogue\Ladder;
use Rung\Core\Catalogue\LadderRung;
use Rung\Core\Catalogue\LintRule;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\RungChange;
use Rung\Core\Catalogue\School;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Catalogue\Variant;
use Rung\Core\Catalogue\WayBack;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\Waiting;
use Rung\Core\Screening\Finding;
use Rung\Core\Screening\ReferralSign;
use Rung\Core\Screening\Risk;
use Rung\Core\Stage\Criterion;
use Rung\Core\Words\Comparison;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\GrowthWords;
use Rung\Core\Words\MeasureWords;
use Rung\Core\Words\PlanWords;

/** The whole library in words: structures, ladders, exercises, programmes, response rules, lint and screening. */
final class LibraryPage
{
    public function __construct(private readonly Catalogue $catalogue) {}

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $catalogue = $this->catalogue;

        return [
            'structures' => array_map($this->structure(...), array_values($catalogue->structures)),
            'ladders' => array_map($this->ladder(...), array_values($catalogue->ladders)),
            'exercises' => array_map($this->exercise(...), array_values($catalogue->exercises)),
            'programmes' => array_map($this->programme(...), array_values($catalogue->programmes)),
            'rules' => array_map($this->rule(...), array_values($catalogue->schools)),
            'measures' => array_map($this->measure(...), array_values($catalogue->measures)),
            'lint' => array_map(
                static fn(LintRule $rule): array => ['key' => $rule->key, 'title' => $rule->title, 'why' => $rule->why],
                array_values($catalogue->lint),
            ),
            'signs' => array_map(
                static fn(ReferralSign $sign): array => [
                    'key' => $sign->key,
                    'words' => $sign->words,
                    'how' => $sign->how,
                    'regions' => array_column($sign->regions, 'value'),
                ],
                array_values($catalogue->signs),
            ),
            'risks' => array_map(
                static fn(Risk $risk): array => [
                    'key' => $risk->key,
                    'words' => $risk->words,
                    'asks_taken_on' => $risk->asksTakenOn,
                ],
                array_values($catalogue->risks),
            ),
            'findings' => array_map(
                static fn(Finding $finding): array => [
                    'key' => $finding->key,
                    'words' => $finding->words,
                    'how' => $finding->how,
                    'structures' => array_column($finding->structures, 'value'),
                ],
                array_values($catalogue->findings),
            ),
            'practice' => array_map(
                static fn(WayBack $way): array => [
                    'goals' => array_column($way->goals, 'value'),
                    'steps' => array_map(static fn(PracticeStep $step): array => $step->toArray(), $way->steps),
                ],
                $catalogue->waysBack,
            ),
            'equipment' => $catalogue->equipment(),
        ];
    }

    /** @return array<string, mixed> */
    private function structure(StructureInfo $info): array
    {
        $key = $info->structure->value;

        return [
            'key' => $key,
            'title' => $info->title,
            'region' => $info->region->value,
            'kind' => $info->isMuscle ? 'muscle' : 'tendon',
            'avoid' => array_map(static fn(Avoid $avoid): string => $avoid->words, $info->avoid),
            'load_relief' => $info->loadRelief,
            'provocation_test' => $info->usualTest()->toArray(),
            'later_test' => $info->laterTest?->toArray(),
            'differentials' => array_map(
                static fn(Differential $differential): array => $differential->toArray(),
                $info->differentials,
            ),
            'strength_test' => $info->strengthTest,
            'usual_programme' => $info->usualProgramme,
            'ladders' => array_values(
                array_column(
                    array_filter(
                        $this->catalogue->ladders,
                        fn(Ladder $ladder): bool => $this->climbsFor($ladder, $info),
                    ),
                    'key',
                ),
            ),
            'programmes' => array_values(
                array_column(
                    array_filter(
                        $this->catalogue->programmes,
                        static fn(Programme $programme): bool => in_array(
                            $info->structure,
                            $programme->structures,
                            true,
                        ),
                    ),
                    'key',
                ),
            ),
        ];
    }

    private function climbsFor(Ladder $ladder, StructureInfo $info): bool
    {
        foreach ($ladder->exercises() as $key) {
            $directness = $this->catalogue->exercise($key)->loads($info->structure);
            if ($directness === Directness::Target || $directness === Directness::Shared) {
                return true;
            }
        }

        return false;
    }

    /** @return array<string, mixed> */
    private function ladder(Ladder $ladder): array
    {
        return [
            'key' => $ladder->key,
            'title' => $ladder->title,
            'version' => $this->version(LibraryKind::Ladder, $ladder->key),
            'rungs' => array_map(
                static fn(LadderRung $rung): array => [
                    'exercise' => $rung->exercise,
                    'demand' => $rung->demand,
                    'changes' => array_map(static fn(RungChange $change): string => $change->value, $rung->changes),
                    'words' => $rung->words,
                ],
                $ladder->rungs,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function exercise(Exercise $exercise): array
    {
        $prescription = $exercise->asPrescription();

        return [
            'key' => $exercise->key,
            'title' => $exercise->title,
            'also_called' => $exercise->alsoCalled,
            'version' => $this->version(LibraryKind::Exercise, $exercise->key),
            'mode' => $exercise->mode->value,
            'limbs' => DoseWords::limbs($exercise->limbs),
            'sides' => $exercise->limbs->value,
            'lever' => $exercise->lever->value,
            'range' => $exercise->range,
            'structures' => (object) array_map(
                static fn(Directness $directness): string => $directness->value,
                $exercise->structures,
            ),
            'equipment' => $exercise->equipment,
            'stand_in' => $exercise->stand_in,
            'set_up' => $exercise->set_up,
            'movement' => $exercise->movement,
            'feel' => $exercise->feel,
            'faults' => $exercise->faults,
            'dose' => $exercise->dose->toArray(),
            'words' => DoseWords::describe($prescription),
            'tempo_words' => DoseWords::tempo($prescription),
            'usual' => $exercise->usual->words(),
        ];
    }

    /** @return array<string, mixed> */
    private function programme(Programme $programme): array
    {
        return [
            'key' => $programme->key,
            'title' => $programme->title,
            'version' => $this->version(LibraryKind::Programme, $programme->key),
            'structures' => array_column($programme->structures, 'value'),
            'rule' => $programme->rule,
            'school' => $this->catalogue->school($programme->rule)->title,
            'purpose' => $programme->purpose->value,
            'retest' => $programme->retest,
            'summary' => $programme->summary,
            'caution' => $programme->caution,
            'time_scale' => $programme->timeScale,
            'severity' => $programme->severityMeasure !== null,
            'stages' => array_map(
                fn(PlanStage $planned): array => [
                    'key' => $planned->stage->key,
                    'title' => $planned->stage->title,
                    'mode' => $planned->stage->mode->value,
                    'goals' => PlanWords::goals($planned->stage),
                    'goal_keys' =>
                        $planned->stage->goals === null ? null : array_column($planned->stage->goals, 'value'),
                    'rhythm' => PlanWords::rhythm($planned),
                    'gate' => array_map(
                        static fn(Criterion $criterion): string => PlanWords::criterion($criterion),
                        $planned->stage->gate,
                    ),
                    'notes' => $planned->stage->notes,
                    'prescriptions' => [
                        ...array_map($this->prescription(...), $planned->stage->prescriptions),
                        ...array_map(
                            fn(Waiting $waiting): array => [
                                'when' => PlanWords::startsWhen($waiting->startsWhen, $this->catalogue),
                            ] + $this->prescription($waiting->prescription),
                            $planned->waiting,
                        ),
                    ],
                ],
                $programme->plan->stages,
            ),
            'variants' => array_map(
                fn(Variant $variant): array => [
                    'structures' => array_column($variant->structures, 'value'),
                    'prescriptions' =>
                        $variant->structures === []
                            ? []
                            : array_map(
                                $this->prescription(...),
                                $programme
                                    ->planFor($this->catalogue->structure($variant->structures[0]), $this->catalogue)
                                    ->prescriptions(),
                            ),
                ],
                $programme->variants,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function prescription(Prescription $prescription): array
    {
        return [
            'key' => $prescription->key,
            'exercise' => $prescription->exercise,
            'title' => $this->catalogue->titleOf($prescription->exercise),
            'when' => null,
            'words' => DoseWords::describe($prescription),
            'tempo_words' => DoseWords::tempo($prescription),
            'growth' => GrowthWords::describe($prescription, $this->catalogue),
        ];
    }

    /** @return array<string, mixed> */
    private function rule(School $school): array
    {
        $points = Comparison::rulePoints($school);

        return [
            'key' => $school->key,
            'title' => $school->title,
            'version' => $this->version(LibraryKind::Rule, $school->key),
            'points' => array_map(
                static fn(string $point, string $words): array => ['point' => $point, 'words' => $words],
                array_keys($points),
                array_values($points),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function measure(Measure $measure): array
    {
        return [
            'key' => $measure->key,
            'title' => $measure->title,
            'version' => $this->version(LibraryKind::Measure, $measure->key),
            'kind' => $measure->kind->value,
            'unit' => $measure->unit,
            'instruction' => $measure->instruction,
            'structures' => array_column($measure->structures, 'value'),
            'words' => MeasureWords::measure($measure),
        ];
    }

    private function version(LibraryKind $kind, string $key): ?int
    {
        return $this->catalogue->versions["$kind->value/$key"] ?? null;
    }
}
