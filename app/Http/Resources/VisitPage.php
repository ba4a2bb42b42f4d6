<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Words\DoseWords;

/** What a visit at the treatment table begins with: what is measured, when it was last, and what can be tried. */
final class VisitPage
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly MeasuresPage $measures) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $stage = $plan->stage($evaluation->log->stage->key);
        $rule = $evaluation->log->file->response_rule;
        $measures = $this->measures->present($case, $evaluation);

        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'closed_on' => $case->closed_on,
            'today' => $measures['today'],
            'stage' => $stage->stage->title ?? '',
            'stopped' => $evaluation->isStopped() || $case->hasSevereFlare(),
            'during_max' => $rule->during_max,
            'stop_at' => $rule->stop_at,
            'measures' => $measures['measures'],
            'others' => $measures['others'],
            'exercises' => $stage === null ? [] : self::exercises($stage, $catalogue, $evaluation),
        ];
    }

    /** @return list<array<string, mixed>> what the stage asks for now and the other rungs of its ladders, each once */
    private static function exercises(PlanStage $stage, Catalogue $catalogue, Evaluation $evaluation): array
    {
        $exercises = [];
        foreach ($stage->stage->prescriptions as $prescription) {
            $own = $catalogue->exercises[$prescription->exercise] ?? null;
            $exercises[$prescription->exercise] = self::exercise($prescription, $own, true) + [
                'band' => HeldForce::present($prescription, $evaluation, $catalogue),
            ];
        }
        foreach ($stage->stage->prescriptions as $prescription) {
            foreach (
                $prescription->ladder ?? ($catalogue->ladderOf($prescription->exercise)?->exercises() ?? [])
                as $key
            ) {
                $exercise = $catalogue->exercises[$key] ?? null;
                if ($exercise !== null) {
                    $exercises[$key] ??= self::exercise($exercise->asPrescription(), $exercise, false) + [
                        'band' => null,
                    ];
                }
            }
        }

        return array_values($exercises);
    }

    /** @return array<string, mixed> */
    private static function exercise(Prescription $prescription, ?Exercise $exercise, bool $now): array
    {
        return [
            'exercise' => $prescription->exercise,
            'title' => $exercise->title ?? $prescription->exercise,
            'now' => $now,
            'words' => DoseWords::describe($prescription),
            'tempo_words' => DoseWords::tempo($prescription),
            'limbs' => DoseWords::limbs($prescription->limbs),
            'set_up' => $exercise?->set_up,
            'movement' => $exercise?->movement,
            'mode' => $prescription->mode->value,
            'says' => (object) ($exercise?->says?->toArray() ?? []),
            'dose' => $prescription->dose->toArray(),
        ];
    }
}
