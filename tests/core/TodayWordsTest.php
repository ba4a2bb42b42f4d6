<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Session;
use Rung\Core\Time\Day;
use Rung\Core\Words\TodayWords;

/** What an athlete reads: why today, what is missing, what has been gained. */
final class TodayWordsTest extends TestCase
{
    public function testTheWeekIsCountedFromTheOpening(): void
    {
        $week = static fn(string $today, ?int $usual): string => TodayWords::week(
            Day::fromIso($today),
            Day::fromIso('2026-03-02'),
            $usual,
        );
        self::assertSame(
            ['Week 1 of about 12', 'Week 1 of about 12', 'Week 2 of about 12'],
            [$week('2026-03-02', 12), $week('2026-03-08', 12), $week('2026-03-09', 12)],
        );
        self::assertSame(
            ['Week 12 of about 12', 'Week 13', 'Week 5'],
            [$week('2026-05-24', 12), $week('2026-05-25', 12), $week('2026-03-30', null)],
        );
    }

    public function testADaySaysWhyItIsWhatItIs(): void
    {
        $plan = Support::catalogue()->programme('knee_four_stage')->plan;
        $springs = $plan->stage('springs');
        $holds = $plan->stage('holds');
        self::assertNotNull($springs);
        self::assertNotNull($holds);
        // Monday the 13th of April 2026 and the days after it.
        $planned = ['2026-04-13' => 'spring', '2026-04-14' => 'hold', '2026-04-15' => 'slow', '2026-04-16' => 'hold'];
        $why = static fn(
            string $on,
            ?string $event = null,
            ?Plan $with = null,
            ?PlanStage $stage = null,
        ): string => TodayWords::why(
            $with ?? $plan,
            $stage ?? $springs,
            Day::fromIso($on),
            $planned,
            $event === null ? [] : [Day::fromIso($event)],
        );

        self::assertSame('Springs: fast loading, on rested legs, once the slow work holds.', $why('2026-04-13'));
        self::assertSame('Holds only, so that Monday’s jumps can settle.', $why('2026-04-14'));
        self::assertSame('Slow strength: the slow, heavy work that builds it up.', $why('2026-04-15'));
        self::assertSame('Holds only, so that Wednesday’s slow strength can settle.', $why('2026-04-16'));
        self::assertSame('Rest, so that Wednesday’s slow strength can settle.', $why('2026-04-17'));
        self::assertSame('Rest: nothing is planned today.', $why('2026-04-20'));
        self::assertSame('No springs today: there is an event tomorrow.', $why('2026-04-15', '2026-04-16'));
        self::assertSame('No springs today: there is an event today.', $why('2026-04-16', '2026-04-16'));
        self::assertSame('No springs today: there was an event yesterday.', $why('2026-04-15', '2026-04-14'));
        // A stage without springs does not speak of them, and a flare speaks for itself.
        self::assertSame('Holds: they calm it and keep it strong.', $why('2026-04-14', '2026-04-14', null, $holds));
        self::assertSame(
            'Rest until Friday, so that it can settle.',
            $why('2026-04-15', null, $plan->restingAllUntil(Day::fromIso('2026-04-17'))),
        );
    }

    public function testSeveralSessionsOfADayAreSpreadOverIt(): void
    {
        self::assertSame([6, 4, 3, 1], array_map(TodayWords::leastHours(...), [2, 3, 4, 24]));
    }

    public function testEveryKindOfSessionIsCalledWhatItIs(): void
    {
        $monday = Day::fromIso('2026-04-13');
        $seen = [];
        foreach (Support::catalogue()->programmes as $programme) {
            foreach ($programme->plan->stages as $stage) {
                foreach ($stage->slots as $slot) {
                    $seen[$slot->mode->value][] = TodayWords::why(
                        $programme->plan,
                        $stage,
                        $monday,
                        [$monday->toIso() => $slot->key],
                        [],
                    );
                }
            }
        }
        $begins = [
            'isometric' => 'Holds',
            'running' => 'Running',
            'control' => 'Control',
            'mobility' => 'Loosening',
            'plyometric' => 'Springs',
            'sport' => 'Back to your act',
            'isotonic' => 'Slow strength',
        ];
        foreach (array_intersect_key($seen, $begins) as $mode => $words) {
            self::assertSame(
                [],
                array_values(
                    array_filter($words, static fn(string $word): bool => !str_starts_with($word, $begins[$mode])),
                ),
                $mode,
            );
        }
        self::assertSame(
            [],
            array_diff(['isometric', 'running', 'mobility', 'plyometric', 'isotonic'], array_keys($seen)),
        );
    }

    public function testMissingPegsSayWhatEarnsThem(): void
    {
        $case = CaseBuilder::case()
            ->mornings(1, 9, 5)
            ->gate(
                ['type' => 'days_in_stage', 'min' => 3],
                ['type' => 'provocation', 'max' => 3, 'days' => 7, 'min_readings' => 4],
                ['type' => 'sign_off'],
                ['type' => 'symmetry', 'test' => 'knee', 'min_percent' => 90],
            );
        self::assertSame(
            [
                null,
                'a morning test of 3 or less, for 7 days',
                'your practitioner’s word that the technique is sound',
                '90 % of the other side’s strength, tested by your practitioner',
            ],
            array_map(TodayWords::missing(...), $case->at(9)->outlooks()),
        );
    }

    public function testWhatIsGainedIsMoreWorkAtNoMorePainOnTheSameExercise(): void
    {
        $sets = static fn(int $reps, int $kg): array => array_fill(0, 3, ['reps' => $reps, 'load_kg' => $kg]);
        $case = CaseBuilder::case()
            ->mornings(1, 20, 1)
            ->session(2, 2, ['sets' => $sets(8, 20)])
            ->session(9, 1, ['sets' => $sets(8, 30)])
            ->session(16, 2, ['sets' => $sets(12, 40)]);
        $gained = static fn(CaseBuilder $of, ?callable $exercise = null): ?string => TodayWords::gained(
            $of->at(20),
            'press',
            'Leg press',
            $exercise ?? static fn(Session $session): string => 'leg_press',
        );
        self::assertSame(
            'Leg press: you now do 3 × 12 at 40 kg with pain 2; 8 at 20 kg gave 2 on Mon 2 Mar.',
            $gained($case),
        );
        // Another exercise then, less pain then, or nothing more now: nothing is claimed.
        self::assertNull(
            $gained($case, static fn(Session $session): string => $session->id === 's1' ? 'squat' : 'leg_press'),
        );
        self::assertNull($gained($case->session(18, 3, ['sets' => $sets(12, 40)])));
        self::assertNull(
            $gained(
                CaseBuilder::case()
                    ->mornings(1, 20, 1)
                    ->session(2, 2, ['sets' => $sets(8, 20)])
                    ->session(9, 2, ['sets' => $sets(6, 30)]),
            ),
        );
    }
}
