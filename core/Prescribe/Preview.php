<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Attention\WeekLoad;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Slot;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\DoseFigures;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Lint\Linter;
use Rung\Core\Lint\LintNote;
use Rung\Core\Lint\LintSubject;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Time\Day;

/** All that follows from a stage as it is about to be prescribed; nothing is stored. */
final readonly class Preview
{
    public const SHOWN_DAYS = 14;

    private const WEEK = 7;

    /** @param list<Placed> $calendar of the first two weeks */
    private function __construct(
        public StageDraft $draft,
        public TrainingSummary $summary,
        private StructureInfo $structure,
        /** @var list<Measure> */
        private array $measures,
        private bool $bothSides,
        public array $calendar,
        /** @var list<LintNote> */
        public array $lint,
    ) {}

    /**
     * @param Plan $plan the plan in force
     * @param list<Day> $blocked
     * @param list<Day> $events
     */
    public static function build(
        Plan $plan,
        StageDraft $draft,
        TrainingSummary $summary,
        Catalogue $catalogue,
        StructureInfo $structure,
        ResponseRule $rule,
        array $blocked,
        array $events,
        bool $loweringOnly,
        ?int $sessionMinutes,
        int $daysSinceOpened,
        bool $bothSides = false,
    ): self {
        // A cycle keeps its turn: it is counted from the first day of the stage.
        $stageFrom = $draft->stage->stage->key === $summary->stage ? $summary->stageFrom : $draft->from;
        $calendar = PlanCalendar::asked(
            $draft->into($plan),
            $draft->stage,
            $stageFrom,
            $draft->from,
            self::SHOWN_DAYS,
            $draft->available,
            $blocked,
            $events,
        );

        return new self(
            $draft,
            $summary,
            $structure,
            array_values($catalogue->measures),
            $bothSides,
            $calendar,
            Linter::lint(
                new LintSubject(
                    catalogue: $catalogue,
                    structure: $structure,
                    rule: $rule,
                    stage: $draft->stage,
                    irritable: $summary->irritable,
                    loweringOnly: $loweringOnly,
                    before: $draft->before->stage->prescriptions,
                    calendar: $calendar,
                    events: $events,
                    sessionMinutes: $sessionMinutes,
                    bodyMassKg: $summary->bodyMassKg,
                    daysSinceOpened: $daysSinceOpened,
                    summary: $summary,
                ),
            ),
        );
    }

    /** @return list<Suggestion> */
    public function suggestions(Prescription $prescription): array
    {
        return Suggestions::forPrescription(
            $prescription,
            $this->summary,
            $this->structure,
            $this->measures,
            $this->bothSides,
        );
    }

    public function figures(Prescription $prescription): DoseFigures
    {
        return DoseArithmetic::figures(
            $prescription->mode,
            $prescription->limbs,
            $this->loaded($prescription)->dose,
            $this->summary->bodyMassKg,
        );
    }

    /** @return array<string, mixed> the sums of one kind of session, and when it comes */
    public function session(Slot $slot): array
    {
        $asked = array_values(
            array_filter(
                $this->draft->stage->stage->prescriptions,
                static fn(Prescription $prescription): bool => $prescription->slot === $slot->key,
            ),
        );
        $figures = array_map($this->figures(...), $asked);

        return ['slot' => $slot->key, 'title' => $slot->name(), 'exercises' => count($asked)] +
            DoseArithmetic::session($figures) + [
                'days' => array_map(
                    static fn(Placed $placed): string => $placed->on->toIso(),
                    $this->placed($slot, self::SHOWN_DAYS),
                ),
            ];
    }

    /** With what was lifted last, where the dose leaves the load open. */
    private function loaded(Prescription $prescription): Prescription
    {
        $load = $this->summary->presentLoadKg($prescription);

        return $prescription->dose->load_kg !== null || $load == 0
            ? $prescription
            : $prescription->withDose($prescription->dose->with(['load_kg' => $load]));
    }

    /** What the stage would ask for in its first week. */
    public function week(): WeekLoad
    {
        $asked = [];
        $sessions = 0;
        foreach ($this->draft->stage->slots as $slot) {
            $times = count($this->placed($slot, self::WEEK));
            $sessions += $times;
            foreach ($this->draft->stage->stage->prescriptions as $prescription) {
                if ($prescription->slot === $slot->key) {
                    $asked[] = [$this->loaded($prescription), $times];
                }
            }
        }

        return WeekLoad::ofDoses($asked, $sessions, $this->summary->bodyMassKg);
    }

    /** @return list<Placed> */
    private function placed(Slot $slot, int $days): array
    {
        return array_values(
            array_filter(
                $this->calendar,
                fn(Placed $placed): bool => $placed->slot === $slot->key &&
                    $placed->on->daysSince($this->draft->from) < $days,
            ),
        );
    }
}
