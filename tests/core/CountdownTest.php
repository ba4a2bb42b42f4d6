<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Simulation\Countdown;
use Rung\Core\Simulation\CountdownStage;
use Rung\Core\Simulation\Pace;
use Rung\Core\Time\Day;
use Rung\Core\Words\CountdownWords;

/** docs/rules.md, "Ready by a day". Holds were entered on 1 March 2026; today is the 15th. */
final class CountdownTest extends TestCase
{
    private const STEADY = ['holds' => 14, 'slow' => 42, 'springs' => 28];

    private const SLOW = ['holds' => 28, 'slow' => 63, 'springs' => 49];

    public function testStagesAreReckonedBackwardsFromTheDayAndForwardsFromToday(): void
    {
        $found = self::countdown('2026-06-07');
        // Backwards: springs take 28 days, slow strength 42 before them.
        self::assertSame(
            [
                'slow must 2026-03-29, 2026-03-15 to 2026-03-29, enough',
                'springs must 2026-05-10, 2026-04-26 to 2026-05-31, tight',
            ],
            self::fields($found),
        );
        self::assertSame(
            ['2026-05-24', '2026-07-19', Pace::Tight],
            [$found->soonest?->toIso(), $found->latest?->toIso(), $found->pace()],
        );
        self::assertSame(
            'Springs must begin by Sun 10 May. As things stand it begins between Sun 26 Apr and Sun 31 May.',
            CountdownWords::stage($found->stages[1], 'Springs'),
        );
        self::assertSame(
            'Ready between Sun 24 May and Sun 19 Jul: by Sun 7 Jun only where all goes well.',
            CountdownWords::ready($found),
        );
    }

    /** @return iterable<string, array{string, Pace, string}> */
    public static function days(): iterable
    {
        yield 'time enough' => [
            '2026-07-19',
            Pace::Enough,
            'Ready between Sun 24 May and Sun 19 Jul: by Sun 19 Jul there is time.',
        ];
        yield 'a day less' => [
            '2026-07-18',
            Pace::Tight,
            'Ready between Sun 24 May and Sun 19 Jul: by Sat 18 Jul only where all goes well.',
        ];
        yield 'just in time' => [
            '2026-05-24',
            Pace::Tight,
            'Ready between Sun 24 May and Sun 19 Jul: by Sun 24 May only where all goes well.',
        ];
        yield 'too late' => [
            '2026-05-21',
            Pace::TooLate,
            'Ready between Sun 24 May and Sun 19 Jul: 3 days after Thu 21 May at the soonest.',
        ];
    }

    #[DataProvider('days')]
    public function testWhetherThereIsTimeIsShown(string $by, Pace $pace, string $words): void
    {
        $found = self::countdown($by);
        self::assertSame([$pace, $words], [$found->pace(), CountdownWords::ready($found)]);
    }

    public function testAGateThatIsShutForLongerHoldsUpAllThatFollows(): void
    {
        $found = self::countdown('2026-07-30', Day::fromIso('2026-03-22'));
        self::assertSame(
            ['2026-03-22', '2026-05-03'],
            [$found->stages[0]->soonest->toIso(), $found->stages[1]->soonest->toIso()],
        );
        self::assertSame('2026-05-31', $found->soonest?->toIso());
        // One that is open already lets nothing begin in the past.
        self::assertSame(
            '2026-03-15',
            self::countdown('2026-07-30', Day::fromIso('2026-03-10'))->stages[0]->soonest->toIso(),
        );
    }

    public function testWhatASlowerAthleteDoesNotReachIsNotPromised(): void
    {
        $found = Countdown::build(
            ['holds', 'slow', 'springs'],
            Day::fromIso('2026-03-01'),
            Day::fromIso('2026-03-15'),
            null,
            self::STEADY,
            ['holds' => 28],
            Day::fromIso('2026-12-01'),
        );
        self::assertSame(
            [
                'slow must 2026-09-22, 2026-03-15 to 2026-03-29, enough',
                'springs must 2026-11-03, 2026-04-26 to ?, tight',
            ],
            self::fields($found),
        );
        self::assertSame(
            'Ready on Sun 24 May at the soonest: by Tue 1 Dec only where all goes well.',
            CountdownWords::ready($found),
        );
        $endless = Countdown::build(
            ['holds', 'slow', 'sport'],
            Day::fromIso('2026-03-01'),
            Day::fromIso('2026-03-15'),
            null,
            self::STEADY,
            self::SLOW,
            Day::fromIso('2026-12-01'),
        );
        self::assertNull($endless->pace(), 'a last stage without an end is no day to be ready by');
        self::assertSame('The end of the last stage cannot be estimated.', CountdownWords::ready($endless));
    }

    public function testALaterDayGivesAsManyDaysMoreAndChangesNothingElse(): void
    {
        $random = new Randomizer(new Mt19937(5));
        for ($i = 0; $i < 100; $i++) {
            $steady = ['a' => $random->getInt(7, 60), 'b' => $random->getInt(7, 60), 'c' => $random->getInt(7, 60)];
            $slow = array_map(static fn(int $days): int => $days + $random->getInt(0, 40), $steady);
            $more = $random->getInt(1, 100);
            $countdownTo = static fn(string $by): Countdown => Countdown::build(
                ['a', 'b', 'c'],
                Day::fromIso('2026-03-01'),
                Day::fromIso('2026-03-20'),
                null,
                $steady,
                $slow,
                Day::fromIso($by),
            );
            $countdown = $countdownTo('2026-09-01');
            $other = $countdownTo(Day::fromIso('2026-09-01')->plus($more)->toIso());
            foreach ($countdown->stages as $at => $stage) {
                self::assertSame($more, $other->stages[$at]->mustBegin->daysSince($stage->mustBegin));
                self::assertSame($stage->soonest->number, $other->stages[$at]->soonest->number);
                self::assertNotNull($stage->latest);
                self::assertGreaterThanOrEqual(0, $stage->latest->daysSince($stage->soonest));
            }
            // If the last stage can begin in time, so could each before it.
            self::assertSame($countdown->stages[1]->pace() === Pace::TooLate, $countdown->pace() === Pace::TooLate);
        }
    }

    private static function countdown(string $by, ?Day $gate = null): Countdown
    {
        return Countdown::build(
            ['holds', 'slow', 'springs'],
            Day::fromIso('2026-03-01'),
            Day::fromIso('2026-03-15'),
            $gate,
            self::STEADY,
            self::SLOW,
            Day::fromIso($by),
        );
    }

    /** @return list<string> */
    private static function fields(Countdown $found): array
    {
        return array_map(
            static fn(
                CountdownStage $countdownStage,
            ): string => "$countdownStage->key must {$countdownStage->mustBegin->toIso()}, {$countdownStage->soonest->toIso()} to " .
                ($countdownStage->latest?->toIso() ?? '?') .
                ", {$countdownStage->pace()->value}",
            $found->stages,
        );
    }
}
