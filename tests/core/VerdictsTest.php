<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every reason of docs/rules.md, "The 24-hour response", at the edge where it begins to hold. */
final class VerdictsTest extends TestCase
{
    /** @return iterable<string, array{CaseBuilder, string}> the verdict at noon of the 13th, of a session on the 10th or as said */
    public static function verdicts(): iterable
    {
        // Baseline 2, stiffness 5, and the next morning as it was.
        $before = static fn(): CaseBuilder => CaseBuilder::case()->mornings(8, 10, 2, 5);
        $answered = static fn(int $score, ?int $stiff = 5): CaseBuilder => $before()
            ->session(10)
            ->morning(11, $score, $stiff);

        yield 'as before' => [$answered(2), 'settled'];
        yield 'better' => [$answered(0), 'settled'];
        yield 'up by one' => [$answered(3), 'watch small_next_day_rise'];
        yield 'up by two' => [$answered(4), 'over next_day_rise'];
        yield 'up by four' => [$answered(6), 'over next_day_over_max next_day_rise'];
        yield 'at the stop level' => [$answered(8), 'stop pain_at_stop_level'];
        yield 'stiffer by its limit' => [$answered(2, 15), 'settled'];
        yield 'stiffer than its limit' => [$answered(2, 16), 'over stiffness_rise'];
        yield 'stiffness that nobody reported' => [$answered(2, null), 'settled'];
        yield 'stiffness that the school does not judge' => [
            $answered(2, 60)->rule(['stiffness_rise_max_min' => null]),
            'settled',
        ];
        yield 'a half point of baseline counts from the next whole one' => [
            CaseBuilder::case()->morning(9, 2)->morning(10, 3)->session(10)->morning(11, 3),
            'settled',
        ];
        yield 'pain at its limit' => [$before()->session(10, 3)->morning(11, 2), 'settled'];
        yield 'pain over its limit' => [$before()->session(10, 4)->morning(11, 2), 'over during_over_max'];
        yield 'an own limit is the one that counts' => [
            $before()
                ->press(['pain' => ['max' => 5]])
                ->session(10, 5)
                ->morning(11, 2),
            'settled',
        ];
        yield 'an own limit may be lower' => [
            $before()
                ->press(['pain' => ['max' => 1]])
                ->session(10, 2)
                ->morning(11, 2),
            'over during_over_max',
        ];
        yield 'pain in practice is held against the school' => [
            $before()
                ->session(10, 4, ['prescription' => null, 'sets' => []])
                ->morning(11, 2),
            'over during_over_max',
        ];
        yield 'pain at the stop level' => [$before()->session(10, 8)->morning(11, 2), 'stop pain_at_stop_level'];
        yield 'below the pain that is wanted' => [
            $before()
                ->press(['pain' => ['min' => 3, 'max' => 5]])
                ->session(10, 2)
                ->morning(11, 2),
            'under below_target_pain',
        ];
        yield 'within the pain that is wanted' => [
            $before()
                ->press(['pain' => ['min' => 3, 'max' => 5]])
                ->session(10, 3)
                ->morning(11, 2),
            'settled',
        ];
        yield 'settled in time' => [
            $before()
                ->session(10, 1, ['settled_min' => 1440])
                ->morning(11, 2),
            'settled',
        ];
        yield 'slow to settle' => [
            $before()
                ->session(10, 1, ['settled_min' => 1441])
                ->morning(11, 2),
            'over slow_to_settle',
        ];
        yield 'ached in the night' => [
            $before()
                ->session(10)
                ->morning(11, 2, 5, ['night_ache']),
            'over night_ache',
        ];
        yield 'two signs, each named once' => [
            $before()
                ->session(10, 1, ['signs' => ['swelling']])
                ->morning(11, 2, 5, ['swelling', 'locking', 'night_ache']),
            'stop sign:locking sign:swelling',
        ];
        yield 'up on the second morning' => [$answered(3)->morning(12, 4), 'over second_day_rise'];
        yield 'up on the second morning, but another session lay between' => [
            $answered(3)->session(11)->morning(12, 3),
            'watch small_next_day_rise',
        ];
        yield 'the test got worse after an exercise' => [
            $before()
                ->session(10, 1, ['before' => 2, 'after' => 3])
                ->morning(11, 2),
            'watch retest_worse',
        ];
        yield 'an exercise hurt two points more than last time' => [
            $before()->session(8, 1)->session(10, 3)->morning(11, 2),
            'watch exercise_pain_rise',
        ];
        yield 'but not where its dose was changed between' => [
            $before()->session(8, 1)->change(9, 'progress')->session(10, 3)->morning(11, 2),
            'settled',
        ];
        yield 'nor where any dose was' => [
            $before()->session(8, 1)->change(9, 'manual', null)->session(10, 3)->morning(11, 2),
            'settled',
        ];
        yield 'a change of another exercise does not matter' => [
            $before()->session(8, 1)->change(9, 'progress', 'hold')->session(10, 3)->morning(11, 2),
            'watch exercise_pain_rise',
        ];
        yield 'no pain logged' => [$before()->session(10, null)->morning(11, 2), 'unanswered no_pain_logged'];
        yield 'no baseline in the week before' => [
            CaseBuilder::case()->morning(2, 2)->session(10)->morning(11, 2),
            'unanswered no_baseline',
        ];
        yield 'nothing at all' => [
            CaseBuilder::case()->session(10, null),
            'unanswered no_pain_logged no_baseline no_answer',
        ];
        yield 'prevention needs neither' => [
            CaseBuilder::case()
                ->with(['case' => ['purpose' => 'prevention']])
                ->session(10),
            'settled',
        ];
        yield 'but it needs pain' => [
            CaseBuilder::case()
                ->with(['case' => ['purpose' => 'prevention']])
                ->session(10, null),
            'unanswered no_pain_logged',
        ];
    }

