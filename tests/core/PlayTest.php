<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Dose\Prescription;

/**
 * A programme is played forward (docs/formats/case-file.md, "Play").
 *
 * @phpstan-import-type Played from PlaysProgrammes
 */
final class PlayTest extends TestCase
{
    use PlaysProgrammes;

    public function testTheSameRequestGetsTheSameAnswer(): void
    {
        foreach (
            [
                self::STEADY,
                ['kind' => 'simulated', 'seed' => 4],
                ['kind' => 'simulated', 'seed' => 5, 'miss_percent' => 20],
            ]
            as $athlete
        ) {
            $request = self::request('knee_four_stage', 'patellar_tendon', 'jumping', 10, ['athlete' => $athlete]);
            $first = Support::rung(['play', '-'], $request);
            self::assertSame(0, $first[0], $first[2]);
            self::assertSame($first, Support::rung(['play', '-'], $request));
        }
        $other = static fn(int $seed): mixed => Support::rung(
            ['play', '-'],
            self::request('knee_four_stage', 'patellar_tendon', 'jumping', 10, [
                'athlete' => ['kind' => 'simulated', 'seed' => $seed],
            ]),
        )[1];
        self::assertNotSame($other(4), $other(5), 'a seed is a person of its own');
    }

    /** @return iterable<string, array{string, array<string, mixed>}> */
    public static function refused(): iterable
    {
        yield 'a programme that is none' => ['/programme', ['programme' => 'hope']];
        yield 'a structure of other programmes' => ['/structure', ['structure' => 'adductor']];
        yield 'no week' => ['/weeks', ['weeks' => 0]];
        yield 'an athlete who is neither' => ['/athlete/kind', ['athlete' => ['kind' => 'real']]];
        yield 'a flare of eleven' => [
            '/athlete/flares/0/rise',
            ['athlete' => ['kind' => 'steady', 'flares' => [['day' => 3, 'rise' => 11]]]],
        ];
        yield 'no day at all' => ['/available', ['available' => []]];
        yield 'so sore that nothing is begun' => ['/irritability', ['irritability' => ['rest' => 9, 'test' => 9]]];
        yield 'a mass of nobody' => ['/body_mass_kg', ['body_mass_kg' => 5]];
    }

    /** @param array<string, mixed> $spoilt */
    #[DataProvider('refused')]
    public function testABadRequestIsRefusedAtItsPlace(string $path, array $spoilt): void
    {
        [$code, , $errors] = Support::rung(
            ['play', '-'],
            self::request('knee_four_stage', 'patellar_tendon', 'jumping', 2, $spoilt),
        );
        self::assertSame(2, $code);
        self::assertStringContainsString('"path": "' . $path . '"', $errors);
    }

    /** Every programme for each of its structures, by turns for a steady and for a simulated athlete. */
    public function testEveryProgrammeCanBePlayedForAll(): void
    {
        foreach (Support::catalogue()->programmes as $programme) {
            foreach ($programme->structures as $i => $structure) {
                $athlete = $i % 2 === 0 ? self::STEADY : ['kind' => 'simulated', 'seed' => $i, 'miss_percent' => 10];
                $played = self::played($programme->key, $structure->value, 'running', 12, ['athlete' => $athlete]);
                self::assertSame(1, $played['stages'][0]['from_day']);
                self::assertNotEmpty($played['weeks'], "$programme->key, $structure->value: nothing is done");
                self::assertSame(
                    array_column($played['changes'], 'day'),
                    self::sorted(array_column($played['changes'], 'day')),
                );
                self::assertEachHasADose($programme, $played);
            }
        }
    }

    /** @param Played $played */
    private static function assertEachHasADose(Programme $programme, array $played): void
    {
        $own = array_map(
            static fn(Prescription $prescription): string => $prescription->key,
            $programme->plan->prescriptions(),
        );
        foreach ($played['weeks'] as $week) {
            self::assertLessThanOrEqual($week['sessions'], $week['over']);
            foreach ($week['exercises'] as $exercise) {
                self::assertContains($exercise['prescription'], $own);
                self::assertGreaterThan(0, $exercise['least'], "$programme->key, {$exercise['prescription']}");
            }
        }
    }
}
