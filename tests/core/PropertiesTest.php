<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Calendar\Scheduler;
use Rung\Core\Calendar\ScheduleRequest;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\Proposal;
use Rung\Core\Decision\StopSource;
use Rung\Core\Dose\Lever;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Phase;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\Json;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\SignOff;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Response\Verdict;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/** What must hold for every case there is. */
final class PropertiesTest extends TestCase
{
    private const CASES = 120;

    public function testLoadIsNeverRaisedAfterTooMuchOrBeforeAReview(): void
    {
        $raised = 0;
        foreach (self::evaluations() as $name => $evaluation) {
            if ($evaluation->action->raisesLoad()) {
                $raised++;
                self::assertNotContains(
                    $evaluation->last()?->verdict,
                    [Verdict::Over, Verdict::Stop, Verdict::Watch],
                    $name,
                );
                self::assertSame(
                    [],
                    array_filter($evaluation->stops, static fn(StopSource $stop): bool => !$stop->isCleared()),
                    $name,
                );
            }
        }
        self::assertGreaterThan(
            self::CASES / 10,
            $raised,
            'the cases must be of a kind in which load is raised at times',
        );
    }

    public function testNothingLaterChangesAnAnswer(): void
    {
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $at = Moment::fromDateTime(
                (new \DateTimeImmutable(Support::NOW))->modify('-' . $seed % 5 . ' days')->modify("+$seed minutes"),
            );
            $today = $file->timezone->dayOf($at);
            $until = static fn(array $records, callable $when): array => array_values(
                array_filter($records, static fn($record): bool => !$when($record)),
            );
            $later = static fn(CheckIn|Review|DoseChange $record): bool => $record->at->after($at);
            $dated = static fn(StrengthTest|Outcome|SignOff|PlannedSession $record): bool => $record->on->isAfter(
                $today,
            );
            $known = $file->with([
                'sessions' => $until(
                    $file->sessions,
                    static fn(Session $session): bool => $session->started_at->after($at),
                ),
                'check_ins' => $until($file->check_ins, $later),
                'reviews' => $until($file->reviews, $later),
                'dose_changes' => $until($file->dose_changes, $later),
                'tests' => $until($file->tests, $dated),
                'outcomes' => $until($file->outcomes, $dated),
                'sign_offs' => $until($file->sign_offs, $dated),
                'planned' => $until($file->planned, $dated),
            ]);
            self::assertSame(self::evaluated($known, $at), self::evaluated($file, $at), "seed $seed");
        }
    }

    public function testTheOrderOfTheFileChangesNothing(): void
    {
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $chance = new Randomizer(new Mt19937($seed));
            $shuffled = [];
            foreach (['sessions', 'check_ins', 'reviews', 'dose_changes', 'planned'] as $list) {
                $shuffled[$list] = $chance->shuffleArray($file->{$list});
            }
            // Records of the same moment differ by their order, the only thing about them that may matter.
            $moments = [
                ...array_map(static fn($record): int => $record->at->micros, $file->check_ins),
                ...array_map(static fn(Session $session): int => $session->started_at->micros, $file->sessions),
            ];
            if (count($moments) === count(array_unique($moments))) {
                self::assertSame(self::evaluated($file), self::evaluated($file->with($shuffled)), "seed $seed");
            }
        }
    }

    public function testAStricterRuleNeverGivesAMilderVerdict(): void
    {
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $mild = $file->response_rule;
            $strict = new ResponseRule(
                null,
                max(0, $mild->during_max - 1),
                $mild->settle_within_min / 2,
                max(0, $mild->next_day_max - 1),
                max(0, $mild->rise_watch_from - 1),
                max(0, $mild->rise_over_from - 1),
                ($mild->stiffness_rise_max_min ?? 30) / 2,
                max(0, $mild->stop_at - 1),
                $mild->progress_after + 1,
                $mild->week_growth_max_percent / 2,
            );
            $under = static fn(ResponseRule $rule): array => array_column(
                self::evaluate($file->underRule($rule))->sessions,
                'verdict',
            );
            foreach (array_map(null, $under($mild), $under($strict)) as [$milder, $stricter]) {
                self::assertInstanceOf(Verdict::class, $milder);
                self::assertInstanceOf(Verdict::class, $stricter);
                self::assertLessThanOrEqual(self::place($milder), self::place($stricter), "seed $seed");
            }
        }
    }

    public function testAProposalStaysWithinItsLever(): void
    {
        $seen = 0;
        foreach (self::evaluations() as $name => $evaluation) {
            foreach ($evaluation->proposals as $proposal) {
                if ($proposal->change === Change::Dose && $evaluation->action->raisesLoad()) {
                    $seen++;
                    foreach ($proposal->prescription->progression->levers ?? [] as $lever) {
                        self::assertWithin($lever, $proposal, $name);
                    }
                }
            }
        }
        self::assertGreaterThan(10, $seen);
    }

    public function testAnAcceptedStepGivesACaseThatIsStillSound(): void
    {
        $changed = 0;
        foreach (range(1, self::CASES) as $seed) {
            $file = RandomCase::withSeed($seed);
            $programme = Support::catalogue()->programme('knee_four_stage')->plan;
            $plan = new Plan(
                array_map(
                    static fn(PlanStage $stage): PlanStage => $stage->withStage(
                        $file->stage($stage->stage->key) ?? $stage->stage,
                    ),
                    $programme->stages,
                ),
            );
            $step = Acceptance::accept($plan, self::evaluate($file), Support::catalogue());
            $changed += $step->changesAnything() ? 1 : 0;
            $after = $file->with([
                'stages' => $step->plan->caseStages(),
                'dose_changes' => [...$file->dose_changes, ...$step->changes],
            ]);
            self::assertEquals($after, CaseFile::fromJson((string) json_encode($after->toArray())), "seed $seed");
            self::assertEquals($step->plan, Plan::fromJson((string) json_encode($step->plan->toArray())), "seed $seed");
        }
        self::assertGreaterThan(self::CASES / 10, $changed);
    }

    public function testNothingIsLostFromFileToCoreToFile(): void
    {
        foreach (glob(__DIR__ . '/examples/*.case.json') ?: [] as $path) {
            $text = (string) file_get_contents($path);
            self::assertSame(
                self::withoutNulls(json_decode($text)),
                self::withoutNulls(json_decode((string) json_encode(CaseFile::fromJson($text)->toArray()))),
                $path,
            );
        }
    }

    public function testSpringsKeepOffEventsAndOffThemselves(): void
    {
        $chance = new Randomizer(new Mt19937(5));
        $springs = 0;
        for ($i = 0; $i < 400; $i++) {
            $from = Day::fromIso('2026-03-02')->plus($chance->getInt(0, 400));
            $events = [];
            for ($n = $chance->getInt(0, 6); $n > 0; $n--) {
                $events[] = $from->plus($chance->getInt(-1, 30))->toIso();
            }
            $gap = $chance->getInt(1, 4);
            $rhythm = [
                ['every_days' => $gap],
                ['per_week' => $chance->getInt(1, 4), 'min_gap_days' => $gap],
                ['cycle' => ['spring', 'hold', 'slow']],
            ][$i % 3];
            $request = [
                'from' => $from->toIso(),
                'days' => 30,
                'available' => array_values(
                    array_filter(
                        ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'],
                        static fn(): bool => $chance->getInt(0, 3) > 0,
                    ),
                ),
                'events' => $events,
                'slots' => [
                    ['key' => 'spring', 'mode' => 'plyometric'],
                    ['key' => 'hold', 'mode' => 'isometric'],
                    ['key' => 'slow', 'mode' => 'isotonic'],
                ],
                'rhythm' => $rhythm,
            ];
            $kept = [];
            foreach ($events as $event) {
                foreach ([-1, 0, 1] as $beside) {
                    $kept[Day::fromIso($event)->number + $beside] = true;
                }
            }
            $last = null;
            foreach (
                Scheduler::place(Json::read((string) json_encode($request), ScheduleRequest::read(...)))
                as $placed
            ) {
                if ($placed->slot === 'spring') {
                    $springs++;
                    self::assertArrayNotHasKey($placed->on->number, $kept);
                    self::assertTrue(
                        $last === null || $placed->on->daysSince($last) >= (isset($rhythm['cycle']) ? 1 : $gap),
                    );
                    $last = $placed->on;
                }
            }
        }
        self::assertGreaterThan(500, $springs);
    }

    /** @return iterable<string, Evaluation> */
    private static function evaluations(): iterable
    {
        foreach (range(1, self::CASES) as $seed) {
            yield "seed $seed" => self::evaluate(RandomCase::withSeed($seed));
        }
    }

    private static function evaluate(CaseFile $file, ?Moment $at = null): Evaluation
    {
        return Evaluator::evaluate($file, $at ?? Moment::fromIso(Support::NOW));
    }

    /** @return array<string, mixed> */
    private static function evaluated(CaseFile $file, ?Moment $at = null): array
    {
        return self::evaluate($file, $at)->toArray();
    }

    /** Where a verdict stands in the table, worst first. */
    private static function place(Verdict $verdict): int
    {
        return (int) array_search($verdict, Verdict::cases(), true);
    }

    private static function assertWithin(Lever $lever, Proposal $proposal, string $name): void
    {
        [$old, $new] = [$proposal->prescription->dose, $proposal->dose];
        self::assertNotNull($new);
        [$before, $after] = match ($lever->kind) {
            LeverKind::Hold => [$old->hold_s, $new->hold_s],
            LeverKind::Reps => [$old->reps, $new->reps],
            LeverKind::Sets => [$old->sets, $new->sets],
            LeverKind::Percent => [$old->percent_mvc, $new->percent_mvc],
            LeverKind::Range => [$old->range?->to_deg, $new->range?->to_deg],
            LeverKind::Tempo => [
                $old->tempo?->seconds($lever->phase ?? Phase::Lower),
                $new->tempo?->seconds($lever->phase ?? Phase::Lower),
            ],
            LeverKind::Load => [$old->load_kg ?? 0, $new->load_kg ?? 0],
            LeverKind::RepetitionMaximum => [$old->rm, $new->rm],
            LeverKind::Work => [$old->work_s, $new->work_s],
            LeverKind::Height => [$old->height_cm, $new->height_cm],
            LeverKind::Rung, LeverKind::Resistance => [null, null],
        };
        if ($before == $after || $lever->to === null) {
            return;
        }
        $rises = $after > $before;
        self::assertTrue($rises ? $after <= max($lever->to, $before) : $after >= min($lever->to, $before), $name);
    }

    private static function withoutNulls(mixed $value): mixed
    {
        if (is_object($value)) {
            $fields = array_filter(
                array_map(self::withoutNulls(...), get_object_vars($value)),
                static fn(mixed $other): bool => $other !== null && $other !== [],
            );
            ksort($fields);

            return ['{}' => $fields];
        }

        return is_array($value)
            ? array_map(self::withoutNulls(...), $value)
            : (is_float($value) && floor($value) === $value
                ? (int) $value
                : $value);
    }
}
