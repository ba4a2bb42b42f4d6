<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use Rung\Core\Input\ObjectNode;

/** How the athlete of a play answers: steady as a clock, or simulated. */
final readonly class PlayedAthlete
{
    /** @param array<int, int> $flares points by which the morning after a day is raised, by day (1 is the first) */
    private function __construct(
        public bool $isSteady,
        public int $seed,
        /** Repetitions that a steady athlete has in reserve. */
        public int $reserve,
        /** Pain in every exercise, and on every morning's test, 0–10. */
        public int $pain,
        /** Percent of planned sessions that are missed. */
        public int|float $missPercent,
        /** Percent by which strength tests grow in a week. */
        public int|float $gainPercentAWeek,
        public array $flares,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->text('kind');
        if ($node->hasText('kind') && !in_array($kind, ['steady', 'simulated'], true)) {
            $node->fault('kind', 'must be one of steady, simulated');
        }
        $flares = [];
        foreach (
            $node->eachOrEmpty(
                'flares',
                static fn(ObjectNode $flare): array => [$flare->whole('day', 1, 1000), $flare->whole('rise', 0, 10)],
            )
            as [$day, $rise]
        ) {
            $flares[$day] = $rise;
        }

        return new self(
            $kind !== 'simulated',
            $node->wholeOrNull('seed') ?? 1,
            $node->wholeOrNull('reserve', 0, 20) ?? 2,
            $node->wholeOrNull('pain', 0, 10) ?? 1,
            $node->numberOrNull('miss_percent', 0, 100) ?? 0,
            $node->numberOrNull('gain_percent_a_week', 0, 100) ?? 0,
            $flares,
        );
    }
}
