<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Measuring\Attempt;
use Rung\Core\Measuring\Meaning;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasureGate;
use Rung\Core\Measuring\Measurement;
use Rung\Core\Measuring\MeasureSense;
use Rung\Core\Measuring\Taken;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;
use Rung\Core\Time\Day;
use Rung\Core\Words\MeasureWords;

/** docs/rules.md, "Measures" and "Measures over time". */
final class MeasuringTest extends TestCase
{
    /** @return iterable<string, array{string, int|float, Meaning}> around 300 N, of which 15 % are 45 */
    public static function changes(): iterable
    {
        yield 'just enough' => ['knee_extension_strength', 345, Meaning::Better];
        yield 'just too little' => ['knee_extension_strength', 344.9, Meaning::Noise];
        yield 'worse' => ['knee_extension_strength', 255, Meaning::Worse];
        yield 'nothing' => ['knee_extension_strength', 300, Meaning::Noise];
        yield 'a count by its own step' => ['heel_raise_count', 304, Meaning::Better];
        yield 'a count within it' => ['heel_raise_count', 303, Meaning::Noise];
    }

    #[DataProvider('changes')]
    public function testAChangeIsShownFromTheNoise(string $key, int|float $second, Meaning $meaning): void
    {
        $course = self::course($key, [['2026-01-05', 300, 400], ['2026-02-02', $second, 400]]);
        self::assertSame($meaning, $course->latest()?->meaning);
        self::assertNull($course->points[0]->meaning);
    }

    public function testWhereLessIsBetterAFallIsBetter(): void
    {
        $measure = Measure::score('distress', 'Distress', 0, 100, false, 10);
        $course = MeasureCourse::build(
            $measure,
            array_map(
                static fn(array $row): Taken => Taken::ofOutcome(
                    new Outcome('distress', Day::fromIso($row[0]), $row[1]),
                ),
                [['2026-02-02', 40], ['2026-01-05', 60]],
            ),
            false,
            null,
        );
        self::assertSame(Meaning::Better, $course->latest()?->meaning, 'they are put in order by their days');
        self::assertNull($course->latest()->symmetryPercent);
        self::assertSame(
            '−33.3 % since Mon 5 Jan: better, by more than the noise of the measure (10 points).',
            MeasureWords::course($course),
        );
    }

    public function testSwappingTheSidesTurnsTheSymmetryOver(): void
    {
        for ($affected = 50; $affected <= 500; $affected += 50) {
            $straight =
                self::course('knee_extension_strength', [['2026-01-05', $affected, 300]])->latest()->symmetryPercent ??
                0;
            $swapped =
                self::course('knee_extension_strength', [['2026-01-05', 300, $affected]])->latest()->symmetryPercent ??
                0;
            self::assertEqualsWithDelta(10_000, $straight * $swapped, 1e-6);
            $both = self::course('knee_extension_strength', [['2026-01-05', $affected, 300]], true)->latest();
            self::assertEqualsWithDelta(
                (100 * min($affected, 300)) / max($affected, 300),
                $both->symmetryPercent ?? 0,
                1e-9,
            );
            self::assertEqualsWithDelta(min($affected, 300) / 70, $both->perKg ?? 0, 1e-9);
        }
    }

    public function testFromNothingNoPercentIsShown(): void
    {
        $course = self::course('heel_raise_count', [['2026-01-05', 0, 20], ['2026-02-02', 8, 20]]);
        self::assertNull($course->latest()?->changePercent);
        self::assertSame(
            'Sore side +8 repetitions since Mon 5 Jan: better, by more than the noise of the measure (4 repetitions).',
            MeasureWords::course($course),
        );
        self::assertNull($course->points[1]->perKg, 'repetitions say nothing by the kilogram');
        self::assertSame('Not measured yet.', MeasureWords::course(self::course('heel_raise_count', [])));
        self::assertSame(
            'Measured once, on Mon 5 Jan.',
            MeasureWords::course(self::course('heel_raise_count', [['2026-01-05', 0, 20]])),
        );
        self::assertNull(self::course('heel_raise_count', [])->noise());
        self::assertSame(
            ['low' => 255, 'high' => 345],
            self::course('knee_extension_strength', [['2026-01-05', 300, 400]])->noise(),
        );
    }

