<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\CarriedLoads;
use Rung\Core\Acceptance\KeepingUp;
use Rung\Core\Attention\AttentionGroup;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Maintenance;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/** What is kept up after a programme is finished (docs/rules.md, "Maintenance"). */
final class KeepingUpTest extends TestCase
{
    /** @return iterable<string, array{CaseBuilder, int, int, string}> case, day of noon, days for which doses are kept up already, action, reason and group */
    public static function cases(): iterable
    {
        $settled = CaseBuilder::case()
            ->gate(['type' => 'days_in_stage', 'min' => 5])
            ->mornings(4, 8, 1)
            ->session(8)
            ->mornings(9, 10, 1)
            ->session(10);
        yield 'the gate is open: nothing is proposed' => [
            $settled->morning(11, 1),
            11,
            3,
            'repeat maintained on_course',
        ];
        yield 'ready to progress: nothing is raised' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 1),
            11,
            3,
            'repeat maintained on_course',
        ];
        yield 'no morning for three days is no silence' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 1),
            16,
            3,
            'repeat maintained on_course',
        ];
        yield 'the last day but one' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 11, 1),
            11,
            55,
            'repeat maintained on_course',
        ];
        yield 'the last day' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 11, 1),
            11,
            56,
            'finish maintenance_over ready_stage',
        ];
        yield 'too much is too much' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 3),
            11,
            3,
            'ease one_over over',
        ];
        yield 'also at the end' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 3),
            11,
            60,
            'ease one_over over',
        ];
        yield 'a stop is a stop' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8, 9)->morning(9, 1),
            11,
            3,
            'stop uncleared_stop stop_review',
        ];
    }

    #[DataProvider('cases')]
    public function testNothingButTooMuchIsProposedUntilTheTimeIsOver(
        CaseBuilder $case,
        int $day,
        int $kept,
        string $expected,
    ): void {
        $evaluation = $case->at($day);
        $plan = (new Plan([]))->maintained(Maintenance::forStage('slow', $evaluation->log->today->plus(-$kept), 1));
        $judged = KeepingUp::judged($plan, $evaluation);
        self::assertSame(
            $expected,
            implode(' ', [
                $judged->action->kind->value,
                $judged->action->reason->value,
                $judged->attention->group->value,
            ]),
        );
        self::assertSame(
            in_array($judged->action->kind->value, ['ease', 'stop'], true),
            $judged->proposals === $evaluation->proposals && $judged->action === $evaluation->action,
        );
        // A plan that is not kept up, or of another stage, is judged as ever.
        self::assertSame($evaluation, KeepingUp::judged($plan->goingOn(), $evaluation));
        self::assertSame(
            $evaluation,
            KeepingUp::judged(
                (new Plan([]))->maintained(Maintenance::forStage('holds', $evaluation->log->today, 1)),
                $evaluation,
            ),
        );
    }

    /** Whatever a case is like: nothing grows while doses are kept up, and what is too much stays so. */
    public function testWhateverTheCaseIsNothingGrowsMeanwhile(): void
    {
        $changed = $same = $ended = 0;
        foreach (range(1, 120) as $seed) {
            $evaluation = Evaluator::evaluate(RandomCase::withSeed($seed), Moment::fromIso(Support::NOW));
            $log = $evaluation->log;
            foreach ([0, 10, 55, 56, 90] as $kept) {
                $plan = (new Plan([]))->maintained(
                    Maintenance::forStage($log->stage->key, $log->today->plus(-$kept), 1 + ($seed % 2)),
                );
                $judged = KeepingUp::judged($plan, $evaluation);
                $kind = $judged->action->kind;
                self::assertContains(
                    $kind,
                    [ActionKind::Stop, ActionKind::StepDown, ActionKind::Ease, ActionKind::Repeat, ActionKind::Finish],
                    "seed $seed",
                );
                self::assertSame(
                    $kind === ActionKind::Finish,
                    $kept >= 56 &&
                        !in_array(
                            $evaluation->action->kind,
                            [ActionKind::Stop, ActionKind::StepDown, ActionKind::Ease],
                            true,
                        ),
                    "seed $seed, day $kept",
                );
                if (
                    in_array(
                        $evaluation->action->kind,
                        [ActionKind::Stop, ActionKind::StepDown, ActionKind::Ease],
                        true,
                    )
                ) {
                    self::assertSame(
                        [$evaluation->action, $evaluation->proposals, $evaluation->attention],
                        [$judged->action, $judged->proposals, $judged->attention],
                        "seed $seed",
                    );
                    $same++;
                } else {
                    self::assertSame([], $judged->proposals, "seed $seed");
                    self::assertNotContains(
                        $judged->attention->group,
                        [
                            AttentionGroup::ReadyProgress,
                            AttentionGroup::Over,
                            AttentionGroup::OverTwice,
                            AttentionGroup::StopReview,
                        ],
                        "seed $seed",
                    );
                    self::assertFalse(
                        $kept < 56 && $judged->attention->group === AttentionGroup::ReadyStage,
                        "seed $seed: nothing is asked before its time",
                    );
                    $changed++;
                }
                $ended += $kind === ActionKind::Finish ? 1 : 0;
                // All else stays as it was found.
                self::assertSame(
                    [$evaluation->sessions, $evaluation->gate, $evaluation->stops, $evaluation->asked],
                    [$judged->sessions, $judged->gate, $judged->stops, $judged->asked],
                );
            }
        }
        self::assertGreaterThan(20, min($changed, $same, $ended), 'each kind has to come up');
    }

    /** @return iterable<string, array{int, int, list<Weekday>}> times a week, least days between, days of the athlete */
    public static function weeks(): iterable
    {
        $all = Weekday::cases();
        yield 'once, any day' => [1, 5, $all];
        yield 'twice, any day' => [2, 3, $all];
        yield 'twice, on three days' => [2, 3, [Weekday::Monday, Weekday::Wednesday, Weekday::Saturday]];
        yield 'once, on weekends' => [1, 5, [Weekday::Saturday, Weekday::Sunday]];
    }

    /** @param list<Weekday> $available */
    #[DataProvider('weeks')]
    public function testTheCalendarAsksOnceOrTwiceAWeekForOneKindOfSession(
        int $perWeek,
        int $gap,
        array $available,
    ): void {
        $history = Support::played(7, 26, 'slow');
        $evaluation = Evaluator::evaluate($history->file, Moment::fromIso(Support::NOW));
        $step = KeepingUp::finish($history->plan, $evaluation, $perWeek);
        self::assertFalse($step->finish);
        $today = $evaluation->log->today;
        $stage = $step->plan->stage('slow');
        self::assertInstanceOf(PlanStage::class, $stage);
        $placed = PlanCalendar::asked($step->plan, $stage, $today->plus(-40), $today, 56, $available, [], []);
        self::assertCount(1, array_unique(array_map(static fn(Placed $session): string => $session->slot, $placed)));
        $mode = $stage->slot($placed[0]->slot)?->mode;
        self::assertTrue($mode?->isMoving(), 'slow strength is kept up');
        $weeks = array_count_values(
            array_map(
                static fn(Placed $session): int => intdiv($session->on->number - $session->on->weekday() + 1, 7),
                $placed,
            ),
        );
        foreach ($weeks as $times) {
            self::assertLessThanOrEqual($perWeek, $times);
        }
        self::assertGreaterThanOrEqual(8, count($weeks), 'no week is left out');
        foreach (array_slice($placed, 1) as $i => $session) {
            self::assertGreaterThanOrEqual($gap, $session->on->daysSince($placed[$i]->on));
        }
        // The doses and the stage itself stay as they are; another stage goes on as ever.
        self::assertEquals($history->plan->prescriptions(), $step->plan->prescriptions());
        self::assertNull((new CarriedLoads($evaluation))->into($step->plan, 'springs')->plan->maintenance);
        self::assertEquals($step->plan, Plan::fromJson(json_encode($step->plan->toArray(), JSON_THROW_ON_ERROR)));
    }

    public function testWhatIsKeptOfAPlanIsReadWithItsBounds(): void
    {
        $json = static fn(array $maintenance): string => json_encode(
            ['stages' => [], 'maintenance' => $maintenance],
            JSON_THROW_ON_ERROR,
        );
        $kept = ['stage' => 'slow', 'from' => '2026-04-14', 'until' => '2026-06-09', 'per_week' => 2];
        self::assertSame($kept, Plan::fromJson($json($kept))->maintenance?->toArray());
        self::assertSame($kept, Maintenance::forStage('slow', Day::fromIso('2026-04-14'), 2)->toArray());
        $this->expectException(InvalidInput::class);
        Plan::fromJson($json(['per_week' => 3] + $kept));
    }
}