    #[DataProvider('verdicts')]
    public function testTheFirstLevelThatHolds(CaseBuilder $case, string $expected): void
    {
        $found = $case->at(13)->sessions;
        $judged = $found[count($found) - 1];
        if (str_contains((string) $this->dataName(), 'another session lay between')) {
            $judged = $found[0];
        }
        self::assertSame($expected, implode(' ', [$judged->verdict->value, ...$judged->reasons]));
    }

    /** @return iterable<string, array{list<string>, string|null}> times of scored check-ins as day and time, the one that answers */
    public static function answers(): iterable
    {
        yield 'five hours after, but still the same day' => [['10 23:59'], null];
        yield 'the next morning, however early' => [['11 02:39'], 'c1'];
        yield '36 hours after, to the minute' => [['12 06:40'], 'c1'];
        yield 'a minute later' => [['12 06:41'], null];
        yield 'of the next day, not of the one after' => [['11 18:00', '12 06:00'], 'c1'];
        yield 'of two equal ones the earlier' => [['11 07:00', '11 18:00'], 'c1'];
        yield 'whatever the order of the file' => [['11 19:40', '11 17:40'], 'c2'];
    }

    /** @param list<string> $times */
    #[DataProvider('answers')]
    public function testWhichCheckInAnswers(array $times, ?string $expected): void
    {
        $case = CaseBuilder::case()->session(10);
        foreach ($times as $time) {
            $case->morning((int) substr($time, 0, 2), 2, null, [], substr($time, 3));
        }
        self::assertSame($expected, $case->at(20)->sessions[0]->answer?->id);
    }

    /** A bad morning is not undone by a better evening, nor by what comes after the next session. */
    public function testTheWorstOfTheMorningAnswers(): void
    {
        $case = static fn(): CaseBuilder => CaseBuilder::case()->mornings(8, 10, 1)->session(10);
        self::assertSame(
            4,
            $case()->morning(11, 4)->morning(11, 1, null, [], '20:00')->at(12)->sessions[0]->answer?->provocation,
        );
        self::assertSame(
            4,
            $case()->morning(11, 1)->morning(11, 4, null, [], '12:00')->at(12)->sessions[0]->answer?->provocation,
        );
        self::assertSame(
            1,
            $case()->morning(11, 1)->session(11)->morning(11, 4, null, [], '20:00')->at(11, '21:00')->sessions[0]
                ->answer?->provocation,
        );
        self::assertSame(
            4,
            $case()
                ->session(11, 1, [
                    'started_at' => CaseBuilder::moment(11, '06:00'),
                    'ended_at' => CaseBuilder::moment(11, '06:30'),
                ])
                ->morning(11, 4)
                ->at(12)->sessions[0]->answer?->provocation,
        );
    }