    /** @return iterable<string, array{string, string, int|float|null, bool, string|null}> the last test is of 2 March */
    public static function gates(): iterable
    {
        $symmetry = '{"type": "symmetry", "test": "knee_extension_strength", "min_percent": 90, "within_days": 28}';
        yield 'on its last day' => [$symmetry, '2026-03-29', 378, false, null];
        yield 'a day later' => [$symmetry, '2026-03-30', 378, true, 'last 28 days ago; the gate needs one within 28'];
        yield 'a value' => [
            '{"type": "test_value", "test": "knee_extension_strength", "min": 350}',
            '2026-03-10',
            350,
            false,
            null,
        ];
        yield 'a change since the first' => [
            '{"type": "test_change", "test": "knee_extension_strength", "min_percent": 20}',
            '2026-03-10',
            360,
            false,
            null,
        ];
    }

    #[DataProvider('gates')]
    public function testTheGateTellsWhatToReachAndWhenItIsDue(
        string $criterion,
        string $today,
        int|float|null $toReach,
        bool $due,
        ?string $words,
    ): void {
        $gate = MeasureGate::judge(
            self::criterion($criterion),
            self::course('knee_extension_strength', [['2026-01-05', 300, 400], ['2026-03-02', 330, 420]]),
            Day::fromIso($today),
        );
        self::assertEqualsWithDelta($toReach, $gate->toReach, 1e-9);
        self::assertSame($due, $gate->isDue);
        self::assertSame($words, MeasureWords::due($gate));
    }

    public function testWhatWasNeverMeasuredIsDue(): void
    {
        $gate = MeasureGate::judge(
            self::criterion('{"type": "symmetry", "test": "knee_extension_strength", "min_percent": 90}'),
            self::course('knee_extension_strength', []),
            Day::fromIso('2026-03-02'),
        );
        self::assertTrue($gate->isDue);
        self::assertNull($gate->toReach);
        self::assertSame('never measured; the gate needs one within 28 days', MeasureWords::due($gate));
        // Where both sides are affected the weaker one is measured against the stronger.
        $both = MeasureGate::judge(
            self::criterion('{"type": "symmetry", "test": "knee_extension_strength", "min_percent": 90}'),
            self::course('knee_extension_strength', [['2026-03-01', 400, 300]], true),
            Day::fromIso('2026-03-02'),
        );
        self::assertEqualsWithDelta(360, $both->toReach, 1e-9);
    }

    public function testTheGripIsComparedBentAgainstStraight(): void
    {
        $ratio = Support::catalogue()->measure('grip_strength')->ratio;
        self::assertNotNull($ratio);
        $bent = self::course('grip_strength', [['2026-03-01', 330, 400]]);
        self::assertSame(
            '+10 % against Grip strength, elbow straight; 5 to 10 % is usual.',
            MeasureWords::ratio($bent, self::course('grip_strength_straight', [['2026-03-01', 300, 400]]), $ratio),
        );
        self::assertStringContainsString(
            'both have to be measured',
            MeasureWords::ratio($bent, self::course('grip_strength_straight', []), $ratio),
        );
    }

    public function testProposalsFollowStructureAndStage(): void
    {
        $proposed = static fn(Structure $structure, ?Mode $stage): array => array_keys(
            array_filter(
                Support::catalogue()->measures,
                static fn(Measure $measure): bool => $measure->isProposedFor($structure, $stage),
            ),
        );
        $early = $proposed(Structure::PatellarTendon, Mode::Isometric);
        $springs = $proposed(Structure::PatellarTendon, Mode::Plyometric);
        self::assertContains('knee_extension_strength', $early);
        self::assertNotContains('hop_distance', $early, 'nobody hops in the stage of holds');
        self::assertNotContains('leg_press_maximum', $early);
        self::assertContains('leg_press_maximum', $proposed(Structure::PatellarTendon, Mode::Eccentric));
        self::assertContains('hop_distance', $springs);
        self::assertContains('hop_distance', $proposed(Structure::PatellarTendon, Mode::Sport));
        self::assertNotContains('grip_strength', $springs);
        foreach (Structure::cases() as $structure) {
            self::assertContains(
                Support::catalogue()->structure($structure)->strengthTest,
                $proposed($structure, null),
                $structure->value,
            );
        }
    }

