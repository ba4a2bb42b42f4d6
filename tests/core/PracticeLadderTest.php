<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Decision\Action;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Decision\Because;
use Rung\Core\Dose\Mode;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Evaluation\WeekSums;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Goal;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\PracticeProgress;
use Rung\Core\Time\Day;
use Rung\Core\Words\ProposalWords;
use Rung\Core\Words\TodayWords;

/** docs/rules.md, "The ladder of practice". Three steps: alone for 20 minutes, with others for 30, in full for 60. */
final class PracticeLadderTest extends TestCase
{
    /** @return iterable<string, array{list<array{int, int, int|null, int, string, int}>, int, int, Because}> practices as day, minutes, effort, pain, participation and the next morning's test; then the step, how many settled on it, and why */
    public static function courses(): iterable
    {
        $alone = [20, 3, 1, 'partial', 1];
        $others = [30, 5, 1, 'partial', 1];
        yield 'nothing yet' => [[], 0, 0, Because::Start];
        yield 'one that settled' => [[[8, ...$alone]], 0, 1, Because::Kept];
        yield 'two that settled' => [[[8, ...$alone], [10, ...$alone]], 1, 0, Because::Grown];
        yield 'three' => [[[8, ...$alone], [10, ...$alone], [12, ...$others]], 1, 1, Because::Kept];
        yield 'a little shorter is done' => [[[8, 18, 3, 1, 'partial', 1], [10, ...$alone]], 1, 0, Because::Grown];
        yield 'much shorter is not, and the run starts over' => [
            [[8, ...$alone], [10, 17, 3, 1, 'partial', 1]],
            0,
            0,
            Because::Short,
        ];
        yield 'one point easier is done' => [[[8, 20, 2, 1, 'partial', 1], [10, ...$alone]], 1, 0, Because::Grown];
        yield 'two points easier is not' => [[[8, ...$alone], [10, 20, 1, 1, 'partial', 1]], 0, 0, Because::Short];
        yield 'an effort that nobody entered does not hold it up' => [
            [[8, 20, null, 1, 'partial', 1], [10, ...$alone]],
            1,
            0,
            Because::Grown,
        ];
        yield 'a small rise holds it' => [[[8, ...$alone], [10, 20, 3, 1, 'partial', 2]], 0, 0, Because::Kept];
        yield 'too much goes one step back' => [
            [[8, ...$alone], [10, ...$alone], [12, 30, 5, 4, 'partial', 1]],
            0,
            0,
            Because::Eased,
        ];
        yield 'on the first step there is none below' => [[[8, 20, 3, 4, 'partial', 1]], 0, 0, Because::Eased];
        yield 'an open answer changes nothing' => [[[8, ...$alone], [26, ...$alone]], 0, 1, Because::Kept];
        $up = [[8, ...$alone], [10, ...$alone], [12, ...$others], [14, ...$others]];
        yield 'the last step' => [$up, 2, 0, Because::Grown];
        yield 'a part of it is not the whole' => [[...$up, [16, 60, 7, 1, 'partial', 1]], 2, 0, Because::Short];
        yield 'the whole of it' => [[...$up, [16, 60, 7, 1, 'full', 1]], 2, 1, Because::Full];
        yield 'within a week after a stop nothing grows' => [
            [[8, ...$alone], [10, 20, 3, 8, 'partial', 1], [12, ...$alone], [14, ...$alone]],
            0,
            0,
            Because::Capped,
        ];
        yield 'a week later it does' => [
            [[8, ...$alone], [10, 20, 3, 8, 'partial', 1], [18, ...$alone], [20, ...$alone]],
            1,
            0,
            Because::Grown,
        ];
    }

    /** @param list<array{int, int, int|null, int, string, int}> $practices */
    #[DataProvider('courses')]
    public function testTheStepFollowsHowPracticesAreAnswered(
        array $practices,
        int $at,
        int $settled,
        Because $because,
    ): void {
        $ladder = self::ladder($practices);
        self::assertSame([$at, $settled, $because], [$ladder->at, $ladder->settled, $ladder->because]);
        self::assertEquals(self::slot()->practice[$at], $ladder->step());
        self::assertNotSame('', TodayWords::practice($ladder));
    }

