<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Catalogue\School;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Stage\Criterion;

/** Two programmes or two response rules side by side, point by point. */
final readonly class Comparison
{
    public function __construct(private Catalogue $catalogue) {}

    /** @return list<array{point: string, a: string, b: string, differs: bool}> */
    public function rules(School $a, School $b): array
    {
        return self::table(self::rulePoints($a), self::rulePoints($b));
    }

    /** @return list<array{point: string, a: string, b: string, differs: bool}> */
    public function programmes(Programme $a, Programme $b): array
    {
        return self::table($this->programmePoints($a), $this->programmePoints($b));
    }

    /** @return array<string, string> */
    public static function rulePoints(School $school): array
    {
        $rule = $school->rule;
        $stiffness = $rule->stiffness_rise_max_min;

        return [
            'Whose view' => $school->view,
            'Pain in the exercise' => "up to $rule->during_max of 10",
            'Back to how it was' => 'within ' . self::time($rule->settle_within_min),
            'Next morning' => "up to $rule->next_day_max of 10",
            'A small reaction' => "test $rule->rise_watch_from over the baseline",
            'Too much' => "test $rule->rise_over_from over the baseline",
            'Morning stiffness' => $stiffness === null ? 'not judged' : "up to $stiffness min more",
            'Loading stops' => "at $rule->stop_at of 10",
            'Grows after' =>
                $rule->progress_after === 1 ? 'one settled answer' : "$rule->progress_after settled answers in a row",
            'Growth' => "at most $rule->week_growth_max_percent % a week",
            'For and against' => $school->forAndAgainst,
        ];
    }

    /** @return array<string, string> */
    private function programmePoints(Programme $programme): array
    {
        $points = [
            'In short' => $programme->summary,
            'School' => $this->catalogue->school($programme->rule)->title,
            'Structures' => implode(
                ', ',
                array_map(
                    fn($structure): string => $this->catalogue->structure($structure)->title,
                    $programme->structures,
                ),
            ),
            'For' => $programme->purpose->value === 'prevention' ? 'prevention' : 'return from pain',
            'Stages' => implode(
                ' → ',
                array_map(static fn(PlanStage $stage): string => $stage->stage->title, $programme->plan->stages),
            ),
        ];
        foreach (
            [
                'Holds' => [Mode::Isometric],
                'Slow strength' => [Mode::Isotonic],
                'Lowering only' => [Mode::Eccentric],
                'Springs' => [Mode::Plyometric, Mode::Running, Mode::Throwing],
            ]
            as $point => $modes
        ) {
            $points[$point] = $this->work($programme, $modes);
        }
        $first = $programme->plan->stages[0] ?? null;
        $points['Days of the first stage'] = $first === null ? '' : PlanWords::rhythm($first);
        $points['First gate'] =
            $first === null
                ? ''
                : implode(
                    '; ',
                    array_map(
                        static fn(Criterion $criterion): string => PlanWords::criterion($criterion),
                        $first->stage->gate,
                    ),
                );
        $points['Equipment'] = implode(', ', $this->equipment($programme)) ?: 'none';
        $points['Test again around each exercise'] = $programme->retest ? 'yes' : 'no';
        $points['Caution'] = $programme->caution ?? 'none beyond the usual';
        $points['Time'] = $programme->timeScale;

        return $points;
    }

    /** @param list<Mode> $modes */
    private function work(Programme $programme, array $modes): string
    {
        foreach ($programme->plan->prescriptions() as $prescription) {
            if (in_array($prescription->mode, $modes, true)) {
                return $this->catalogue->titleOf($prescription->exercise) . ', ' . DoseWords::describe($prescription);
            }
        }

        return 'none';
    }

    /** @return list<string> */
    private function equipment(Programme $programme): array
    {
        $needs = array_merge(
            ...array_map(
                fn(Prescription $prescription): array => $this->catalogue->exercises[$prescription->exercise]
                    ->equipment ?? [],
                $programme->plan->prescriptions(),
            ),
        );
        sort($needs);

        return array_values(array_unique($needs));
    }

    /**
     * @param array<string, string> $a
     * @param array<string, string> $b
     *
     * @return list<array{point: string, a: string, b: string, differs: bool}>
     */
    private static function table(array $a, array $b): array
    {
        return array_map(
            static fn(string $point): array => [
                'point' => $point,
                'a' => $a[$point] ?? '',
                'b' => $b[$point] ?? '',
                'differs' => ($a[$point] ?? '') !== ($b[$point] ?? ''),
            ],
            array_keys($a),
        );
    }

    private static function time(int|float $minutes): string
    {
        return $minutes >= 1440
            ? 'a day'
            : ($minutes % 60 === 0 && $minutes >= 60
                ? ($minutes === 60
                    ? 'an hour'
                    : $minutes / 60 . ' hours')
                : "$minutes min");
    }
}