    public function testTheBestTryCountsAndAStruckOneStays(): void
    {
        $measurement = self::measurement(
            '{"measure": "knee_extension_strength", "on": "2026-03-02", "affected": [{"value": 300}, {"value": 900, "struck": true}, {"value": 31, "unit": "kg"}], "unaffected": [{"value": 100, "unit": "lb"}], "lever_m": 0.32, "joint_angle": " knee at 30° "}',
        );
        self::assertSame(304, $measurement->ofAffected()->best ?? null);
        self::assertSame(444.8, $measurement->ofUnaffected()->best ?? null);
        self::assertSame([], $measurement->faults());
        self::assertSame(['value' => 900, 'struck' => true], self::tries($measurement)[1]);
        self::assertSame([0.32, 'knee at 30°'], [$measurement->leverM, $measurement->jointAngle]);
    }

    public function testAMaximumIsWorkedOutFromASet(): void
    {
        $measurement = self::measurement(
            '{"measure": "leg_press_maximum", "on": "2026-03-02", "affected": [{"load_kg": 80, "reps": 6, "rir": 2}], "unaffected": [{"load_kg": 100, "reps": 1}]}',
        );
        self::assertSame(101.3, $measurement->ofAffected()->best ?? null);
        self::assertSame(100, $measurement->ofUnaffected()->best ?? null);
        self::assertSame(
            110,
            self::measurement(
                '{"measure": "leg_press_maximum", "on": "2026-03-02", "affected": [{"value": 110, "unit": "kg"}]}',
            )->ofAffected()->best ?? null,
            'one that is known already',
        );
        self::assertSame(['value' => 101.3, 'load_kg' => 80, 'reps' => 6, 'rir' => 2], self::tries($measurement)[0]);
    }

    public function testACurveCountsOnceItsPeakIsLookedUp(): void
    {
        $measurement = self::measurement(
            '{"measure": "knee_extension_strength", "on": "2026-03-02", "affected": [{"curve": "a"}, {"curve": "b"}], "unaffected": [{"value": 300}]}',
        );
        self::assertSame(['affected' => 'must hold a try that counts'], $measurement->faults());
        $peaks = static fn(Attempt $try): Attempt => $try->curve === null
            ? $try
            : $try->withValue(['a' => 280.5, 'b' => 290][$try->curve] ?? 0);
        $found = $measurement->withCurves($peaks, $peaks);
        self::assertSame(290, $found->ofAffected()->best ?? null);
        self::assertSame(['value' => 280.5, 'curve' => 'a'], self::tries($found)[0]);
    }

    /** @return iterable<string, array{string, string}> */
    public static function bad(): iterable
    {
        yield 'a measure that is none' => [
            '{"measure": "luck", "on": "2026-03-02", "affected": []}',
            '/measure must be a measure of the library',
        ];
        yield 'a lever of nothing' => [
            '{"measure": "knee_extension_strength", "on": "2026-03-02", "affected": [], "lever_m": 0}',
            '/lever_m must be over 0',
        ];
        yield 'a lever of a count' => [
            '{"measure": "heel_raise_count", "on": "2026-03-02", "affected": [], "lever_m": 0.3}',
            '/lever_m belongs to a force alone',
        ];
        yield 'two sides of one' => [
            '{"measure": "hip_squeeze_long", "on": "2026-03-02", "affected": [{"value": 200}], "unaffected": [{"value": 200}]}',
            '/unaffected must be left out',
        ];
        yield 'beyond anybody' => [
            '{"measure": "heel_raise_count", "on": "2026-03-02", "affected": [{"value": 201}]}',
            '/affected/0/value must be from 0 to 200 repetitions',
        ];
        yield 'kilograms beyond anybody' => [
            '{"measure": "knee_extension_strength", "on": "2026-03-02", "affected": [{"value": 600, "unit": "kg"}]}',
            '/affected/0/value must be from 0 to 5000 N',
        ];
        yield 'too many repetitions' => [
            '{"measure": "leg_press_maximum", "on": "2026-03-02", "affected": [{"load_kg": 40, "reps": 18, "rir": 3}]}',
            '/affected/0/reps and those in reserve must be 20 together at most',
        ];
        yield 'another unit' => [
            '{"measure": "heel_raise_count", "on": "2026-03-02", "affected": [{"value": 20, "unit": "kg"}]}',
            '/affected/0/unit must be repetitions for this measure',
        ];
        yield 'a curve of a count' => [
            '{"measure": "heel_raise_count", "on": "2026-03-02", "affected": [{"curve": "a"}]}',
            '/affected/0/curve belongs to a force alone',
        ];
        yield 'tries without end' => [
            '{"measure": "heel_raise_count", "on": "2026-03-02", "affected": [' .
            implode(',', array_fill(0, 13, '{"value": 20}')) .
            ']}',
            '/affected must hold at most 12 tries',
        ];
    }

