<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Screening\Growth;
use Rung\Core\Time\Day;

/** docs/rules.md, "Screening". */
final class ScreeningTest extends TestCase
{
    /** @return iterable<string, array{string, string, int, bool}> */
    public static function births(): iterable
    {
        yield 'the day before the eighteenth birthday' => ['2008-04-15', '2026-04-14', 17, true];
        yield 'the birthday itself' => ['2008-04-14', '2026-04-14', 18, false];
        yield 'born on a leap day, the day before 1 March' => ['2008-02-29', '2026-02-28', 17, true];
        yield 'born on a leap day, on 1 March' => ['2008-02-29', '2026-03-01', 18, false];
        yield 'born on a leap day, in a leap year' => ['2004-02-29', '2024-02-29', 20, false];
        yield 'born today' => ['2026-04-14', '2026-04-14', 0, true];
        yield 'born on the last day of the year' => ['2009-12-31', '2026-01-01', 16, true];
    }

    #[DataProvider('births')]
    public function testAgeIsCountedInWholeYears(string $born, string $on, int $age, bool $growing): void
    {
        self::assertSame($age, Growth::ageOn(Day::fromIso($born), Day::fromIso($on)));
        self::assertSame($growing, Growth::isGrowing(Day::fromIso($born), Day::fromIso($on)));
    }

    public function testWithoutADateOfBirthNothingIsAsked(): void
    {
        self::assertFalse(Growth::isGrowing(null, Day::fromIso('2026-04-14')));
    }

    /** Whoever was born later is never older; a year later everybody is one older; growing ends once. */
    public function testAgeGoesWithTime(): void
    {
        $random = new Randomizer(new Mt19937(2008));
        for ($i = 0; $i < 500; $i++) {
            $born = Day::fromIso('1990-01-01')->plus($random->getInt(0, 9000));
            $on = $born->plus($random->getInt(0, 12_000));
            $age = Growth::ageOn($born, $on);
            $why = "born {$born->toIso()}, on {$on->toIso()}";
            self::assertGreaterThanOrEqual(0, $age, $why);
            self::assertLessThanOrEqual(
                $age,
                Growth::ageOn($born->plus($random->getInt(0, $on->daysSince($born))), $on),
                $why,
            );
            self::assertContains(Growth::ageOn($born, $on->plus(365)), [$age, $age + 1], $why);
            self::assertContains(Growth::ageOn($born, $on->plus(366)), [$age + 1, $age + 2], $why);
            self::assertSame($age < 18, Growth::isGrowing($born, $on), $why);
        }
    }
}
