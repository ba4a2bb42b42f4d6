<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Attention\ReminderKind;
use Rung\Core\Attention\Reminders;

/** What a phone is reminded of, and when. */
final class RemindersTest extends TestCase
{
    /** @return iterable<string, array{int, bool, int, bool, list<ReminderKind>}> now, morning open, sessions open, stopped, due */
    public static function moments(): iterable
    {
        yield 'before its time' => [7 * 60 + 29, true, 1, false, []];
        yield 'at its time' => [7 * 60 + 30, true, 1, false, [ReminderKind::Morning]];
        yield 'answered already' => [8 * 60, false, 1, false, []];
        yield 'as long as it helps' => [10 * 60 + 29, true, 0, false, [ReminderKind::Morning]];
        yield 'later it would only blame' => [10 * 60 + 30, true, 0, false, []];
        yield 'the session at its own time' => [17 * 60, true, 2, false, [ReminderKind::Session]];
        yield 'done' => [17 * 60, true, 0, false, []];
        yield 'a stop asks for nothing' => [17 * 60, true, 2, true, []];
        yield 'nor in the morning' => [8 * 60, true, 2, true, []];
    }

    /** @param list<ReminderKind> $due */
    #[DataProvider('moments')]
    public function testWhatIsDue(int $now, bool $morning, int $sessions, bool $stopped, array $due): void
    {
        self::assertSame($due, (new Reminders(7 * 60 + 30, 17 * 60))->due($now, $morning, $sessions, $stopped));
    }

    public function testWhoChoseNoTimeIsNotReminded(): void
    {
        for ($now = 0; $now < 1440; $now += 30) {
            self::assertSame([], (new Reminders(null, null))->due($now, true, 3, false));
        }
    }

    public function testBothAtOnceWhereTheirTimesMeet(): void
    {
        self::assertSame(
            [ReminderKind::Morning, ReminderKind::Session],
            (new Reminders(480, 540))->due(545, true, 1, false),
        );
    }

    public function testALockedScreenTellsNothingOfWhatIsTreated(): void
    {
        foreach (ReminderKind::cases() as $kind) {
            $words = mb_strtolower($kind->words('Ropewalk Circus School'));
            foreach (['tendon', 'pain', 'knee', 'physio', 'injur', 'therap', 'sore'] as $revealing) {
                self::assertStringNotContainsString($revealing, $words);
            }
            self::assertLessThan(200, mb_strlen($words));
        }
    }
}