    public function testAnAnswerOverTheLimitCountsOnlyAboveTheBaseline(): void
    {
        $case = static fn(int $before): CaseBuilder => CaseBuilder::case()
            ->mornings(8, 10, $before)
            ->session(10)
            ->morning(11, 6)
            ->rule(['rise_over_from' => 9, 'rise_watch_from' => 9]);
        self::assertSame('settled', $case(6)->verdict(11));
        self::assertSame('over next_day_over_max', $case(5)->verdict(11));
        self::assertSame('over next_day_over_max', CaseBuilder::case()->session(10)->morning(11, 6)->verdict(11));
    }

    public function testTheBaselineCreepsAgainstTheBestOfFourWeeks(): void
    {
        // Half a point a week: no week is much over the one before.
        $slow = CaseBuilder::case()
            ->mornings(1, 7, 1)
            ->mornings(8, 14, 2)
            ->mornings(15, 21, 2)
            ->mornings(22, 28, 3)
            ->at(28)
            ->creep->toArray();
        self::assertSame(['state' => 'creeping', 'this_week' => 3, 'last_week' => 2, 'lowest' => 1], $slow);
        // Under 1.5 nothing creeps, whatever it was before.
        $low = CaseBuilder::case()
            ->mornings(1, 21, 0)
            ->mornings(22, 25, 1)
            ->mornings(26, 28, 2)
            ->at(28)
            ->creep->toArray();
        self::assertSame('steady', $low['state']);
    }

    public function testAnAnswerIsAwaitedFor36Hours(): void
    {
        $case = CaseBuilder::case()->mornings(8, 10, 2)->session(10);
        self::assertSame('pending awaiting_answer', $case->verdict(12, '06:39'));
        self::assertSame('unanswered no_answer', $case->verdict(12, '06:40'));
    }

    public function testTheBaselineIsTheMedianOfTheLatestThree(): void
    {
        $baseline = static fn(CaseBuilder $case): int|float|null => $case->session(10)->at(12)->sessions[0]->baseline;
        self::assertSame(2, $baseline(CaseBuilder::case()->morning(6, 9)->morning(7, 1)->morning(8, 5)->morning(9, 2)));
        self::assertSame(2.5, $baseline(CaseBuilder::case()->morning(8, 4)->morning(9, 1)));
        // At the session's very start is too late, seven days before it to the minute is not.
        self::assertSame(
            3,
            $baseline(CaseBuilder::case()->morning(3, 3, null, [], '18:00')->morning(10, 9, null, [], '18:00')),
        );
        self::assertNull($baseline(CaseBuilder::case()->morning(3, 3, null, [], '17:59')));
    }

    public function testTwoSessionsMayShareAnAnswer(): void
    {
        $evaluation = CaseBuilder::case()
            ->mornings(8, 10, 2)
            ->session(10)
            ->session(10, 1, [
                'started_at' => CaseBuilder::moment(10, '09:00'),
                'ended_at' => CaseBuilder::moment(10, '09:30'),
            ])
            ->morning(11, 4)
            ->at(11);
        self::assertSame(
            ['c4', 'c4'],
            array_map(static fn($response) => $response->answer?->id, $evaluation->sessions),
        );
        self::assertSame(
            ['s2', 's1'],
            array_map(static fn($response) => $response->session->id, $evaluation->sessions),
        );
        self::assertCount(2, $evaluation->last()->responses ?? []);
    }

    public function testTheBaselineCreepsFromWeekToWeek(): void
    {
        $creep = static fn(CaseBuilder $case): array => $case->at(20)->creep->toArray();
        self::assertSame(
            ['state' => 'steady', 'this_week' => 3, 'last_week' => 2, 'lowest' => 2],
            $creep(CaseBuilder::case()->mornings(7, 13, 2)->mornings(14, 20, 3)),
        );
        self::assertSame(
            ['state' => 'creeping', 'this_week' => 3.14, 'last_week' => 2, 'lowest' => 2],
            $creep(CaseBuilder::case()->mornings(7, 13, 2)->mornings(14, 19, 3)->morning(20, 4)),
        );
        self::assertSame(
            ['state' => 'no_data', 'this_week' => 6, 'last_week' => 2, 'lowest' => 2],
            $creep(CaseBuilder::case()->mornings(7, 13, 2)->mornings(19, 20, 6)),
        );
    }
}
