<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\LighterWeek;
use Rung\Core\Time\Day;

/** docs/rules.md, "Weeks": what a lighter week leaves out. Day 0 is Monday 13 April 2026. */
final class LighterWeekTest extends TestCase
{
    private const MONDAY = '2026-04-13';

    /** @return iterable<string, array{list<array{string, int, 2?: bool}>, int, list<string>}> sessions as slot and day, and whether they stay; percent; what is left out */
    public static function lighter(): iterable
    {
        yield 'the middle one of three' => [[['slow', 0], ['slow', 2], ['slow', 4]], 33, ['1']];
        yield 'every second' => [[['slow', 0], ['slow', 2], ['slow', 4], ['slow', 6]], 50, ['1', '3']];
        yield 'one stays' => [[['slow', 0], ['slow', 2]], 80, ['1']];
        yield 'a single one stays' => [[['slow', 3]], 80, []];
        yield 'each kind by itself' => [[['slow', 0], ['hold', 1], ['slow', 2], ['hold', 3]], 50, ['2', '3']];
        yield 'another week is left alone' => [[['slow', 0], ['slow', 7], ['slow', 9]], 50, []];
        yield 'what is done stays' => [[['slow', 0, true], ['slow', 2, true], ['slow', 4]], 50, ['2']];
        yield 'and is never left out' => [[['slow', 0, true], ['slow', 2, true]], 50, []];
    }

    /**
     * @param list<array{string, int, 2?: bool}> $sessions
     * @param list<string> $out
     */
    #[DataProvider('lighter')]
    public function testALighterWeekLeavesAShareOfEachKindOut(array $sessions, int $percent, array $out): void
    {
        $booked = array_map(
            static fn(array $session, int $i): Booked => new Booked(
                (string) $i,
                Day::fromIso(self::MONDAY)->plus($session[1]),
                $session[0],
                $session[2] ?? false,
            ),
            $sessions,
            array_keys($sessions),
        );
        self::assertSame(
            $out,
            array_map(
                static fn(Booked $session): string => $session->id,
                LighterWeek::leaveOut($booked, Day::fromIso(self::MONDAY)->plus(3), $percent),
            ),
        );
    }

    public function testALighterWeekIsNeverEmptyAndNeverTouchesWhatIsDone(): void
    {
        $random = new Randomizer(new Mt19937(17));
        for ($i = 0; $i < 300; $i++) {
            $booked = [];
            for ($n = $random->getInt(1, 12); $n > 0; $n--) {
                $booked[] = new Booked(
                    "s$n",
                    Day::fromIso(self::MONDAY)->plus($random->getInt(0, 6)),
                    ['slow', 'hold', 'spring'][$random->getInt(0, 2)],
                    $random->getInt(0, 3) === 0,
                );
            }
            $out = LighterWeek::leaveOut(
                $booked,
                Day::fromIso(self::MONDAY),
                $random->getInt(LighterWeek::LEAST_PERCENT, LighterWeek::MOST_PERCENT),
            );
            self::assertSame([], array_filter($out, static fn(Booked $session): bool => $session->fixed));
            self::assertSame(
                count($out),
                count(array_unique(array_map(static fn(Booked $session): string => $session->id, $out))),
                'each once',
            );
            $stays = array_filter($booked, static fn(Booked $session): bool => !in_array($session, $out, true));
            self::assertEqualsCanonicalizing(
                array_unique(array_column($booked, 'slot')),
                array_unique(array_column($stays, 'slot')),
                'of each kind something stays',
            );
        }
    }
}
