<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Decision\Asked;
use Rung\Core\Decision\Because;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\Json;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Structure;
use Rung\Core\Simulation\TwoAthletes;

/**
 * How a programme goes over weeks, before it is given to anybody: played for a steady athlete, and for one who misses
 * sessions and flares (docs/formats/case-file.md, "Play"). Made up; no forecast for a person.
 */
final readonly class CourseWords
{
    public const WEEKS = TwoAthletes::WEEKS;

    public function __construct(private Catalogue $catalogue) {}

    /** @return array{weeks: int, athletes: list<array<string, mixed>>} */
    public function describe(Programme $programme, Structure $structure): array
    {
        $athletes = [];
        foreach (TwoAthletes::WORDS as $key => $words) {
            $athletes[] =
                ['key' => $key, 'words' => $words] +
                $this->course(
                    $programme,
                    (new TwoAthletes($this->catalogue))->play($key, $programme, $structure, $this->goal($programme)),
                );
        }

        $ends = array_map(
            static fn(array $athlete): int => is_int($athlete['ended_week']) ? $athlete['ended_week'] : self::WEEKS,
            $athletes,
        );

        return ['weeks' => max(1, ...$ends), 'athletes' => $athletes];
    }

    /**
     * @param array{stages: list<array{stage: string, from_day: int}>, ended_day: int|null, weeks: list<array{week: int, stage: string, exercises: list<array{prescription: string, exercise: string, dose: array<string, mixed>, least: int|float, load_kg: int|float|null}>}>} $played
     *
     * @return array<string, mixed>
     */
    private function course(Programme $programme, array $played): array
    {
        $last = $played['ended_day'] === null ? self::WEEKS : intdiv($played['ended_day'] - 1, 7) + 1;
        $stages = [];
        foreach ($played['stages'] as $i => $entered) {
            $next = $played['stages'][$i + 1]['from_day'] ?? null;
            $stages[] = [
                'title' => $programme->plan->stage($entered['stage'])->stage->title ?? $entered['stage'],
                'from_day' => $entered['from_day'],
                'to_day' => $next === null ? $played['ended_day'] ?? 7 * self::WEEKS : $next - 1,
            ];
        }
        $rows = [];
        foreach ($played['weeks'] as $week) {
            foreach ($week['exercises'] as $exercise) {
                $key = $this->row($exercise['exercise'], $rows, $week['week']);
                $rows[$key]['title'] = $this->catalogue->titleOf($exercise['exercise']);
                $rows[$key]['weeks'][] = ['week' => $week['week']] + $this->dose($exercise);
            }
        }

        return [
            'ended_week' => $played['ended_day'] === null ? null : $last,
            'stages' => $stages,
            'rows' => array_values($rows),
        ];
    }

    /**
     * Rungs of one ladder share a row from stage to stage, as long as they are not done in the same week.
     *
     * @param array<string, array{title: string, weeks: list<array{week: int, ...}>}> $rows
     */
    private function row(string $exercise, array $rows, int $week): string
    {
        $ladder = $this->catalogue->ladderOf($exercise)->key ?? $exercise;
        $key = $ladder;
        for ($i = 2; in_array($week, array_column($rows[$key]['weeks'] ?? [], 'week'), true); $i++) {
            $key = "$ladder $i";
        }

        return $key;
    }

    /** The goal for which the programme has the most stages; of several the one that a circus meets most. */
    private function goal(Programme $programme): Goal
    {
        $best = Goal::Jumping;
        $most = 0;
        foreach ([Goal::Jumping, ...Goal::cases()] as $goal) {
            $stages = count(
                array_filter($programme->plan->stages, static fn($stage): bool => $stage->stage->appliesTo($goal)),
            );
            if ($stages > $most) {
                [$best, $most] = [$goal, $stages];
            }
        }

        return $best;
    }

    /**
     * @param array{prescription: string, exercise: string, dose: array<string, mixed>, least: int|float, load_kg: int|float|null} $week
     *
     * @return array{words: string, work: int|float, load_kg: int|float|null} `work`: sets times repetitions or seconds
     */
    private function dose(array $week): array
    {
        $exercise = $this->catalogue->exercise($week['exercise']);
        $dose = Json::read((string) json_encode($week['dose']), Dose::read(...));
        $asked = Asked::withAmount(
            new Prescription($week['prescription'], $exercise->key, $exercise->mode, $exercise->limbs, $dose),
            $week['least'],
            Because::Fixed,
        )->asPrescription();
        $done =
            $week['load_kg'] === null ? $asked : $asked->withDose($asked->dose->with(['load_kg' => $week['load_kg']]));

        return [
            'words' => $exercise->title . ', ' . DoseWords::describe($done),
            'work' => $dose->sets * $week['least'],
            'load_kg' => $week['load_kg'],
        ];
    }
}
