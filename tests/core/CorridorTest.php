<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Decision\Because;
use Rung\Core\Response\Verdict;

/** What the next session asks within what is prescribed (docs/rules.md, "What the next session asks"). */
final class CorridorTest extends TestCase
{
    /** @return iterable<string, array{CaseBuilder, int, string}> case, day of noon, repetitions asked and why */
    public static function rows(): iterable
    {
        $sets = static fn(int $reps, int $count = 3, ?int $rir = null): array => [
            'sets' => array_fill(0, $count, ['reps' => $reps, 'load_kg' => 40, 'rir' => $rir]),
        ];
        $dose = ['sets' => 3, 'reps' => 8, 'reps_to' => 12, 'rest_s' => 60, 'load_kg' => 40];
        $case = static fn(array $more = []): CaseBuilder => CaseBuilder::case()
            ->press(['dose' => $more + $dose])
            ->mornings(4, 8, 1);
        $borne = static fn(
            CaseBuilder $case,
            int $day,
            int $reps,
            int $count = 3,
            ?int $rir = null,
        ): CaseBuilder => $case->session($day, 1, $sets($reps, $count, $rir))->mornings($day + 1, $day + 2, 1);

        yield 'no corridor' => [CaseBuilder::case()->mornings(4, 8, 1), 8, '8 fixed'];
        yield 'nothing done yet' => [$case(), 8, '8 start'];
        yield 'borne: one more' => [$borne($case(), 8, 9), 10, '10 grown'];
        yield 'borne with three in reserve: two more' => [$borne($case(), 8, 9, 3, 3), 10, '11 grown'];
        yield 'two in reserve are not enough for two more' => [$borne($case(), 8, 9, 3, 2), 10, '10 grown'];
        yield 'never beyond the upper end' => [$borne($case(['grow_by' => 3]), 8, 11), 10, '12 grown'];
        yield 'the upper end' => [$borne($case(), 8, 12), 10, '12 full'];
        yield 'more than asked is the upper end' => [$borne($case(), 8, 15), 10, '12 full'];
        yield 'a set was missing' => [$borne($case(), 8, 10, 2), 10, '8 short'];
        yield 'a set was under the lower end' => [$borne($case(), 8, 7), 10, '8 short'];
        yield 'not answered yet' => [$case()->session(8, 1, $sets(10)), 8, '8 start'];
        yield 'pending' => [
            $case()->session(
                7,
                1,
                $sets(10) + [
                    'started_at' => CaseBuilder::moment(8, '08:00'),
                    'ended_at' => CaseBuilder::moment(8, '08:30'),
                ],
            ),
            8,
            '10 kept',
        ];
        yield 'a small rise' => [$case()->session(8, 1, $sets(10))->morning(9, 2), 9, '10 kept'];
        yield 'too much: the lower end' => [$case()->session(8, 1, $sets(10))->morning(9, 4), 9, '8 eased'];
        yield 'then up again, under what failed' => [
            $borne(
                $borne($case()->session(8, 1, $sets(11))->mornings(9, 11, 1)->morning(9, 4, null, [], '08:00'), 12, 9),
                14,
                10,
            ),
            16,
            '10 capped',
        ];
        $failed = CaseBuilder::case()
            ->press(['dose' => $dose])
            ->mornings(1, 2, 1)
            ->session(2, 1, $sets(11))
            ->morning(3, 4)
            ->mornings(4, 26, 1);
        $again = $borne($borne($failed, 27, 9), 29, 10);
        yield 'what failed is remembered for 28 days' => [$again, 30, '10 capped'];
        yield 'and no longer' => [$again, 31, '11 grown'];
        yield 'eased inside the corridor' => [$borne($case(), 8, 10)->change(10, 'within'), 10, '8 eased'];
        yield 'after two, not after one' => [$borne($case(['grow_after' => 2]), 8, 9), 10, '9 kept'];
        yield 'after two' => [$borne($borne($case(['grow_after' => 2]), 8, 9), 11, 9), 13, '10 grown'];
        yield 'two of which the first was less' => [
            $borne($borne($case(['grow_after' => 2]), 8, 8), 11, 9),
            13,
            '9 kept',
        ];
        yield 'a change of dose starts over' => [$borne($case(), 8, 10)->change(10, 'progress'), 10, '8 start'];
        yield 'another exercise that hurt is no failure of this one' => [
            $case()
                ->session(8, null, [
                    'entries' => [
                        ['prescription' => 'press', 'pain' => 1] + $sets(10),
                        ['prescription' => 'hold', 'pain' => 4, 'sets' => [['hold_s' => 30]]],
                    ],
                ])
                ->mornings(9, 10, 1),
            10,
            '10 kept',
        ];
    }

