<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Structure;

/**
 * A programme played for a steady athlete, and for one who misses sessions and flares (docs/formats/case-file.md, "Play").
 * Made up; no forecast for a person.
 */
final readonly class TwoAthletes
{
    public const WEEKS = 26;

    public const WORDS = [
        'steady' => 'A steady athlete: everything is done, nothing flares',
        'slow' => 'A slower one: one session in four is missed, and it flares in weeks 2, 5, 7 and 10',
    ];

    /** A Monday, so that weeks of the picture are weeks of the calendar. */
    private const FROM = '2026-01-05';

    private const BODY_MASS_KG = 70;

    /** Moderately sore: the programme is begun at its first stage. */
    private const FOUND = ['rest' => 2, 'test' => 4, 'settle_min' => 300, 'stiffness_min' => 20];

    private const ATHLETES = [
        'steady' => ['kind' => 'steady'],
        'slow' => [
            'kind' => 'steady',
            'reserve' => 2,
            'miss_percent' => 25,
            'flares' => [
                ['day' => 12, 'rise' => 3],
                ['day' => 30, 'rise' => 3],
                ['day' => 48, 'rise' => 3],
                ['day' => 66, 'rise' => 3],
            ],
        ],
    ];

    public function __construct(private Catalogue $catalogue) {}

    /**
     * @param key-of<self::WORDS> $athlete
     *
     * @return array{stages: list<array{stage: string, from_day: int}>, ended_day: int|null, weeks: list<array{week: int, stage: string, exercises: list<array{prescription: string, exercise: string, dose: array<string, mixed>, least: int|float, load_kg: int|float|null}>}>}
     */
    public function play(string $athlete, Programme $programme, Structure $structure, Goal $goal): array
    {
        /** @var array{stages: list<array{stage: string, from_day: int}>, ended_day: int|null, weeks: list<array{week: int, stage: string, exercises: list<array{prescription: string, exercise: string, dose: array<string, mixed>, least: int|float, load_kg: int|float|null}>}>} $played */
        $played = Play::answer(
            (string) json_encode([
                'programme' => $programme->key,
                'structure' => $structure->value,
                'side' => 'left',
                'goal' => $goal->value,
                'body_mass_kg' => self::BODY_MASS_KG,
                'weeks' => self::WEEKS,
                'from' => self::FROM,
                'purpose' => $programme->purpose->value,
                'irritability' => self::FOUND,
                'equipment' => $this->catalogue->equipment(),
                'athlete' => self::ATHLETES[$athlete],
            ]),
            $this->catalogue,
        );

        return $played;
    }

    /**
     * Days that an athlete spends in each stage.
     *
     * @param key-of<self::WORDS> $athlete
     *
     * @return array<string, int> by stage; a stage that does not end within the weeks is not among them
     */
    public function days(string $athlete, Programme $programme, Structure $structure, Goal $goal): array
    {
        $played = $this->play($athlete, $programme, $structure, $goal);
        $days = [];
        foreach ($played['stages'] as $i => $entered) {
            // The day on which the programme ends belongs to its last stage.
            $next =
                $played['stages'][$i + 1]['from_day'] ??
                ($played['ended_day'] === null ? null : $played['ended_day'] + 1);
            if ($next !== null) {
                $days[$entered['stage']] = $next - $entered['from_day'];
            }
        }

        return $days;
    }
}
