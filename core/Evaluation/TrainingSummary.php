<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Attention\Attention;
use Rung\Core\Attention\WeekLoad;
use Rung\Core\Decision\WorkDone;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Record;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Time\Day;

/**
 * How a case has gone, as far as prescribing looks at it. Small enough to be kept with the case, so that a preview need
 * not read the whole history at every key press.
 */
final readonly class TrainingSummary implements WorkDone
{
    /**
     * @param array<string, DoneWork> $done by prescription
     * @param array<string, StrengthTest> $tests the latest of each
     */
    private function __construct(
        public string $stage,
        public Day $stageFrom,
        public Day $today,
        private int $week,
        public bool $irritable,
        public bool $tooTimid,
        public bool $notImproving,
        public ?int $adherencePercent,
        /** What was logged in the last 7 days. */
        public WeekLoad $lastWeek,
        public array $done,
        public array $tests,
        public int|float|null $bodyMassKg,
        public int|float $weekGrowthMaxPercent,
    ) {}

    public static function fromEvaluation(Evaluation $evaluation): self
    {
        $log = $evaluation->log;
        $work = $evaluation->work;
        $done = [];
        foreach ($log->prescriptions as $prescription) {
            $last = $work->lastSession($prescription);
            if ($last !== null) {
                $done[$prescription->key] = new DoneWork(
                    $prescription->exercise,
                    $log->dayOf($last),
                    $last->setsOf($prescription->key),
                    $work->base($prescription),
                    $work->changedThisWeek($prescription),
                    $work->heaviestKg($prescription),
                    $work->lastWasFull($prescription),
                );
            }
        }
        $tests = [];
        foreach ($log->file->tests as $test) {
            if (
                !$test->on->isAfter($log->today) &&
                (!isset($tests[$test->test]) || !$tests[$test->test]->on->isAfter($test->on))
            ) {
                $tests[$test->test] = $test;
            }
        }

        return new self(
            stage: $log->stage->key,
            stageFrom: $log->stageFrom,
            today: $log->today,
            week: $work->weekOfStage(),
            irritable: Irritation::isIrritable($evaluation),
            tooTimid: Attention::isTooTimid($log, $evaluation->sessions, $evaluation->adherence),
            notImproving: Attention::isNotImproving($log),
            adherencePercent: $evaluation->adherence->percent,
            lastWeek: $evaluation->thisWeek,
            done: $done,
            tests: $tests,
            bodyMassKg: $log->file->athlete->body_mass_kg,
            weekGrowthMaxPercent: $log->file->response_rule->week_growth_max_percent,
        );
    }

    /** @throws InvalidInput */
    public static function fromJson(string $json): self
    {
        return Json::read($json, static function (ObjectNode $node): self {
            $done = [];
            foreach (
                $node->each(
                    'done',
                    static fn(ObjectNode $item): array => [
                        $item->key('prescription'),
                        $item->child('work', DoneWork::read(...)),
                    ],
                )
                as [$key, $work]
            ) {
                $done[$key] = $work;
            }

            return new self(
                $node->key('stage'),
                $node->day('stage_from'),
                $node->day('today'),
                $node->whole('week', 1),
                $node->flag('irritable'),
                $node->flag('too_timid'),
                $node->flag('not_improving'),
                $node->wholeOrNull('adherence_percent'),
                $node->child('last_week', WeekLoad::read(...)),
                $done,
                array_column($node->each('tests', StrengthTest::read(...)), null, 'test'),
                $node->numberOrNull('body_mass_kg'),
                $node->number('week_growth_max_percent'),
            );
        });
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'stage' => $this->stage,
            'stage_from' => $this->stageFrom->toIso(),
            'today' => $this->today->toIso(),
            'week' => $this->week,
            'irritable' => $this->irritable,
            'too_timid' => $this->tooTimid,
            'not_improving' => $this->notImproving,
            'adherence_percent' => $this->adherencePercent,
            'last_week' => $this->lastWeek->toArray(),
            'done' => array_map(
                static fn(string $key, DoneWork $work): array => ['prescription' => $key, 'work' => $work->toArray()],
                array_keys($this->done),
                array_values($this->done),
            ),
            'tests' => array_map(
                static fn(StrengthTest $test): array => Record::toArray($test),
                array_values($this->tests),
            ),
            'body_mass_kg' => $this->bodyMassKg,
            'week_growth_max_percent' => $this->weekGrowthMaxPercent,
        ];
    }

    /** What was done last of a prescription, if the same exercise fills it still. */
    public function doneOf(Prescription $prescription): ?DoneWork
    {
        $done = $this->done[$prescription->key] ?? null;

        return $done !== null && $done->exercise === $prescription->exercise ? $done : null;
    }

    public function daysInStage(string $stage): int
    {
        return $stage === $this->stage ? $this->today->daysSince($this->stageFrom) : 0;
    }

    public function presentLoadKg(Prescription $prescription): int|float
    {
        return $prescription->dose->load_kg ??
            min(
                array_map(
                    static fn(LoggedSet $set): int|float => $set->load_kg ?? 0,
                    $this->lastSets($prescription),
                ) ?: [0],
            );
    }

    /** What a draft would lead to once it is done, well tolerated and not held back by what failed before. */
    public function isDone(Prescription $prescription): bool
    {
        return true;
    }

    public function isWaiting(Prescription $prescription): bool
    {
        return false;
    }

    public function changedThisWeek(Prescription $prescription): bool
    {
        return $this->doneOf($prescription)->changed ?? false;
    }

    public function addedTwiceThisWeek(Prescription $prescription): bool
    {
        return false;
    }

    public function base(Prescription $prescription): int|float
    {
        return $this->doneOf($prescription)->base ?? 0;
    }

    public function heaviestKg(Prescription $prescription): int|float
    {
        return $this->doneOf($prescription)->heaviest ?? 0;
    }

    public function weekGrowthMaxPercent(): int|float
    {
        return $this->weekGrowthMaxPercent;
    }

    public function bodyMassKg(): int|float|null
    {
        return $this->bodyMassKg;
    }

    public function lastSets(Prescription $prescription): array
    {
        return $this->doneOf($prescription)->sets ?? [];
    }

    public function lastWasFull(Prescription $prescription): bool
    {
        return $this->doneOf($prescription)->full ?? false;
    }

    public function weekOfStage(): int
    {
        return $this->week;
    }

    public function wasRaisedLast(Prescription $prescription): bool
    {
        return false;
    }

    public function hurtAtTheEnd(Prescription $prescription): bool
    {
        return false;
    }

    public function wasAboveLowerEnd(Prescription $prescription): bool
    {
        return false;
    }
}
