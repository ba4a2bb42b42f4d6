<?php

declare(strict_types=1);

namespace Rung\Core\Lint;

use Rung\Core\Calendar\Placed;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Time\Day;

/** A stage as it is prescribed to somebody: all that lint looks at. */
final readonly class LintSubject
{
    /**
     * @param list<Prescription> $before the doses before this one; empty where there are none
     * @param list<Placed> $calendar the stage's sessions of the weeks ahead
     * @param list<Day> $events shows, matches, races
     */
    public function __construct(
        public Catalogue $catalogue,
        public StructureInfo $structure,
        public ResponseRule $rule,
        public PlanStage $stage,
        /** Whether the case is irritable now, or how irritable it is is not known. */
        public bool $irritable,
        /** Whether the programme is built on lowering alone. */
        public bool $loweringOnly = false,
        public array $before = [],
        public array $calendar = [],
        public array $events = [],
        public ?int $sessionMinutes = null,
        public int|float|null $bodyMassKg = null,
        public int $daysSinceOpened = 0,
        /** How a case that has begun has gone. */
        public ?TrainingSummary $summary = null,
    ) {}

    public function exercise(Prescription $prescription): ?Exercise
    {
        return $this->catalogue->exercises[$prescription->exercise] ?? null;
    }

    public function daysInStage(): int
    {
        return $this->summary?->daysInStage($this->stage->stage->key) ?? 0;
    }
}
