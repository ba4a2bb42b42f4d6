<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Attention\Attention;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Snapshot\AttentionGrounds;
use Rung\Core\Words\ProposalWords;

/** Every reason of docs/rules.md, "What to do next", by a case that reaches it. */
final class DecisionsTest extends TestCase
{
    /** @return iterable<string, array{CaseBuilder, int, string}> case, day of noon, action with its reason */
    public static function actions(): iterable
    {
        $base = static fn(): CaseBuilder => CaseBuilder::case()->mornings(4, 8, 1);
        // Two settled bouts, on the eighth and the tenth.
        $settled = static fn(): CaseBuilder => $base()->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 1);
        // The first of two sessions was borne, the second was too much.
        $over = static fn(): CaseBuilder => $base()->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 3);
        $twice = static fn(): CaseBuilder => $base()->session(8)->mornings(9, 10, 3)->session(10, 4)->morning(11, 3);
        $watch = static fn(): CaseBuilder => $base()->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 2);
        $open = static fn(CaseBuilder $case): CaseBuilder => $case->gate(['type' => 'days_in_stage', 'min' => 5]);

        yield 'settled twice' => [$settled(), 11, 'progress settled_run'];
        yield 'settled once' => [$base()->session(8)->morning(9, 1), 9, 'repeat too_few_settled'];
        yield 'settled twice, but a dose was changed between' => [
            $settled()->change(9, 'progress', 'hold'),
            11,
            'repeat too_few_settled',
        ];
        yield 'settled twice where three are asked for' => [
            $settled()->rule(['progress_after' => 3]),
            11,
            'repeat too_few_settled',
        ];
        yield 'over' => [$over(), 11, 'ease one_over'];
        yield 'over, and eased since' => [$over()->change(11, 'ease'), 11, 'repeat already_eased'];
        yield 'over, and changed by hand since' => [$over()->change(11, 'manual', null), 11, 'repeat already_eased'];
        yield 'over, eased before it' => [$over()->change(10, 'ease'), 11, 'ease one_over'];
        yield 'over twice' => [$twice(), 11, 'step_down two_over'];
        yield 'only the sport was over' => [
            $base()
                ->session(8)
                ->mornings(9, 10, 1)
                ->session(10, 5, ['kind' => 'sport', 'prescription' => null, 'sets' => []])
                ->morning(11, 1),
            11,
            'ease sport_over',
        ];
        yield 'over next morning, though nothing hurt' => [$over(), 12, 'ease one_over'];
        yield 'a small rise' => [$watch(), 11, 'repeat small_rise'];
        yield 'two small rises' => [
            $base()
                ->session(8)
                ->mornings(9, 10, 2)
                ->session(10)
                ->morning(11, 3)
                ->rule(['rise_over_from' => 3]),
            11,
            'ease two_watch',
        ];
        yield 'two small rises, eased since' => [
            $base()
                ->session(8)
                ->mornings(9, 10, 2)
                ->session(10)
                ->morning(11, 3)
                ->rule(['rise_over_from' => 3])
                ->change(11, 'ease'),
            11,
            'repeat small_rise',
        ];
        yield 'a small rise while the baseline creeps' => [
            CaseBuilder::case()->mornings(7, 13, 1)->mornings(14, 19, 3)->session(19)->morning(20, 4),
            20,
            'ease creeping',
        ];
        yield 'the gate is open' => [$open($settled())->thenStage('springs'), 11, 'advance gate_open'];
        yield 'the gate is open and no stage is left' => [$open($settled()), 11, 'finish gate_open'];
        yield 'a later stage is for others' => [
            $open($settled())->thenStage('springs', ['throwing']),
            11,
            'finish gate_open',
        ];
        yield 'the gate is open, but one settled is too few' => [
            $open($base()->session(8)->morning(9, 1))->thenStage('springs'),
            9,
            'repeat too_few_settled',
        ];
        yield 'under what is wanted' => [
            $settled()->press(['pain' => ['min' => 3, 'max' => 5]]),
            11,
            'add_load below_target_pain',
        ];
        yield 'under, and load was added since' => [
            $settled()
                ->press(['pain' => ['min' => 3, 'max' => 5]])
                ->change(11, 'add_load'),
            11,
            'repeat already_added',
        ];
        yield 'a stop sign on a session' => [
            $base()
                ->session(10, 1, ['signs' => ['giving_way']])
                ->morning(11, 1),
            11,
            'stop uncleared_stop',
        ];
        yield 'a stop while the session is still under way' => [
            $settled()->session(12, 9, [
                'started_at' => CaseBuilder::moment(12, '11:30'),
                'ended_at' => CaseBuilder::moment(12, '12:30'),
            ]),
            12,
            'stop uncleared_stop',
        ];
        yield 'a score at the stop level' => [$settled()->morning(12, 8), 12, 'stop uncleared_stop'];
        yield 'reviewed' => [$settled()->morning(13, 8)->review(13, 'c9'), 13, 'repeat recent_stop'];
        yield 'reviewed lately, though it was long ago' => [
            $base()->morning(1, 8)->session(8)->mornings(9, 10, 1)->session(10)->morning(11, 1)->review(11, 'c6'),
            11,
            'repeat recent_stop',
        ];
        yield 'reviewed before it happened' => [
            $settled()->review(11, 'c9')->morning(12, 8),
            12,
            'stop uncleared_stop',
        ];
        yield 'no session yet' => [CaseBuilder::case()->mornings(4, 8, 1), 8, 'gather no_recent_answers'];
        yield 'two sessions went unanswered' => [$settled()->session(13)->session(15), 18, 'gather answers_missing'];
        yield 'one session went unanswered' => [$settled()->session(13), 16, 'repeat not_done'];
        yield 'two unanswered after what was too much do not hide it' => [
            $over()->session(12)->session(13),
            16,
            'ease one_over',
        ];
        yield 'eased inside the corridor since' => [$over()->change(11, 'within'), 11, 'repeat already_eased'];
        yield 'which is no change of dose for what settled' => [
            $settled()->change(9, 'within', 'hold'),
            11,
            'progress settled_run',
        ];
        yield 'what is prescribed was not done in full' => [
            $settled()->press(['dose' => ['sets' => 4, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 40]]),
            11,
            'repeat not_done',
        ];
        yield 'it was done with less left in reserve' => [
            $settled()->press(['dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 40, 'rir' => 3]]),
            11,
            'repeat not_done',
        ];
        yield 'the corridor is not full' => [
            $settled()->press(['dose' => ['sets' => 3, 'reps' => 6, 'reps_to' => 12, 'rest_s' => 60, 'load_kg' => 40]]),
            11,
            'repeat growing',
        ];
        yield 'the corridor is full' => [
            $settled()->press(['dose' => ['sets' => 3, 'reps' => 6, 'reps_to' => 8, 'rest_s' => 60, 'load_kg' => 40]]),
            11,
            'progress settled_run',
        ];
        yield 'the step failed before' => [
            $settled()->change(5, 'progress')->change(6, 'ease'),
            11,
            'repeat failed_before',
        ];
        yield 'another step failed' => [
            $settled()->change(5, 'progress', 'hold')->change(6, 'ease', 'hold'),
            11,
            'progress settled_run',
        ];
        yield 'this week has grown enough' => [
            $settled()
                ->change(7, 'progress')
                ->press(['progression' => ['levers' => [['lever' => 'load', 'increment_kg' => 10]]]]),
            11,
            'repeat held_at_cap',
        ];
        yield 'nothing can be raised' => [$settled()->press(['progression' => null]), 11, 'repeat nothing_to_raise'];
        yield 'the top of the ladder' => [
            $settled()->press(['progression' => ['levers' => []], 'ladder' => ['leg_press', 'leg_press_one']]),
            11,
            'repeat nothing_to_raise',
        ];
        yield 'what is led by pain is not raised by settling' => [
            $settled()->press(['pain' => ['min' => 1, 'max' => 5]]),
            11,
            'repeat nothing_to_raise',
        ];
        $easiest = static fn(CaseBuilder $case): CaseBuilder => $case->press([
            'dose' => ['sets' => 2, 'reps' => 1, 'rest_s' => 60],
            'progression' => ['levers' => []],
            'ladder' => ['leg_press_one', 'leg_press'],
        ]);
        yield 'even the easiest was too much' => [$easiest($over()), 11, 'ease one_over'];
        yield 'and has rested' => [$easiest($over()), 18, 'repeat try_again'];
        yield 'answers a week old' => [$settled(), 18, 'repeat stale_answers'];
        yield 'a break of over two weeks' => [$settled(), 25, 'step_down long_break'];
        yield 'a break in which the dose was eased' => [$settled()->change(20, 'ease'), 25, 'gather no_recent_answers'];
        $high = static fn(): CaseBuilder => CaseBuilder::case()
            ->mornings(4, 8, 6)
            ->session(8)
            ->mornings(9, 10, 6)
            ->session(10)
            ->morning(11, 6);
        yield 'settled, but the test is over the limit of the next day' => [$high(), 11, 'repeat test_over_limit'];
        yield 'which is no matter where pain is wanted' => [
            $high()->press(['pain' => ['min' => 2, 'max' => 5]]),
            11,
            'add_load below_target_pain',
        ];
        $creeping = static fn(): CaseBuilder => CaseBuilder::case()
            ->mornings(7, 13, 0)
            ->mornings(14, 20, 2)
            ->session(17)
            ->session(19);
        yield 'settled while the baseline creeps' => [$creeping(), 20, 'repeat creeping_baseline'];
        $twoWeeks = static fn(): CaseBuilder => CaseBuilder::case()
            ->mornings(1, 6, 0)
            ->mornings(7, 13, 2)
            ->mornings(14, 20, 4)
            ->session(17)
            ->session(19)
            ->rule(['during_max' => 5]);
        yield 'which it has done for two weeks' => [$twoWeeks(), 20, 'ease creeping_two_weeks'];
        yield 'and which was answered this week' => [$twoWeeks()->change(16, 'ease'), 20, 'repeat creeping_baseline'];
    }

    #[DataProvider('actions')]
    public function testWhatIsProposed(CaseBuilder $case, int $day, string $expected): void
    {
        self::assertSame($expected, $case->action($day));
    }

    public function testEveryReasonIsReachedHere(): void
    {
        $reached = array_unique(
            array_map(
                static fn(array $action): string => explode(' ', $action[2])[1],
                array_values(iterator_to_array(self::actions())),
            ),
        );
        // The end of a programme is no matter of a case file (KeepingUpTest).
        self::assertSame(
            ['maintained', 'maintenance_over'],
            array_values(array_diff(array_column(ActionReason::cases(), 'value'), $reached)),
        );
    }

    /** @return iterable<string, array{CaseBuilder, int, string}> */
    public static function attention(): iterable
    {
        $settled = static fn(): CaseBuilder => CaseBuilder::case()
            ->mornings(4, 8, 1)
            ->session(8)
            ->mornings(9, 10, 1)
            ->session(10)
            ->mornings(11, 12, 1);
        $planned = static fn(int ...$days): array => [
            'planned' => array_map(
                static fn(int $day): array => ['id' => "p$day", 'on' => "2026-03-$day", 'slot' => 'slow'],
                $days,
            ),
        ];

        yield 'stop' => [$settled()->morning(13, 9), 13, 'stop_review'];
        yield 'over twice' => [
            CaseBuilder::case()->mornings(4, 8, 1)->session(8)->mornings(9, 10, 3)->session(10, 4)->morning(11, 3),
            11,
            'over_twice',
        ];
        yield 'over' => [$settled()->session(12)->morning(13, 4), 13, 'over'];
        yield 'ready to progress' => [$settled(), 12, 'ready_progress'];
        yield 'ready for a stage' => [
            $settled()
                ->gate(['type' => 'days_in_stage', 'min' => 5])
                ->thenStage('springs'),
            12,
            'ready_stage',
        ];
        yield 'two days without a score are none too many' => [$settled(), 14, 'ready_progress'];
        yield 'three are' => [$settled(), 15, 'silent no_scores'];
        yield 'a case of two days is not silent' => [
            CaseBuilder::case()->with(['case' => ['opened_on' => '2026-03-11']]),
            13,
            'on_course',
        ];
        yield 'of three it is' => [
            CaseBuilder::case()->with(['case' => ['opened_on' => '2026-03-10']]),
            13,
            'silent no_scores',
        ];
        yield 'one planned session was missed' => [$settled()->with($planned(10, 11, 12)), 11, 'ready_progress'];
        yield 'the last two were' => [$settled()->with($planned(10, 11, 12)), 12, 'silent sessions_missed'];
        yield 'a break, with all its reasons' => [$settled(), 28, 'silent no_scores long_break'];
        yield 'prevention has no mornings' => [
            CaseBuilder::case()
                ->with(['case' => ['purpose' => 'prevention']])
                ->session(8),
            15,
            'on_course',
        ];
        yield 'a review is due' => [
            CaseBuilder::case()
                ->with(['case' => ['review_on' => '2026-03-12']])
                ->mornings(8, 12, 1),
            12,
            'stalled review_due',
        ];
        yield 'it is due tomorrow' => [
            CaseBuilder::case()
                ->with(['case' => ['review_on' => '2026-03-13']])
                ->mornings(8, 12, 1),
            12,
            'on_course',
        ];
    }

    #[DataProvider('attention')]
    public function testWhoNeedsAttention(CaseBuilder $case, int $day, string $expected): void
    {
        $attention = $case->at($day)->attention->toArray();
        self::assertSame($expected, implode(' ', [$attention['group'], ...$attention['reasons']]));
    }

    public function testACaseThatDoesNotMoveIsSeen(): void
    {
        // Opened in January; the score is what it was; nothing was changed; sessions are done as planned.
        $case = CaseBuilder::case()->with([
            'case' => ['opened_on' => '2026-01-10'],
            'stage_history' => [['stage' => 'slow', 'from' => '2026-01-10']],
            'planned' => array_map(
                static fn(int $day): array => [
                    'id' => "p$day",
                    'on' => sprintf('2026-03-%02d', $day),
                    'slot' => 'slow',
                ],
                range(1, 30, 2),
            ),
        ]);
        foreach (range(1, 29, 2) as $day) {
            $case->session($day, 1, ['planned' => "p$day"]);
        }
        $case->mornings(1, 30, 2);
        $stalled = clone $case;
        self::assertSame(
            ['group' => 'ready_progress', 'reasons' => ['too_timid']],
            $case->at(30)->attention->toArray(),
        );
        self::assertSame(
            ['group' => 'stalled', 'reasons' => ['no_improvement', 'plateau']],
            $stalled
                ->rule(['progress_after' => 20])
                ->at(30)
                ->attention->toArray(),
        );
        self::assertSame(
            ['group' => 'stalled', 'reasons' => ['no_improvement']],
            $stalled->change(10, 'manual', 'hold')->at(30)->attention->toArray(),
        );
    }

    public function testOneExerciseIsPreferredAndWhatGotWorseIsDropped(): void
    {
        $entry = static fn(string $key, ?int $pain, array $more = []): array => [
            'prescription' => $key,
            'pain' => $pain,
            'sets' => array_fill(0, 4, ['reps' => 8, 'load_kg' => 40, 'hold_s' => 45]),
        ] + $more;
        $both = static fn(int $press, ?int $hold, array $more = []): array => [
            'entries' => [$entry('press', $press, $more), $entry('hold', $hold)],
        ];
        $preferred = static function (CaseBuilder $case): array {
            $found = [];
            foreach ($case->at(11)->proposals as $proposal) {
                $found[$proposal->prescription->key] = $proposal->preferred;
            }

            return $found;
        };
        $case = static fn(int $press, ?int $hold, array $more = []): CaseBuilder => CaseBuilder::case()
            ->mornings(4, 8, 1)
            ->session(8, 1, $both($press, $hold, $more))
            ->mornings(9, 10, 1)
            ->session(10, 1, $both($press, $hold, $more))
            ->morning(11, 1);

        self::assertSame(['press' => false, 'hold' => true], $preferred($case(2, 1)), 'the one that hurts less');
        self::assertSame(
            ['press' => true, 'hold' => false],
            $preferred($case(2, null)),
            'what was not logged comes last',
        );
        self::assertSame(['press' => true, 'hold' => false], $preferred($case(1, 1)), 'of equals the earlier');
        self::assertSame(
            ['press' => false, 'hold' => true],
            $preferred($case(1, 2)->change(3, 'progress', 'press')),
            'the one that was raised longest ago has its turn',
        );
        self::assertSame(
            ['press' => true, 'hold' => false],
            $preferred($case(1, 3)->change(3, 'progress', 'press')),
            'but none that is at its limit',
        );
        self::assertSame(['press'], $case(1, 1, ['before' => 1, 'after' => 2])->at(11)->drop);
        self::assertSame([], $case(1, 1, ['before' => 2, 'after' => 2])->at(11)->drop);
    }

    public function testThreeEasesInAFortnightAreNoCourse(): void
    {
        $case = CaseBuilder::case()->mornings(1, 20, 1);
        foreach ([4, 9] as $day) {
            $case->change($day, 'ease');
        }
        // Two exercises eased by one decision are one ease.
        $case->change(9, 'ease', 'hold');
        self::assertNull(Attention::unsettledBy($case->at(17)->log));
        $case->change(13, 'within');
        self::assertSame(3, Attention::unsettledBy($case->at(17)->log));
        self::assertContains(
            'unsettled: eased on 3 days of the last 14',
            ProposalWords::attention(AttentionGrounds::fromEvaluation($case->at(17))),
        );
        self::assertSame(3, Attention::unsettledBy($case->at(18, '10:00')->log), 'a fortnight to the hour');
        self::assertNull(Attention::unsettledBy($case->at(18, '10:01')->log));
        $case->change(14, 'progress');
        self::assertNull(Attention::unsettledBy($case->at(19)->log), 'a raise is no ease');
    }
}
