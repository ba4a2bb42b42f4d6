<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Plan\FilePlan;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;

/** docs/rules.md, "A case file comes in". */
final class FilePlanTest extends TestCase
{
    public function testAStageThatAProgrammeHasTakesItsCalendar(): void
    {
        $known = self::stage([
            'slots' => [['key' => 'strength', 'title' => 'Strength', 'mode' => 'isotonic']],
            'rhythm' => ['every_days' => 2],
        ]);
        $plan = FilePlan::fromFile(
            CaseBuilder::case()
                ->press(['slot' => 'strength'])
                ->with(['stages' => [['prescriptions' => [1 => ['slot' => 'strength']]]]])
                ->file(),
            [$known],
        );
        self::assertSame([], $plan->derived);
        self::assertSame(
            [['every_days' => 2], ['Strength']],
            [$plan->plan->stages[0]->rhythm->toArray(), array_column($plan->plan->stages[0]->slots, 'title')],
        );
        self::assertSame(
            ['press', 'hold'],
            array_column($plan->plan->prescriptions(), 'key'),
            'with the doses of the file',
        );
    }

    public function testAStageWithOtherKindsOfSessionIsReckoned(): void
    {
        $known = self::stage([
            'slots' => [['key' => 'springs', 'title' => 'Springs', 'mode' => 'plyometric']],
            'rhythm' => ['every_days' => 2],
        ]);
        $plan = FilePlan::fromFile(
            CaseBuilder::case()
                ->press(['slot' => 'strength'])
                ->with(['stages' => [['prescriptions' => [1 => ['slot' => 'hold_days']]]]])
                ->file(),
            [$known],
        );
        self::assertSame(['slow'], $plan->derived);
        self::assertSame(
            ['cycle' => ['strength', 'hold_days']],
            $plan->plan->stages[0]->rhythm->toArray(),
            'several kinds in turn, one a day',
        );
        self::assertSame(['Strength', 'Hold days'], array_column($plan->plan->stages[0]->slots, 'title'));
    }

    public function testTheDaysAWeekAreThoseThatWereTrainedLast(): void
    {
        $times = static function (int ...$days): mixed {
            $case = CaseBuilder::case();
            foreach ($days as $day) {
                $case = $case->session($day);
            }

            return FilePlan::fromFile($case->file(), [])->plan->stages[0]->rhythm->toArray()['per_week'] ?? null;
        };
        self::assertSame(3, $times(), 'where none was done');
        self::assertSame(2, $times(2, 5, 9, 12, 16, 19));
        self::assertSame(7, $times(...range(1, 14)));
        self::assertSame(1, $times(2, 9, 16, 23));
        self::assertSame(1, $times(5), 'one session is one a week');
        // Sessions without a name of their kind are of one kind, which has the stage's title.
        $stage = FilePlan::fromFile(CaseBuilder::case()->file(), [])->plan->stages[0];
        self::assertSame(
            [['session'], ['Slow'], ['session', 'session']],
            [
                array_column($stage->slots, 'key'),
                array_column($stage->slots, 'title'),
                array_map(static fn($prescription): ?string => $prescription->slot, $stage->stage->prescriptions),
            ],
        );
    }

    public function testWhatIsNoLongerAskedForStaysKnown(): void
    {
        $stages = [
            1 => [
                'key' => Plan::LEFT_OUT,
                'title' => 'Left out',
                'mode' => 'mixed',
                'goals' => ['everyday'],
                'gate' => [],
                'prescriptions' => [
                    [
                        'key' => 'old',
                        'exercise' => 'wall_sit',
                        'mode' => 'isometric',
                        'limbs' => 'together',
                        'dose' => ['sets' => 3, 'reps' => 1, 'hold_s' => 30, 'rest_s' => 60],
                    ],
                ],
            ],
        ];
        $plan = FilePlan::fromFile(
            CaseBuilder::case()
                ->with(['stages' => $stages])
                ->file(),
            [],
        )->plan;
        self::assertSame(
            [['slow'], ['old']],
            [
                array_map(static fn(PlanStage $stage): string => $stage->stage->key, $plan->stages),
                array_column($plan->leftOut, 'key'),
            ],
        );
        // What was read so is a plan that can be kept and read again.
        self::assertEquals($plan, Plan::fromJson((string) json_encode($plan->toArray())));
    }

    /** @param array<string, mixed> $calendar */
    private static function stage(array $calendar): PlanStage
    {
        return Plan::fromJson(
            (string) json_encode([
                'stages' => [
                    [
                        'key' => 'slow',
                        'title' => 'Slow of a programme',
                        'mode' => 'isotonic',
                        'gate' => [],
                        'prescriptions' => [],
                    ] + $calendar,
                ],
            ]),
        )->stages[0];
    }
}
