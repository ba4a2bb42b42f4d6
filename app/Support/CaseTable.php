<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use Closure;
use Rung\Core\Words\DoseWords;

/** What can be exported from a case as a table (docs/formats/tables.md). */
enum CaseTable: string
{
    case Sessions = 'sessions';
    case Sets = 'sets';
    case Mornings = 'mornings';
    case Tests = 'tests';
    case Scores = 'scores';
    case Decisions = 'decisions';
    case Plan = 'plan';

    /** Before the columns of every table: whose row it is. */
    private const WHOSE = ['case', 'athlete', 'structure', 'side'];

    /** @return list<string> */
    public function columns(): array
    {
        return [
            ...self::WHOSE,
            ...match ($this) {
                self::Sessions => [
                    'session',
                    'started_at',
                    'ended_at',
                    'stage',
                    'kind',
                    'planned',
                    'plan_version',
                    'participation',
                    'minutes',
                    'effort',
                    'worst_pain',
                    'settled_min',
                    'signs',
                    'notes',
                ],
                self::Sets => [
                    'session',
                    'started_at',
                    'prescription',
                    'exercise',
                    'set',
                    'reps',
                    'hold_s',
                    'work_s',
                    'load_kg',
                    'height_cm',
                    'reps_in_reserve',
                    'effort',
                    'pain',
                    'left_reps',
                    'left_hold_s',
                    'right_reps',
                    'right_hold_s',
                    'exercise_pain',
                ],
                self::Mornings => ['at', 'provocation', 'stiffness_min', 'signs', 'notes'],
                self::Tests => ['test', 'on', 'affected', 'unaffected', 'unit'],
                self::Scores => ['measure', 'on', 'score'],
                self::Decisions => ['at', 'by', 'kind', 'words', 'reason', 'plan_version'],
                self::Plan => ['stage', 'prescription', 'exercise', 'kind_of_session', 'dose', 'resting_until'],
            },
        ];
    }

    /**
     * The rows of a case, one at a time: a table of a whole practice is never in memory.
     *
     * @return iterable<list<mixed>>
     */
    public function rows(CareCase $case, CatalogueShelf $shelf): iterable
    {
        $whose = [$case->id, $case->athlete->name, $case->structure_title, $case->side];
        foreach ($this->rowsOf($case, $shelf) as $row) {
            yield [...$whose, ...$row];
        }
    }

    /** @return iterable<list<mixed>> */
    private function rowsOf(CareCase $case, CatalogueShelf $shelf): iterable
    {
        $at = static fn(\DateTimeInterface $moment): string => \Carbon\CarbonImmutable::instance($moment)
            ->setTimezone($case->practice->timezone)
            ->toIso8601String();

        return match ($this) {
            self::Sessions => self::each(
                $case->trainingSessions()->lazy(),
                static fn(TrainingSession $session): array => [
                    $session->id,
                    $at($session->started_at),
                    $at($session->ended_at),
                    $session->stage,
                    $session->kind,
                    $session->planned_id === null ? 'no' : 'yes',
                    $session->plan_version,
                    $session->participation,
                    $session->minutes,
                    $session->effort,
                    self::worst($session),
                    $session->settled_min,
                    implode(' ', $session->signs),
                    $session->notes,
                ],
            ),
            self::Sets => self::sets($case, $shelf, $at),
            self::Mornings => self::each(
                $case->checkIns()->lazy(),
                static fn(CheckIn $checkIn): array => [
                    $at($checkIn->at),
                    $checkIn->provocation,
                    $checkIn->stiffness_min,
                    implode(' ', $checkIn->signs),
                    $checkIn->notes,
                ],
            ),
            self::Tests => self::each(
                $case->tests()->lazy(),
                static fn(StrengthTest $test): array => [
                    $test->test,
                    $test->on,
                    $test->affected,
                    $test->unaffected,
                    $test->unit,
                ],
            ),
            self::Scores => self::each(
                $case->outcomes()->lazy(),
                static fn(Outcome $outcome): array => [$outcome->measure, $outcome->on, $outcome->score],
            ),
            self::Decisions => self::each(
                $case->decisions()->with('user')->lazy(),
                static fn(Decision $decision): array => [
                    $at($decision->at),
                    $decision->by(),
                    $decision->kind,
                    $decision->words,
                    $decision->reason,
                    $decision->plan_version,
                ],
            ),
            self::Plan => self::plan($case, $shelf),
        };
    }

    /**
     * @template T
     *
     * @param iterable<T> $rows
     * @param Closure(T): list<mixed> $cells
     *
     * @return iterable<list<mixed>>
     */
    private static function each(iterable $rows, Closure $cells): iterable
    {
        foreach ($rows as $row) {
            yield $cells($row);
        }
    }

    /**
     * @param Closure(\DateTimeInterface): string $at
     *
     * @return iterable<list<mixed>>
     */
    private static function sets(CareCase $case, CatalogueShelf $shelf, Closure $at): iterable
    {
        $plan = $case->plan();
        $catalogue = $shelf->forCase($case, $plan);
        $asked = array_column([...$plan->prescriptions(), ...$plan->leftOut], null, 'key');
        foreach ($case->trainingSessions()->lazy() as $session) {
            foreach ($session->entries as $entry) {
                $key = $entry['prescription'] ?? null;
                $exercise = isset($asked[$key ?? '']) ? $catalogue->titleOf($asked[$key ?? '']->exercise) : null;
                foreach ($entry['sets'] ?? [] as $i => $set) {
                    $side = static fn(string $which, string $what): mixed => is_array($set[$which] ?? null)
                        ? $set[$which][$what] ?? null
                        : null;
                    yield [
                        $session->id,
                        $at($session->started_at),
                        $key,
                        $exercise,
                        $i + 1,
                        $set['reps'] ?? null,
                        $set['hold_s'] ?? null,
                        $set['work_s'] ?? null,
                        $set['load_kg'] ?? null,
                        $set['height_cm'] ?? null,
                        $set['rir'] ?? null,
                        $set['effort'] ?? null,
                        $set['pain'] ?? null,
                        $side('left', 'reps'),
                        $side('left', 'hold_s'),
                        $side('right', 'reps'),
                        $side('right', 'hold_s'),
                        $entry['pain'] ?? null,
                    ];
                }
            }
        }
    }

    /** @return iterable<list<mixed>> */
    private static function plan(CareCase $case, CatalogueShelf $shelf): iterable
    {
        $plan = $case->plan();
        $catalogue = $shelf->forCase($case, $plan);
        $today = Clock::today($case->practice->timezone);
        foreach ($plan->stages as $stage) {
            foreach ($stage->stage->prescriptions as $prescription) {
                yield [
                    $stage->stage->title,
                    $prescription->key,
                    $catalogue->titleOf($prescription->exercise),
                    $stage->slot($prescription->slot)?->name(),
                    DoseWords::describe($prescription),
                    $plan->restsUntil($prescription->key, $today)?->toIso(),
                ];
            }
        }
    }

    private static function worst(TrainingSession $session): ?int
    {
        $pains = array_filter(array_column($session->entries, 'pain'), is_int(...));

        return $pains === [] ? null : max($pains);
    }
}