    public function testTheDeskReadsWhichStepItIs(): void
    {
        $ladder = self::ladder([[8, 20, 3, 1, 'partial', 1], [10, 20, 3, 1, 'partial', 1]]);
        self::assertSame(
            'It settles. The way back goes on by itself: step 2 of 3, With others: 30 min at an effort of 5 at most.',
            ProposalWords::onTheWayBack(PracticeProgress::fromLadder($ladder)),
        );
        // Where nothing else has a next step, that is why the case goes on; where something has, it is not spoken of.
        $evaluation = self::played([[8, 20, 3, 1, 'partial', 1], [10, 20, 3, 1, 'partial', 1]], 26);
        $because = static fn(ActionReason $reason, bool $isPlanned = true): string => ProposalWords::because(
            ActionGrounds::fromEvaluation(
                $evaluation->decidedAs(
                    new Action(ActionKind::Repeat, $reason),
                    $evaluation->attention,
                    $evaluation->proposals,
                ),
                new Plan($isPlanned ? [self::stage()] : []),
            ),
        );
        self::assertStringContainsString('step 2 of 3', $because(ActionReason::NothingToRaise));
        self::assertStringContainsString('choose one by hand', $because(ActionReason::NothingToRaise, false));
        self::assertStringNotContainsString('step 2', $because(ActionReason::Growing));
        self::assertSame('The next step: the last 2 settled.', TodayWords::practice($ladder));
        self::assertEquals(
            $ladder,
            PracticeLadder::inStage(
                self::stage(),
                self::played([[8, 20, 3, 1, 'partial', 1], [10, 20, 3, 1, 'partial', 1]], 26),
            ),
        );
        self::assertNull(PracticeLadder::inStage(null, self::played([], 9)));
    }

    public function testNobodyGoesUpTwoStepsAtOnceOrRightAfterTooMuch(): void
    {
        $chance = new Randomizer(new Mt19937(7));
        for ($i = 0; $i < 40; $i++) {
            $practices = [];
            $before = 0;
            foreach (range(8, 24, 2) as $day) {
                $pain = $chance->getInt(0, 9) === 0 ? 5 : 1;
                $practices[] = [
                    $day,
                    $chance->getInt(10, 70),
                    $chance->getInt(1, 8),
                    $pain,
                    $chance->getInt(0, 1) === 1 ? 'full' : 'partial',
                    $chance->getInt(1, 2),
                ];
                $now = self::ladder($practices, $day + 1)->at;
                self::assertLessThanOrEqual($before + 1, $now);
                self::assertTrue($pain <= 3 || $now <= max(0, $before - 1), 'too much goes back');
                $before = $now;
            }
        }
    }

    public function testTheCalendarAsksForTheStepsAheadAndTheSumsCountThem(): void
    {
        $evaluation = self::played([[8, 20, 3, 1, 'partial', 1]], 9);
        $open = [
            new Booked('c', Day::fromIso('2026-03-19'), 'act'),
            new Booked('a', Day::fromIso('2026-03-10'), 'act'),
            new Booked('b', Day::fromIso('2026-03-12'), 'act'),
            new Booked('x', Day::fromIso('2026-03-11'), 'slow'),
        ];
        $stage = self::stage();
        $steps = PracticeLadder::byBooked($stage, $evaluation, $open);
        self::assertSame(
            ['a' => 20, 'b' => 30, 'c' => 30],
            array_map(static fn(PracticeStep $step): int => $step->minutes, [...['a' => $steps['a']], ...$steps]),
            'one settled already: one more, then the next step',
        );
        $plan = new Plan([new PlanStage($evaluation->log->stage, $stage->slots, $stage->rhythm)]);
        [, $week] = WeekSums::forWeeks(
            $evaluation,
            $plan,
            $open,
            array_column($stage->slots, null, 'key'),
            [],
            Day::fromIso('2026-03-02'),
            2,
        );
        self::assertEquals([20 + 30, 20 * 3 + 30 * 5], [$week->ahead('sport_min'), $week->ahead('sport_load')]);
    }

    public function testHowLongTheWayTakes(): void
    {
        $stage = self::stage(['every_days' => 2]);
        $slot = $stage->slots[0];
        $untried = PracticeLadder::untried($slot);
        self::assertNotNull($untried);
        // Two of each step; of the last as many as the gate asks for in full, three: seven practices, every other day, and the answer to the last.
        self::assertSame(13, $untried->days($stage, Day::fromIso('2026-03-02'), Weekday::cases()));
        self::assertSame(
            11,
            self::ladder([[8, 20, 3, 1, 'partial', 1]])->days($stage, Day::fromIso('2026-03-02'), Weekday::cases()),
        );
        self::assertSame(
            43,
            $untried->days($stage, Day::fromIso('2026-03-02'), [Weekday::from('mon')]),
            'on Mondays alone',
        );
        self::assertNull($untried->days($stage, Day::fromIso('2026-03-02'), []), 'never');
        self::assertNull(PracticeLadder::untried(new Slot('act', Mode::Sport)));
    }

