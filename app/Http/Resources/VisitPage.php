<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use App\Support\Standing;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Number;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\VisitWords;

/** What a visit at the treatment table begins with: what is measured, when it was last, and what can be tried. */
final class VisitPage
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function of(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $stage = $plan->stage($evaluation->log->stage->key);
        $rule = $evaluation->log->file->response_rule;
        $today = Clock::today($case->practice->timezone);

        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'closed_on' => $case->closed_on,
            'today' => $today->toIso(),
            'stage' => $stage->stage->title ?? '',
            'stopped' => Standing::isStopped($evaluation) || $case->hasSevereFlare(),
            'during_max' => $rule->during_max,
            'stop_at' => $rule->stop_at,
            'measures' => array_map(static fn(Measure $one): array => $one->toArray() + ['taken' => self::taken($case, $one), 'due' => self::due($case, $one, $stage, $today)], $case->measures($plan, $catalogue)),
            'severity' => self::severity($case),
            'exercises' => $stage === null ? [] : self::exercises($stage, $catalogue),
        ];
    }

    /** @return list<array{on: string, affected: float, unaffected: float, unit: string, symmetry_percent: int|float}> oldest first */
    private static function taken(CareCase $case, Measure $measure): array
    {
        return array_values($case->tests()->where('test', $measure->key)->get()->map(static fn(StrengthTest $one): array => [
            'on' => $one->on, 'affected' => $one->affected, 'unaffected' => $one->unaffected, 'unit' => $one->unit,
            'symmetry_percent' => Number::tenth(Strength::symmetry($one->affected, $one->unaffected, $case->side === 'both')),
        ])->all());
    }

    /** Why it is due for the gate of the present stage; null where it is not. */
    private static function due(CareCase $case, Measure $measure, ?PlanStage $stage, Day $today): ?string
    {
        $gates = array_filter($stage->stage->gate ?? [], static fn(Criterion $one): bool => $one instanceof OverTest && $one->test === $measure->key);
        if ($gates === []) {
            return null;
        }
        $within = min(array_map(static fn(OverTest $one): int => $one->countsForDays(), $gates));
        $last = $case->tests()->where('test', $measure->key)->reorder('on', 'desc')->value('on');
        $days = is_string($last) ? $today->daysSince(Day::fromIso($last)) : null;

        return match (true) {
            $days === null => "never measured; the gate needs one within $within days",
            $days >= $within => "last $days days ago; the gate needs one within $within",
            default => null,
        };
    }

    /** @return array<string, mixed>|null */
    private static function severity(CareCase $case): ?array
    {
        $score = $case->severityScore();

        return $score === null ? null : [
            'name' => $score->name, 'title' => VisitWords::title($score->name), 'lowest' => $score->lowest, 'highest' => $score->highest, 'higher_is_better' => $score->higherIsBetter,
            'taken' => array_values($case->outcomes()->where('measure', $score->name)->get()->map(static fn(Outcome $one): array => ['on' => $one->on, 'score' => $one->score])->all()),
        ];
    }

    /** @return list<array<string, mixed>> what the stage asks for now and the other rungs of its ladders, each once */
    private static function exercises(PlanStage $stage, Catalogue $catalogue): array
    {
        $told = [];
        foreach ($stage->stage->prescriptions as $prescription) {
            $own = $catalogue->exercises[$prescription->exercise] ?? null;
            $told[$prescription->exercise] = self::told($prescription, $own, true);
        }
        foreach ($stage->stage->prescriptions as $prescription) {
            foreach ($prescription->ladder ?? $catalogue->ladderOf($prescription->exercise)?->exercises() ?? [] as $key) {
                $exercise = $catalogue->exercises[$key] ?? null;
                if ($exercise !== null) {
                    $told[$key] ??= self::told($exercise->asPrescription(), $exercise, false);
                }
            }
        }

        return array_values($told);
    }

    /** @return array<string, mixed> */
    private static function told(Prescription $one, ?Exercise $exercise, bool $now): array
    {
        return [
            'exercise' => $one->exercise,
            'title' => $exercise->title ?? $one->exercise,
            'now' => $now,
            'words' => DoseWords::of($one),
            'tempo_words' => DoseWords::tempo($one),
            'limbs' => DoseWords::limbs($one->limbs),
            'set_up' => $exercise?->set_up,
            'movement' => $exercise?->movement,
            'mode' => $one->mode->value,
            'says' => (object) ($exercise?->says?->toArray() ?? []),
            'dose' => $one->dose->toArray(),
        ];
    }
}
