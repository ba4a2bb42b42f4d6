<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Dose\Dose;
use Rung\Core\Input\Json;
use Rung\Core\Prescribe\DoseSense;
use Rung\Core\Strength\TestSense;

/** What nobody can mean to prescribe or to have measured is a fault at its field. */
final class SenseTest extends TestCase
{
    /** @return iterable<string, array{array<string, mixed>, list<string>}> fields of a dose, and which are at fault */
    public static function doses(): iterable
    {
        yield 'as usual' => [['load_kg' => 40, 'range' => ['from_deg' => 10, 'to_deg' => 60]], []];
        yield 'the heaviest' => [['load_kg' => 500], []];
        yield 'a slip of the key' => [['load_kg' => 1_000_000_000], ['load_kg']];
        yield 'a little over' => [['load_kg' => 500.5], ['load_kg']];
        yield 'a joint that turns round' => [['range' => ['from_deg' => 10, 'to_deg' => 400]], ['range/to_deg']];
        yield 'backwards' => [['range' => ['from_deg' => 95, 'to_deg' => 60]], ['range/to_deg']];
        yield 'no way at all' => [['range' => ['from_deg' => 60, 'to_deg' => 60]], ['range/to_deg']];
        yield 'beyond straight' => [['range' => ['from_deg' => -10, 'to_deg' => 60]], []];
        yield 'both ends' => [['range' => ['from_deg' => -100, 'to_deg' => 300]], ['range/from_deg', 'range/to_deg']];
        yield 'a tower' => [['height_cm' => 900], ['height_cm']];
        yield 'a rest of a day' => [['rest_s' => 86400], ['rest_s']];
        yield 'work of a day' => [['work_s' => 86400], ['work_s']];
    }

    /**
     * @param array<string, mixed> $fields
     * @param list<string> $expected
     */
    #[DataProvider('doses')]
    public function testADoseIsHeldToWhatABodyCanDo(array $fields, array $expected): void
    {
        $dose = Json::read((string) json_encode($fields + ['sets' => 3, 'reps' => 8, 'rest_s' => 60]), Dose::read(...));
        self::assertSame($expected, array_keys(DoseSense::faults($dose)));
    }

    public function testEveryDoseThatIsShippedMakesSense(): void
    {
        foreach (Support::catalogue()->exercises as $exercise) {
            self::assertSame([], DoseSense::faults($exercise->dose), $exercise->key);
        }
        foreach (Support::catalogue()->programmes as $programme) {
            foreach ($programme->plan->prescriptions() as $prescription) {
                self::assertSame([], DoseSense::faults($prescription->dose), "$programme->key $prescription->key");
            }
        }
    }

    public function testTwoSidesOfATestAreOnePerson(): void
    {
        self::assertNull(TestSense::fault(300, 400));
        self::assertNull(TestSense::fault(0, 400), 'a side that can do nothing is no slip');
        self::assertNull(TestSense::fault(20, 400));
        self::assertStringContainsString('19.9 and 400', (string) TestSense::fault(19.9, 400));
        self::assertNotNull(TestSense::fault(99999, 1), 'a symmetry of 9,999,900 %');
        $chance = new Randomizer(new Mt19937(7));
        for ($i = 0; $i < 500; $i++) {
            [$a, $b] = [$chance->getInt(1, 500), $chance->getInt(1, 500)];
            self::assertSame(
                TestSense::fault($a, $b) === null,
                TestSense::fault($b, $a) === null,
                'whichever side it is',
            );
            self::assertSame(max($a, $b) <= 20 * min($a, $b), TestSense::fault($a, $b) === null);
        }
    }
}
