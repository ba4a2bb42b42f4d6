<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Table\DateForm;
use Rung\Core\Table\Sheet;
use Rung\Core\Table\SheetKind;
use Rung\Core\Table\SheetMatch;
use Rung\Core\Table\SheetRow;

/** A spreadsheet comes in as text: its columns are matched by name, its dates by what they can mean (docs/formats/tables.md). */
final class SheetTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function forms(): iterable
    {
        yield 'commas' => ["Date,Morning test\r\n2026-03-02,3\r\n2026-03-03,2\r\n"];
        yield 'semicolons' => ["Date;Morning test\n2026-03-02;3\n2026-03-03;2"];
        yield 'tabs' => ["Date\tMorning test\n2026-03-02\t3\n2026-03-03\t2\n"];
        yield 'a mark at the start, quotes and empty lines' => [
            "\u{FEFF}\"Date\",\"Morning test\"\n\n\"2026-03-02\",3\n,\n2026-03-03,\"2\"\n",
        ];
        yield 'more and fewer cells than columns' => ["Date,Morning test,Notes\n2026-03-02,3\n2026-03-03,2,,beyond\n"];
    }

    #[DataProvider('forms')]
    public function testATableIsReadHoweverItIsWritten(string $text): void
    {
        $match = SheetMatch::match(Sheet::read($text), SheetKind::Mornings);
        self::assertSame(['on' => 0, 'provocation' => 1], array_slice($match->columns, 0, 2));
        self::assertSame(
            [['2026-03-02', 3], ['2026-03-03', 2]],
            array_values(
                array_map(
                    static fn(SheetRow $row): array => [
                        $row->day('on')?->toIso(),
                        $row->whole('provocation', 'the test', 0, 10),
                    ],
                    $match->rows(),
                ),
            ),
        );
    }

    public function testARowKeepsItsLine(): void
    {
        self::assertSame([4, 6], array_keys(Sheet::read("\nDate,Test\n\n2026-03-02,3\n\n2026-03-03,2\n")->rows));
        $sheet = Sheet::read("Date,Notes\r\n2026-03-02,\"two\r\nlines, and a \"\"quote\"\"\"\r\n2026-03-03,one\r\n");
        self::assertSame([2, 4], array_keys($sheet->rows), 'a cell in quotes goes on over lines');
        self::assertSame(["two\nlines, and a \"quote\"", 'one'], $sheet->cells(1));
    }

    public function testColumnsAreFoundByTheirNamesAndByNoOther(): void
    {
        $columns = static fn(SheetKind $kind, string $head): array => SheetMatch::match(
            Sheet::read("$head\n" . str_repeat(',', substr_count($head, ',')) . 'x'),
            $kind,
        )->columns;
        self::assertSame(
            ['on' => 1, 'exercise' => 0, 'sets' => 2, 'reps' => 3, 'load_kg' => 4, 'pain' => 5],
            $columns(SheetKind::Exercises, 'Exercise,Date,Sets,Reps,Load (kg),Pain 0-10'),
        );
        self::assertSame(
            ['on' => 0, 'minutes' => 1, 'effort' => 2],
            $columns(SheetKind::Practice, 'Day,Duration (min),RPE,Weather'),
        );
        self::assertSame(
            ['on' => 1, 'measure' => 0, 'affected' => 2, 'unaffected' => 3],
            $columns(SheetKind::Tests, 'Test,On,Affected,Unaffected'),
        );
        // What our own tables are called is known.
        self::assertSame(
            ['on' => 4, 'provocation' => 5, 'stiffness_min' => 6, 'notes' => 8],
            $columns(SheetKind::Mornings, 'case,athlete,structure,side,at,provocation,stiffness_min,signs,notes'),
        );
        $match = SheetMatch::match(Sheet::read("a,b\n1,2"), SheetKind::Mornings);
        self::assertSame(['on', 'provocation'], array_column($match->missing(), 'key'));
        self::assertSame(
            [],
            SheetMatch::match($match->sheet, SheetKind::Mornings, [
                'on' => 0,
                'provocation' => 1,
                'notes' => null,
            ])->missing(),
        );
    }

    public function testDatesAreReadTheOneWayInWhichAllOfThemMakeSense(): void
    {
        self::assertSame([DateForm::DayFirst], DateForm::fitting(['14/3/2026', '02/03/2026']));
        self::assertSame([DateForm::MonthFirst], DateForm::fitting(['3/14/2026', '02/03/2026']));
        self::assertSame([DateForm::YearFirst], DateForm::fitting(['2026-03-14', '2026-03-02T07:00:00+00:00']));
        self::assertSame(
            [DateForm::DayFirst, DateForm::MonthFirst],
            DateForm::fitting(['02/03/2026', '04.05.26']),
            'either can be meant: a person is asked',
        );
        self::assertSame([], DateForm::fitting(['14/3/2026', '3/14/2026']));
        self::assertSame('2026-03-02', DateForm::DayFirst->day('2.3.26')?->toIso());
        self::assertSame('2026-02-03', DateForm::MonthFirst->day('2.3.26')?->toIso());
        foreach (['', 'Monday', '31/02/2026', '2026-13-01', '1/1', '12345-01-01', '02/03/2026x'] as $none) {
            self::assertSame([], DateForm::fitting([$none]), $none);
        }
    }

    /** Whatever day it is, it is read back from every form that can write it. */
    public function testEveryDayIsReadBack(): void
    {
        foreach (range(20_000, 21_500, 7) as $number) {
            $day = \Rung\Core\Time\Day::fromNumber($number);
            [$y, $m, $d] = explode('-', $day->toIso());
            foreach (
                [
                    [DateForm::YearFirst, "$y-$m-$d"],
                    [DateForm::YearFirst, "$y/" . (int) $m . '/' . (int) $d],
                    [DateForm::DayFirst, "$d.$m.$y"],
                    [DateForm::DayFirst, (int) $d . '/' . (int) $m . '/' . substr($y, 2)],
                    [DateForm::MonthFirst, "$m/$d/$y"],
                ]
                as [$form, $text]
            ) {
                self::assertSame($day->toIso(), $form->day($text)?->toIso(), $text);
            }
        }
    }

    public function testNumbersAreReadWithCommaAndUnitAndFaultsSayWhatStandsThere(): void
    {
        $row = new SheetRow(
            ['a' => '2,5 kg', 'b' => '40', 'c' => '11', 'd' => 'much', 'e' => '2.5', 'f' => ''],
            DateForm::YearFirst,
        );
        self::assertSame(2.5, $row->number('a', 'load', 0, 100));
        self::assertSame(40, $row->number('b', 'load', 0, 100));
        self::assertNull($row->faults());
        self::assertNull($row->whole('c', 'the test', 0, 10));
        self::assertNull($row->whole('d', 'effort', 0, 10));
        self::assertNull($row->whole('e', 'pain', 0, 10));
        self::assertNull($row->whole('f', 'minutes', 0, 10, true));
        self::assertNull($row->day('f'));
        self::assertSame(
            'The test must be from 0 to 10, and is 11; effort: “much” is no number; pain must be a whole number, and is 2.5; minutes is missing; the day is missing.',
            $row->faults(),
        );
    }

    public function testWhatIsNoTableIsRefused(): void
    {
        foreach (
            [
                '' => 'must hold a line with the names',
                'Date,Test' => 'must hold a line with the names',
                "Date,Test\n\xff,3" => 'is not UTF-8',
                "Date\0,Test\na,b" => 'is not UTF-8',
                "Date,Test\n" . str_repeat("2026-03-02,3\n", Sheet::MOST_ROWS + 1) => 'more than 1000 rows',
                str_repeat('a,', 41) . "b\n1" => 'more than 40 columns',
                "Date,Notes\n2026-03-02," . str_repeat('x', 2001) => 'in line 2',
            ]
            as $text => $words
        ) {
            try {
                Sheet::read((string) $text);
                self::fail($words);
            } catch (InvalidInput $refused) {
                self::assertStringContainsString($words, $refused->faults[0]->message);
            }
        }
        $this->expectException(InvalidInput::class);
        SheetMatch::match(Sheet::read("a,b\n1,2"), SheetKind::Mornings, ['on' => 7]);
    }
}