    #[DataProvider('bad')]
    public function testBadMeasurementsAreRefusedAtTheirField(string $json, string $fault): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessage($fault);
        self::measurement($json);
    }

    /** @return iterable<string, array{string, array<string, string>}> */
    public static function incomplete(): iterable
    {
        yield 'one side alone' => ['"affected": [{"value": 20}]', ['unaffected' => 'must hold a try that counts']];
        yield 'all struck' => [
            '"affected": [{"value": 20, "struck": true}], "unaffected": [{"value": 20}]',
            ['affected' => 'must hold a try that counts'],
        ];
        yield 'nothing to compare with' => [
            '"affected": [{"value": 20}], "unaffected": [{"value": 0}]',
            ['unaffected' => 'must be over 0'],
        ];
        yield 'a slip of a key' => [
            '"affected": [{"value": 2}], "unaffected": [{"value": 41}]',
            ['affected' => 'must be within 20 times'],
        ];
    }

    /** @param array<string, string> $faults */
    #[DataProvider('incomplete')]
    public function testWhatIsNotCompleteIsNotKept(string $json, array $faults): void
    {
        $found = self::measurement('{"measure": "heel_raise_count", "on": "2026-03-02", ' . $json . '}')->faults();
        self::assertSame(array_keys($faults), array_keys($found));
        self::assertStringContainsString(implode($faults), implode($found));
    }

    /** @return iterable<string, array{int|float, int|float, string|null}> after 310 and 400 N */
    public static function odd(): iterable
    {
        yield 'as before' => [320, 405, null];
        yield 'swapped' => [402, 308, 'Are the sides swapped?'];
        yield 'the other side fell behind' => [330, 300, null];
        yield 'read in kilograms' => [32, 41, 'was that read in kilograms?'];
        yield 'read in pounds' => [70, 90, 'was that read in pounds?'];
        yield 'three times as much' => [930, 1200, 'is that right?'];
        yield 'nearly three times' => [929, 1200, null];
        yield 'a ninth would be kilograms' => [36, 400, 'was that read in kilograms?'];
    }

    #[DataProvider('odd')]
    public function testOddValuesAreAskedAbout(int|float $affected, int|float $unaffected, ?string $question): void
    {
        $measurement = self::measurement(
            '{"measure": "knee_extension_strength", "on": "2026-03-02", "affected": [{"value": ' .
                $affected .
                '}], "unaffected": [{"value": ' .
                $unaffected .
                '}]}',
        );
        $asked = MeasureSense::questions(
            $measurement,
            self::course('knee_extension_strength', [['2026-02-02', 310, 400]]),
        );
        if ($question === null) {
            self::assertSame([], $asked);
        } else {
            self::assertStringContainsString($question, $asked[0] ?? '');
        }
        self::assertSame(
            [],
            MeasureSense::questions($measurement, self::course('knee_extension_strength', [])),
            'the first has nothing to be odd against',
        );
    }

    /** @param list<array{string, int|float, int|float}> $taken */
    private static function course(string $key, array $taken, bool $bothSides = false): MeasureCourse
    {
        $measure = Support::catalogue()->measure($key);

        return MeasureCourse::build(
            $measure,
            array_map(
                static fn(array $row): Taken => Taken::ofTest(
                    new StrengthTest($key, Day::fromIso($row[0]), $row[1], $row[2], $measure->unit),
                ),
                $taken,
            ),
            $bothSides,
            70,
        );
    }

    private static function criterion(string $json): OverTest
    {
        $criterion = Json::read($json, Criterion::read(...));
        self::assertInstanceOf(OverTest::class, $criterion);

        return $criterion;
    }

    /** @return array<array-key, mixed> of the sore side, as they are kept */
    private static function tries(Measurement $measurement): array
    {
        $tries = $measurement->details()['affected'];
        self::assertIsArray($tries);

        return $tries;
    }

    private static function measurement(string $json): Measurement
    {
        $measures = Support::catalogue()->measures;

        return Json::read(
            $json,
            static fn(ObjectNode $node): Measurement => Measurement::read(
                $node,
                static fn(string $key): ?Measure => $measures[$key] ?? null,
            ),
        );
    }
}
