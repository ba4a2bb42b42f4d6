<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\FindMeasure;
use App\Models\CareCase;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use App\Support\MeasureHistory;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasureGate;
use Rung\Core\Measuring\MeasurePoint;
use Rung\Core\Number;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;
use Rung\Core\Stage\Stage;
use Rung\Core\Words\MeasureWords;
use Rung\Core\Words\PlanWords;

/** What is measured in a case, over time: each measure with its values, what they mean, and what is due. */
final class MeasuresPage
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly FindMeasure $find) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, Evaluation $evaluation): array
    {
        $catalogue = $this->shelf->forCase($case, $case->plan());
        $measures = $this->measures($case, $evaluation);

        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'closed_on' => $case->closed_on,
            'today' => Clock::today($case->practice->timezone)->toIso(),
            'opened_on' => $case->opened_on,
            'stage' => $evaluation->log->stage->title,
            'stopped' => $evaluation->isStopped() || $case->hasSevereFlare(),
            'body_mass_kg' => $case->athlete->body_mass_kg,
            'measures' => $measures,
            'others' => array_values(
                array_map(
                    static fn(Measure $measure): array => ['key' => $measure->key, 'title' => $measure->title],
                    array_diff_key($catalogue->measures, array_column($measures, null, 'key')),
                ),
            ),
        ];
    }

    /** @return array<string, mixed>|null one measure, be it among those of the case or not */
    public function one(CareCase $case, Evaluation $evaluation, string $key): ?array
    {
        $measure = $this->find->byKey($case, $key);

        return $measure === null
            ? null
            : $this->measure($case, $measure, MeasureHistory::forCase($case), $evaluation->log->stage);
    }

    /** @return list<array<string, mixed>> those of the case, its severity score last: what is due first, then what is proposed */
    public function measures(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $history = MeasureHistory::forCase($case);
        $stage = $evaluation->log->stage;
        $keys = [
            ...array_column($case->measures($plan, $catalogue), 'key'),
            ...self::proposed($case, $catalogue, $stage),
            ...$history->keys(),
            ...array_filter([$case->severity?->name]),
        ];
        $measures = [];
        foreach (array_unique($keys) as $key) {
            $measure = $this->find->byKey($case, $key);
            if ($measure !== null) {
                $measures[] = $this->measure($case, $measure, $history, $stage);
            }
        }
        usort($measures, static fn(array $a, array $b): int => ($a['due'] === null) <=> ($b['due'] === null));

        return $measures;
    }

    /** @return list<string> */
    private static function proposed(CareCase $case, Catalogue $catalogue, Stage $stage): array
    {
        return array_values(
            array_column(
                array_filter(
                    $catalogue->measures,
                    static fn(Measure $measure): bool => $measure->isProposedFor(
                        Structure::from($case->structure),
                        $stage->mode,
                    ),
                ),
                'key',
            ),
        );
    }

    /** @return array<string, mixed> */
    private function measure(CareCase $case, Measure $measure, MeasureHistory $history, Stage $stage): array
    {
        $course = $history->course($measure);
        $gate = self::gate($course, $stage, $case);
        $rows = $history->rows($measure);
        $noise = $course->noise();

        return [
            'key' => $measure->key,
            'title' => $measure->title,
            'kind' => $measure->kind->value,
            'unit' => $measure->unit,
            'each_side' => $measure->eachSide,
            'instruction' => $measure->instruction,
            'tries' => $measure->tries,
            'rest_s' => $measure->restS,
            'higher_is_better' => $measure->higherIsBetter,
            'joint_angle' => $measure->jointAngle,
            'loads' => $measure->kind->loads(),
            'lowest' => $measure->lowest,
            'highest' => $measure->highest,
            'words' => MeasureWords::course($course),
            'due' => $gate === null ? null : MeasureWords::due($gate),
            'gate' =>
                $gate === null
                    ? null
                    : [
                        'words' => PlanWords::criterion($gate->criterion),
                        'to_reach' => $gate->toReach === null ? null : Number::tenth($gate->toReach),
                    ],
            'noise' =>
                $noise === null || $noise['low'] === $noise['high'] ? null : array_map(Number::tenth(...), $noise),
            'ratio' => $this->ratio($case, $course, $history),
            'taken' => array_map(self::point(...), $course->points, $rows),
        ];
    }

    /** The strictest about time of what the gate of the present stage asks of a measure. */
    private static function gate(MeasureCourse $course, Stage $stage, CareCase $case): ?MeasureGate
    {
        $asked = array_values(
            array_filter(
                $stage->gate,
                static fn(Criterion $criterion): bool => $criterion instanceof OverTest &&
                    $criterion->test === $course->measure->key,
            ),
        );
        usort($asked, static fn(OverTest $a, OverTest $b): int => $a->countsForDays() <=> $b->countsForDays());

        return $asked === [] ? null : MeasureGate::judge($asked[0], $course, Clock::today($case->practice->timezone));
    }

    /** @return array{words: string}|null */
    private function ratio(CareCase $case, MeasureCourse $course, MeasureHistory $history): ?array
    {
        $ratio = $course->measure->ratio;
        $other = $ratio === null ? null : $this->find->byKey($case, $ratio->to);

        return $ratio === null || $other === null
            ? null
            : ['words' => MeasureWords::ratio($course, $history->course($other), $ratio)];
    }

    /** @return array<string, mixed> */
    private static function point(MeasurePoint $point, StrengthTest|Outcome $row): array
    {
        $percent = static fn(int|float|null $value): int|float|null => $value === null ? null : Number::tenth($value);

        return [
            'id' => $row->id,
            'on' => $point->taken->on->toIso(),
            'affected' => $point->taken->affected,
            'unaffected' => $point->taken->unaffected,
            'symmetry_percent' => $percent($point->symmetryPercent),
            'change_percent' => $percent($point->changePercent),
            'meaning' => $point->meaning?->value,
            'per_kg' => $point->perKg === null ? null : Number::hundredth($point->perKg),
            'details' =>
                $row->details === null
                    ? null
                    : MeasureDetails::present(
                        $row->details,
                        $row instanceof StrengthTest ? max($row->affected, 0) : null,
                    ),
            'by' => $row->author?->name,
        ];
    }
}