    #[DataProvider('rows')]
    public function testTheRowThatFitsFirst(CaseBuilder $case, int $day, string $expected): void
    {
        $asked = $case->at($day)->asked[0];
        self::assertSame($expected, "$asked->reps {$asked->because->value}");
    }

    public function testEveryReasonIsReachedHere(): void
    {
        $reached = array_unique(
            array_map(
                static fn(array $row): string => explode(' ', $row[2])[1],
                array_values(iterator_to_array(self::rows())),
            ),
        );
        self::assertSame([], array_diff(array_column(Because::cases(), 'value'), $reached));
    }

    public function testAskedIsNothingUnderAStop(): void
    {
        self::assertSame([], CaseBuilder::case()->mornings(4, 8, 1)->session(8, 9)->at(9)->asked);
    }

    /**
     * Forty athletes who do what is asked, for two months, some of it too much: never beyond the corridor, never up after
     * what was too much, and whoever bears everything reaches the upper end.
     */
    public function testPlayedForwardItStaysWithinWhatWasPrescribed(): void
    {
        $grown = 0;
        for ($seed = 1; $seed <= 40; $seed++) {
            $chance = new Randomizer(new Mt19937($seed));
            $from = $chance->getInt(3, 8);
            $to = $from + $chance->getInt(1, 8);
            $calm = $seed % 4 === 0;
            $case = CaseBuilder::case()
                ->press([
                    'dose' => [
                        'sets' => 3,
                        'reps' => $from,
                        'reps_to' => $to,
                        'rest_s' => 60,
                        'load_kg' => 40,
                        'grow_by' => $chance->getInt(1, 3),
                    ],
                ])
                ->mornings(1, 3, 1);
            $before = null;
            for ($day = 4; $day <= 30; $day += 2) {
                $evaluation = $case->at($day);
                $asked = $evaluation->asked[0] ?? null;
                self::assertNotNull($asked);
                self::assertGreaterThanOrEqual($from, $asked->reps, "athlete $seed, day $day");
                self::assertLessThanOrEqual($to, $asked->reps, "athlete $seed, day $day");
                $last = $evaluation->sessions === [] ? null : $evaluation->sessions[count($evaluation->sessions) - 1];
                if ($before !== null && $last?->verdict !== null && !$last->verdict->isWellTolerated()) {
                    self::assertLessThanOrEqual(
                        $before,
                        $asked->reps,
                        "athlete $seed, day $day: never up on what was not borne",
                    );
                }
                if ($last?->verdict === Verdict::Over) {
                    self::assertSame(
                        [$from, Because::Eased],
                        [$asked->reps, $asked->because],
                        "athlete $seed, day $day",
                    );
                }
                $grown += $before !== null && $asked->reps > $before ? 1 : 0;
                $before = $asked->reps;
                $case
                    ->session($day, 1, ['sets' => array_fill(0, 3, ['reps' => $asked->reps, 'load_kg' => 40])])
                    ->mornings($day + 1, $day + 2, !$calm && $chance->getInt(1, 5) === 1 ? 4 : 1);
            }
            if ($calm) {
                self::assertSame($to, $before, "athlete $seed bore everything");
            }
        }
        self::assertGreaterThan(100, $grown);
    }
}
