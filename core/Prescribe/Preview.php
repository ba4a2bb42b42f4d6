<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Attention\WeekLoad;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\Weekday;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Lint\Linter;
use Rung\Core\Lint\LintNote;
use Rung\Core\Lint\LintSubject;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\PlanWords;
use Rung\Core\Words\StageChangeWords;

/** All that follows from a stage as it is about to be prescribed; nothing is stored. */
final readonly class Preview
{
    public const SHOWN_DAYS = 14;

    private const WEEK = 7;

    /** @param list<Placed> $calendar of the first two weeks */
    private function __construct(
        public StageDraft $draft,
        public StageChangeWords $change,
        private TrainingSummary $course,
        private Catalogue $catalogue,
        private StructureInfo $structure,
        public array $calendar,
        /** @var list<LintNote> */
        private array $lint,
    ) {}

    /**
     * @param Plan $plan the plan in force
     * @param list<Weekday> $daysBefore the days of the week in force
     * @param list<Day> $blocked
     * @param list<Day> $events
     */
    public static function of(
        Plan $plan,
        StageDraft $draft,
        TrainingSummary $course,
        Catalogue $catalogue,
        StructureInfo $structure,
        ResponseRule $rule,
        array $daysBefore,
        array $blocked,
        array $events,
        bool $loweringOnly,
        ?int $sessionMinutes,
        int $daysSinceOpened,
    ): self {
        // A cycle keeps its turn: it is counted from the first day of the stage.
        $stageFrom = $draft->stage->stage->key === $course->stage ? $course->stageFrom : $draft->from;
        $calendar = PlanCalendar::asked($draft->into($plan), $draft->stage, $stageFrom, $draft->from, self::SHOWN_DAYS, $draft->available, $blocked, $events);

        return new self(
            $draft,
            StageChangeWords::of($draft, $daysBefore, $catalogue),
            $course,
            $catalogue,
            $structure,
            $calendar,
            Linter::of(new LintSubject(
                catalogue: $catalogue,
                structure: $structure,
                rule: $rule,
                stage: $draft->stage,
                irritable: $course->irritable,
                loweringOnly: $loweringOnly,
                before: $draft->before->stage->prescriptions,
                calendar: $calendar,
                events: $events,
                sessionMinutes: $sessionMinutes,
                bodyMassKg: $course->bodyMassKg,
                daysSinceOpened: $daysSinceOpened,
                course: $course,
            )),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $week = $this->week();

        return [
            'prescriptions' => array_map($this->prescription(...), $this->draft->stage->stage->prescriptions),
            'sessions' => array_map($this->session(...), $this->draft->stage->slots),
            'week' => [
                'asked' => $week->toArray(),
                'logged' => $this->course->lastWeek->toArray(),
                'change_percent' => $week->changeSince($this->course->lastWeek),
            ],
            'rhythm' => PlanWords::rhythm($this->draft->stage),
            'lint' => array_map(static fn(LintNote $note): array => $note->toArray(), $this->lint),
            'note' => $this->change->note(),
        ];
    }

    /** @return array<string, mixed> */
    private function prescription(Prescription $prescription): array
    {
        return [
            'exercise' => $prescription->exercise,
            'title' => $this->catalogue->titleOf($prescription->exercise),
            'words' => DoseWords::of($prescription),
            'tempo_words' => DoseWords::tempo($prescription),
            'figures' => DoseArithmetic::of($prescription->mode, $prescription->limbs, $prescription->dose, $this->course->bodyMassKg)->toArray(),
            'turns' => $prescription->limbs->turns(),
            'changed' => $this->change->notes[$prescription->key] ?? null,
            'suggestions' => array_map(static fn(Suggestion $one): array => $one->toArray(), Suggestions::of($prescription, $this->course, $this->structure)),
        ];
    }

    /** @return array<string, mixed> the sums of one kind of session, and when it comes */
    private function session(Slot $slot): array
    {
        $asked = array_values(array_filter($this->draft->stage->stage->prescriptions, static fn(Prescription $one): bool => $one->slot === $slot->key));
        $figures = array_map(
            fn(Prescription $one) => DoseArithmetic::of($one->mode, $one->limbs, $one->dose, $this->course->bodyMassKg),
            $asked,
        );

        return ['slot' => $slot->key, 'title' => $slot->name(), 'exercises' => count($asked)]
            + DoseArithmetic::session($figures)
            + ['days' => array_map(static fn(Placed $placed): string => $placed->on->toIso(), $this->placed($slot, self::SHOWN_DAYS))];
    }

    private function week(): WeekLoad
    {
        $asked = [];
        $sessions = 0;
        foreach ($this->draft->stage->slots as $slot) {
            $times = count($this->placed($slot, self::WEEK));
            $sessions += $times;
            foreach ($this->draft->stage->stage->prescriptions as $prescription) {
                if ($prescription->slot === $slot->key) {
                    $asked[] = [$prescription, $times];
                }
            }
        }

        return WeekLoad::ofDoses($asked, $sessions, $this->course->bodyMassKg);
    }

    /** @return list<Placed> */
    private function placed(Slot $slot, int $days): array
    {
        return array_values(array_filter(
            $this->calendar,
            fn(Placed $placed): bool => $placed->slot === $slot->key && $placed->on->daysSince($this->draft->from) < $days,
        ));
    }
}
