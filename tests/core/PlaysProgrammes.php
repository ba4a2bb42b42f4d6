<?php

declare(strict_types=1);

namespace Tests\Core;

use Rung\Core\Record\Structure;

/**
 * Plays programmes through bin/rung, and finds what is asked about in the answer.
 *
 * @phpstan-type Dose array{sets: int, reps: int, rest_s: int, hold_s: int, hold_to_s: int, percent_mvc: int, load_kg: int|float|null, resistance: string|null, tempo: array{lift_s: int, top_s: int, lower_s: int, bottom_s: int}, range: array{to_deg: int}}
 * @phpstan-type Exercise array{prescription: string, exercise: string, dose: Dose, least: int|float, load_kg: int|float|null}
 * @phpstan-type Played array{stages: list<array{stage: string, from_day: int}>, ended_day: int|null, changes: list<array{day: int, kind: string, prescription: string|null, exercise: string|null, dose: Dose}>, weeks: list<array{week: int, stage: string, sessions: int, over: int, exercises: list<Exercise>}>}
 */
trait PlaysProgrammes
{
    private const STEADY = ['kind' => 'steady'];

    private const LOW = ['rest' => 0, 'test' => 1, 'settle_min' => 20, 'stiffness_min' => 5];

    /**
     * @param array<string, mixed> $more
     *
     * @return Played
     */
    private static function played(
        string $programme,
        string $structure,
        string $goal,
        int $weeks,
        array $more = [],
    ): array {
        [$code, $answer, $errors] = Support::rung(
            ['play', '-'],
            self::request($programme, $structure, $goal, $weeks, $more),
        );
        self::assertSame(0, $code, "$programme, $structure: $errors");

        /** @var Played $answer */
        return $answer;
    }

    /** @param array<string, mixed> $more */
    private static function request(
        string $programme,
        string $structure,
        string $goal,
        int $weeks,
        array $more = [],
    ): string {
        $equipment = [];
        foreach (Support::catalogue()->exercises as $exercise) {
            array_push($equipment, ...$exercise->equipment);
        }

        return (string) json_encode(
            $more + [
                'programme' => $programme,
                'structure' => Structure::from($structure)->value,
                'side' => 'left',
                'goal' => $goal,
                'body_mass_kg' => 70,
                'weeks' => $weeks,
                'from' => '2026-01-05',
                'irritability' => self::LOW,
                'equipment' => array_values(array_unique($equipment)),
                'athlete' => self::STEADY,
            ],
        );
    }

    /**
     * @param Played $played
     *
     * @return array{week: int, stage: string, sessions: int, over: int, exercises: list<Exercise>}
     */
    private static function week(array $played, int $number): array
    {
        $found = array_values(
            array_filter($played['weeks'], static fn(array $week): bool => $week['week'] === $number),
        );
        self::assertCount(1, $found, "week $number");

        return $found[0];
    }

    /** @param Played $played */
    private static function from(array $played, string $stage): int
    {
        $days = array_column($played['stages'], 'from_day', 'stage');
        self::assertArrayHasKey($stage, $days, implode(', ', array_keys($days)));

        return $days[$stage];
    }

    /**
     * @param Played $played
     *
     * @return array<int, int|float|null> by week
     */
    private static function loads(array $played, string $prescription): array
    {
        return self::amounts($played, $prescription, 'load_kg');
    }

    /**
     * @param Played $played
     *
     * @return array<int, int|float|null> by week
     */
    private static function leasts(array $played, string $prescription): array
    {
        return self::amounts($played, $prescription, 'least');
    }

    /**
     * @param Played $played
     * @param 'load_kg'|'least' $field
     *
     * @return array<int, int|float|null> by week
     */
    private static function amounts(array $played, string $prescription, string $field): array
    {
        $found = [];
        foreach ($played['weeks'] as $week) {
            foreach ($week['exercises'] as $exercise) {
                if ($exercise['prescription'] === $prescription) {
                    $found[$week['week']] = $exercise[$field];
                }
            }
        }

        return $found;
    }

    /**
     * @template T
     *
     * @param array<int, T> $values
     *
     * @return array<int, T>
     */
    private static function sorted(array $values): array
    {
        $keys = array_keys($values);
        $values = array_values($values);
        sort($values);

        return array_combine($keys, $values);
    }
}
