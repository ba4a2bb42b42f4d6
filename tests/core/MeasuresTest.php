<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Input\Json;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;
use Rung\Core\Start\Trial;
use Rung\Core\Time\Day;
use Rung\Core\Words\VisitWords;

/** docs/rules.md, "Measures". */
final class MeasuresTest extends TestCase
{
    public function testEveryStructureIsMeasuredOnBothSidesAndEachMeasureOnce(): void
    {
        foreach (Structure::cases() as $structure) {
            $info = Support::catalogue()->structure($structure);
            $keys = array_column(Measure::forStructure($info, Support::catalogue()), 'key');
            self::assertSame($info->strengthTest, $keys[0], $structure->value);
            self::assertContains(Measure::RANGE, $keys);
            self::assertSame(count($keys), count(array_unique($keys)));
            // Heel raises are a count to a standard already.
            self::assertSame(
                Support::catalogue()->measure($info->strengthTest)->unit !== 'repetitions',
                in_array(Measure::COUNT, $keys, true),
                $structure->value,
            );
        }
    }

    public function testWhatAGateAsksForIsMeasuredToo(): void
    {
        $structure = Support::catalogue()->structure(Structure::PatellarTendon);
        $gate = static fn(string $test): Criterion => Json::read(
            '{"type": "symmetry", "test": "' . $test . '", "min_percent": 90}',
            Criterion::read(...),
        );
        $criteria = array_values(
            array_filter(
                [$gate('hop_distance'), $gate('knee_extension_strength'), $gate('hop_distance')],
                static fn(Criterion $criterion): bool => $criterion instanceof OverTest,
            ),
        );
        self::assertCount(3, $criteria);
        $measures = Measure::forStructure($structure, Support::catalogue(), $criteria);
        self::assertSame(
            ['knee_extension_strength', Measure::RANGE, Measure::COUNT, 'hop_distance'],
            array_column($measures, 'key'),
        );
        self::assertSame('Hop for distance', $measures[3]->title);
    }

    public function testAVisitIsSaidInASentenceEach(): void
    {
        $trial = static fn(string $json): Trial => Json::read($json, Trial::read(...));
        $day = Day::fromIso('2026-04-14');
        $words = static fn(bool $both): VisitWords => new VisitWords(Support::catalogue(), $both, 8);
        self::assertSame('Visit.', $words(false)->describe([], [], []));
        self::assertSame(
            'Visit. Tried: Wall sit, high, a hold of 30 s: pain 4 of 10; Leg press, two legs, 1 repetition at 62.5 kg: pain 2 of 10, 0 in reserve.',
            $words(false)->describe(
                [
                    $trial('{"exercise": "wall_sit_high", "hold_s": 30, "load_kg": 0, "pain": 4}'),
                    $trial('{"exercise": "leg_press_two", "reps": 1, "load_kg": 62.5, "pain": 2, "reserve": 0}'),
                ],
                [],
                [],
            ),
        );
        self::assertSame(
            'Visit. Tried: Squat, 5 repetitions: pain 8 of 10, the stop level.',
            $words(false)->describe([$trial('{"exercise": "squat", "reps": 5, "pain": 8}')], [], []),
        );
        $tests = [
            new StrengthTest('knee_extension_strength', $day, 400, 300, 'N'),
            new StrengthTest('something_else', $day, 0, 10, 'cm'),
        ];
        self::assertSame(
            'Visit. Measured: Knee extension strength 400 and 300 N, symmetry 133.3 %; Something else 0 and 10 cm, symmetry 0 %; Severity score -2.5.',
            $words(false)->describe([], $tests, [new Outcome('severity_score', $day, -2.5)]),
        );
        self::assertStringContainsString(
            'symmetry 75 %',
            $words(true)->describe([], $tests, []),
            'where both are affected the smaller is given as a share of the larger',
        );
    }
}