    /** @return iterable<string, array{string, array<int, array<string, mixed>>}> */
    public static function refused(): iterable
    {
        $step = ['title' => 'Alone', 'minutes' => 20, 'effort' => 3];
        yield 'less than the rung below' => ['/practice/1/minutes', [$step, ['minutes' => 19] + $step]];
        yield 'alone after with others' => [
            '/practice/1/with_others',
            [['with_others' => true] + $step, ['minutes' => 40] + $step],
        ];
        yield 'in full by oneself' => ['/practice/0/full', [['full' => true] + $step]];
        yield 'no time at all' => ['/practice/0/minutes', [['minutes' => 0] + $step]];
        yield 'more effort than there is' => ['/practice/0/effort', [['effort' => 11] + $step]];
        yield 'a title without end' => ['/practice/0/title', [['title' => str_repeat('a', 81)] + $step]];
        yield 'too many' => ['/practice', array_fill(0, 21, $step)];
    }

    /** @param array<int, array<string, mixed>> $steps */
    #[DataProvider('refused')]
    public function testAWayThatDoesNotClimbIsRefused(string $path, array $steps): void
    {
        try {
            Json::read(
                (string) json_encode(['key' => 'act', 'title' => 'Act', 'mode' => 'sport', 'practice' => $steps]),
                Slot::readTitled(...),
            );
            self::fail('was taken');
        } catch (InvalidInput $problem) {
            self::assertSame([$path], array_column($problem->faults, 'path'));
        }
    }

    public function testWhatARequestDoesNotNameStays(): void
    {
        $named = static fn(array $fields): Slot => Json::read(
            (string) json_encode((object) $fields),
            self::slot()->readDetails(...),
        );
        self::assertEquals(self::slot(), $named([]));
        $timed = $named(['times' => ['07:30']]);
        self::assertSame(['07:30', 3], [$timed->timeOf(1)?->toText(), count($timed->practice)]);
        self::assertNull($timed->timeOf(2));
        self::assertSame([], $named(['practice' => []])->practice);
    }

    public function testEveryGoalHasAWayBackThatEndsInFull(): void
    {
        foreach (Goal::cases() as $goal) {
            $steps = Support::catalogue()->practiceFor($goal);
            self::assertGreaterThanOrEqual(4, count($steps), $goal->value);
            self::assertFalse($steps[0]->withOthers, 'alone first');
            self::assertTrue($steps[count($steps) - 1]->full, 'the whole of it last');
            self::assertSame(
                $steps,
                Json::read(
                    (string) json_encode([
                        'practice' => array_map(static fn(PracticeStep $step): array => $step->toArray(), $steps),
                    ]),
                    static fn(ObjectNode $node): array => PracticeStep::readAll($node, 'practice'),
                ) == $steps
                    ? $steps
                    : [],
                'it may be prescribed as it stands',
            );
            $plan = Support::catalogue()
                ->programme('knee_four_stage')
                ->planFor(
                    Support::catalogue()->structure(\Rung\Core\Record\Structure::PatellarTendon),
                    Support::catalogue(),
                    $goal,
                );
            self::assertSame($steps, $plan->stage('act')?->slot('act')?->practice);
        }
    }

    private static function slot(): Slot
    {
        return new Slot(
            'act',
            Mode::Sport,
            title: 'Act',
            practice: [
                new PracticeStep('Alone', 20, 3),
                new PracticeStep('With others', 30, 5, true),
                new PracticeStep('All of it', 60, 7, true, true),
            ],
        );
    }

    /** @param array<string, mixed> $rhythm */
    private static function stage(array $rhythm = ['cycle' => ['act', 'slow']]): PlanStage
    {
        $stage = CaseBuilder::case()
            ->gate(['type' => 'sport_sessions', 'min' => 3])
            ->file()->stages[0];

        return new PlanStage(
            $stage,
            [self::slot(), new Slot('slow', Mode::Isotonic)],
            Json::read((string) json_encode($rhythm), Rhythm::read(...)),
        );
    }

    /** @param list<array{int, int, int|null, int, string, int}> $practices */
    private static function played(array $practices, int $day): \Rung\Core\Evaluation\Evaluation
    {
        $scores = array_column(
            array_map(static fn(array $practice): array => [$practice[0] + 1, $practice[5]], $practices),
            1,
            0,
        );
        $case = CaseBuilder::case();
        foreach (range(1, 25) as $on) {
            $case->morning($on, $scores[$on] ?? 1);
        }
        foreach ($practices as [$on, $minutes, $effort, $pain, $participation]) {
            $case->session($on, $pain, [
                'kind' => 'sport',
                'prescription' => null,
                'sets' => [],
                'minutes' => $minutes,
                'effort' => $effort,
                'participation' => $participation,
            ]);
        }

        return $case->at($day, '23:00');
    }

    /** @param list<array{int, int, int|null, int, string, int}> $practices */
    private static function ladder(array $practices, int $day = 26): PracticeLadder
    {
        return PracticeLadder::forSlot(self::slot(), self::played($practices, $day)) ?? self::fail('it has steps');
    }
}
