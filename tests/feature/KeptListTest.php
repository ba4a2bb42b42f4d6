<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Care\Advice;
use App\Models\CareCase;
use InvalidArgumentException;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;

/** The columns of a case that hold lists of the core's values. */
final class KeptListTest extends TestCase
{
    private const SHOW = ['on' => '2026-04-18', 'what' => 'Show', 'minutes' => 60, 'effort' => 8];

    public function testValuesAreStoredAsTheCaseFileWritesThem(): void
    {
        $case = new CareCase();
        $case->forceFill([
            'available' => [Weekday::Monday, Weekday::Friday],
            'events' => [Day::fromIso('2026-04-18')],
            'blocked' => [],
            'expected_sport' => [new ExpectedSport(Day::fromIso('2026-04-18'), 'Show', 60, 8)],
        ]);
        self::assertSame(
            [
                'available' => '["mon","fri"]',
                'events' => '["2026-04-18"]',
                'blocked' => '[]',
                'expected_sport' => '[' . json_encode(self::SHOW) . ']',
            ],
            $case->getAttributes(),
        );
    }

    public function testWhatIsStoredComesBackAsValues(): void
    {
        $case = new CareCase();
        $case->setRawAttributes([
            'available' => '["sun"]',
            'events' => '["2026-04-18","2026-05-02"]',
            'expected_sport' => '[' . json_encode(self::SHOW) . ']',
        ]);
        self::assertSame([Weekday::Sunday], $case->available);
        self::assertEquals([Day::fromIso('2026-04-18'), Day::fromIso('2026-05-02')], $case->events);
        self::assertEquals([new ExpectedSport(Day::fromIso('2026-04-18'), 'Show', 60, 8)], $case->expected_sport);
    }

    public function testAdviceStandsUntilItsLastDayIsOver(): void
    {
        $case = new CareCase();
        $case->forceFill([
            'advice' => [
                new Advice('Half of the jumps', Day::fromIso('2026-04-10'), Day::fromIso('2026-04-18')),
                new Advice('No deep squats', Day::fromIso('2026-04-10'), null),
            ],
        ]);
        self::assertStringEndsWith(
            ',{"words":"No deep squats","from":"2026-04-10","until":null}]',
            self::stored($case, 'advice'),
        );
        self::assertSame(
            ['Half of the jumps', 'No deep squats'],
            Advice::standing($case->advice, Day::fromIso('2026-04-18')),
        );
        self::assertSame(['No deep squats'], Advice::standing($case->advice, Day::fromIso('2026-04-19')));
    }

    public function testWhatAnUndoKeptIsPutBack(): void
    {
        $case = new CareCase();
        $case->forceFill(['events' => ['2026-04-18'], 'expected_sport' => [self::SHOW]]);
        self::assertEquals([Day::fromIso('2026-04-18')], $case->events);
        self::assertSame('Show', $case->expected_sport[0]->what);
    }

    #[TestWith(['events', ['2026-02-30']])]
    #[TestWith(['events', [5]])]
    #[TestWith(['events', '2026-04-18'])]
    #[TestWith(['expected_sport', ['2026-04-18']])]
    public function testWhatIsNoListOfThemIsRefused(string $column, mixed $value): void
    {
        $this->expectException(InvalidArgumentException::class);
        (new CareCase())->forceFill([$column => $value]);
    }

    public function testSportOutOfItsBoundsIsRefusedByTheCore(): void
    {
        $this->expectException(InvalidInput::class);
        (new CareCase())->forceFill(['expected_sport' => [['effort' => 11] + self::SHOW]]);
    }

    private static function stored(CareCase $case, string $column): string
    {
        $value = $case->getAttributes()[$column] ?? null;
        self::assertIsString($value);

        return $value;
    }
}
