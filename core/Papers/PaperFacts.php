<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Plan\Plan;
use Rung\Core\Time\Day;

/** What is known when a paper is drafted. */
final readonly class PaperFacts
{
    /**
     * @param list<string> $advice on what to cut back for now
     * @param list<array{on: Day, title: string}> $coming sessions of the next seven days
     * @param list<ExpectedSport> $sport practice and shows of the next seven days
     * @param list<Day> $events of the next seven days
     * @param list<MeasureCourse> $measures that were taken, the strength test first
     * @param list<array{on: Day, by: string, words: string, reason: ?string}> $decisions oldest first
     */
    public function __construct(
        public Evaluation $evaluation,
        public Plan $plan,
        public Catalogue $catalogue,
        public ?Programme $programme,
        public Letterhead $letterhead,
        public string $practitioner,
        public string $athlete,
        public ?Day $bornOn,
        public string $structureTitle,
        /** left, right or both */
        public string $side,
        public Day $openedOn,
        public ?Day $closedOn,
        public string $morningTest,
        public ?Day $beganOn,
        public ?string $loadChange,
        public ?string $aggravating,
        public array $advice,
        public array $coming,
        public array $sport,
        public array $events,
        public array $measures,
        public array $decisions,
        /** Whether a flare at the stop level waits for an answer. */
        public bool $severeFlare = false,
    ) {}

    /** Whether nothing is loaded until somebody has looked. */
    public function isStopped(): bool
    {
        foreach ($this->evaluation->stops as $stop) {
            if (!$stop->isCleared()) {
                return true;
            }
        }

        return $this->severeFlare;
    }
}
