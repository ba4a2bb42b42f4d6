<?php

declare(strict_types=1);

namespace Rung\Core\Simulation;

use DateTimeImmutable;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Entry;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\Participation;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\Sign;
use Rung\Core\Record\SignOff;
use Rung\Core\Record\StageEntry;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\TechniqueSigned;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/**
 * Plays a case from its opening to a moment, day by day: the athlete answers the morning, the
 * practitioner looks every few days and takes what the rules propose, the athlete trains.
 */
final class CaseSimulator
{
    /** Hours at which the first of several sessions of a day begins at the earliest, and the last or only one. */
    private const FIRST_HOUR = 8;

    private const LAST_HOUR = 17;

    private const HOURS_BETWEEN = 6;

    private const SEEDS = 1_000_000_000;

    private const VISIT_EVERY_DAYS = 3;

    private const PLAN_AHEAD_DAYS = 27;

    private const SIGNED_AFTER_DAYS = 12;

    /** Repetitions that the athlete leaves in reserve while a load is found. */
    private const RESERVE = 3;

    private const USUAL_BODY_MASS_KG = 70;

    private readonly int $seed;

    private CaseFile $file;

    private Plan $plan;

    private SimulatedAthlete $athlete;

    private PlayedLoads $loads;

    /** @var list<SimulatedDecision> */
    private array $decisions = [];

    private function __construct(
        CaseFile $opened,
        Plan $plan,
        private readonly Story $story,
        private readonly Catalogue $catalogue,
        private Randomizer $chance,
        private readonly Moment $now,
    ) {
        $this->plan = $plan;
        $this->seed = $chance->getInt(0, self::SEEDS);
        $this->athlete = new SimulatedAthlete($story->temper, $chance, $catalogue, $opened->case->structure);
        $this->loads = new PlayedLoads(
            $opened->case->structure,
            $opened->athlete->body_mass_kg ?? self::USUAL_BODY_MASS_KG,
            [],
            $catalogue,
        );
        $this->file = $opened;
        $start = $this->today()->plus(-$story->days);
        $this->file = $opened->with([
            'stages' => $plan->caseStages(),
            'stage_history' => [new StageEntry($story->stage, $start)],
        ]);
    }

    /** @param CaseFile $opened a case without history; its stages are the plan's */
    public static function play(
        CaseFile $opened,
        Plan $plan,
        Story $story,
        Catalogue $catalogue,
        Randomizer $chance,
        Moment $now,
    ): SimulatedHistory {
        $self = new self($opened, $plan, $story, $catalogue, $chance, $now);
        for ($ago = $story->days; $ago >= 0; $ago--) {
            $self->day($self->today()->plus(-$ago), $ago);
        }
        $self->planSessions($self->today()->plus(self::PLAN_AHEAD_DAYS));

        return new SimulatedHistory($self->file, $self->plan, $self->decisions);
    }

    private function day(Day $day, int $ago): void
    {
        $age = $this->story->days - $ago;
        // Each day has a chance of its own: one session more or less on a day changes no other.
        $this->chance = new Randomizer(new Mt19937($this->seed + $age));
        $this->athlete->drawFrom($this->chance);
        $silent = $this->story->silentSince !== null && $ago < $this->story->silentSince;
        $this->athlete->sleep();
        $this->planSessions($day);
        if (!$silent && !($ago === 0 && $this->story->morningOpen)) {
            $this->morning($day, $ago);
        }
        if ($age % 14 === 0) {
            $this->measure($day);
        }
        $neglected = $this->story->end === StoryEnd::Neglected && $ago < 28;
        if ($ago > 0 && $age > 0 && $age % self::VISIT_EVERY_DAYS === 0 && !$neglected) {
            $this->visit($day, $ago);
        }
        // Today's session is left for a person to do.
        if (!$silent && $ago > 0) {
            $this->train($day, $ago);
        }
    }

    private function morning(Day $day, int $ago): void
    {
        $signs = $ago === 1 && $this->story->end === StoryEnd::StopSign ? [Sign::Swelling] : null;
        $at = $this->time($day, 7, $this->chance->getInt(0, 40));
        if ($at->after($this->now) || (!$this->athlete->answersThisMorning() && $signs === null && $ago > 2)) {
            return;
        }
        $this->add(
            'check_ins',
            new CheckIn(
                'c' . (count($this->file->check_ins) + 1),
                $at,
                $this->athlete->score(),
                $this->athlete->stiffness(),
                $signs,
            ),
        );
    }

    private function measure(Day $day): void
    {
        $test = $this->catalogue->measure($this->catalogue->structure($this->file->case->structure)->strengthTest);
        $other = ($test->unit === 'N' ? 420 : 24) + $this->chance->getInt(-6, 6);
        $this->add(
            'tests',
            new StrengthTest(
                $test->key,
                $day,
                (int) round(($other * $this->athlete->symmetryPercent()) / 100),
                $other,
                $test->unit,
            ),
        );
        $this->add('outcomes', new Outcome('severity_score', $day, $this->athlete->severityScore()));
    }

    private function visit(Day $day, int $ago): void
    {
        $at = $this->time($day, 10, 0);
        $evaluation = Evaluator::evaluate($this->file, $at);
        $this->signOff($evaluation, $day);
        // What comes up in the last days is left for a person to decide.
        $wanted = in_array(
            $evaluation->action->kind,
            [ActionKind::Progress, ActionKind::AddLoad, ActionKind::Ease, ActionKind::StepDown, ActionKind::Advance],
            true,
        );
        if (!$wanted || $ago < self::VISIT_EVERY_DAYS) {
            return;
        }
        $step = Acceptance::accept($this->plan, $evaluation, $this->catalogue);
        if (!$step->changesAnything() || ($step->enterStage !== null && !$day->isAfter($evaluation->log->stageFrom))) {
            return;
        }
        $this->decisions[] = new SimulatedDecision($evaluation, $step);
        $this->plan = $step->plan;
        $this->file = $this->file->with([
            'stages' => $step->plan->caseStages(),
            'dose_changes' => [...$this->file->dose_changes, ...$step->changes],
        ]);
        if ($step->enterStage !== null) {
            $this->file = $this->file->with([
                'stage_history' => [...$this->file->stage_history, new StageEntry($step->enterStage, $day)],
                'planned' => array_values(
                    array_filter($this->file->planned, static fn(PlannedSession $p): bool => $day->isAfter($p->on)),
                ),
            ]);
            $this->planSessions($day);
        }
    }

    /** Technique is looked at and signed off in the second or third week of a stage that asks for it. */
    private function signOff(Evaluation $evaluation, Day $day): void
    {
        $stage = $evaluation->log->stage;
        $isAsked =
            array_filter(
                $stage->gate,
                static fn(Criterion $criterion): bool => $criterion instanceof TechniqueSigned,
            ) !== [];
        $isSigned =
            array_filter(
                $this->file->sign_offs,
                static fn(SignOff $signOff): bool => $signOff->stage === $stage->key &&
                    !$evaluation->log->stageFrom->isAfter($signOff->on),
            ) !== [];
        if ($isAsked && !$isSigned && $day->daysSince($evaluation->log->stageFrom) >= self::SIGNED_AFTER_DAYS) {
            $this->add('sign_offs', new SignOff($stage->key, $day));
        }
    }

    private function train(Day $day, int $ago): void
    {
        $planned = array_values(
            array_filter($this->file->planned, static fn(PlannedSession $p): bool => $p->on->number === $day->number),
        );
        $stage = $this->currentStage();
        $overdone = match ($this->story->end) {
            StoryEnd::Overdone => in_array($ago, [1, 2], true),
            StoryEnd::OverdoneTwice => $ago >= 1 && $ago <= 5,
            default => false,
        };
        $asked = null;
        foreach ($planned as $i => $session) {
            $hour = max(self::FIRST_HOUR, self::LAST_HOUR - self::HOURS_BETWEEN * (count($planned) - 1 - $i));
            $start = $this->time($day, $hour, $this->chance->getInt(0, 59));
            $end = $this->time($day, $hour + 1, $this->chance->getInt(0, 40));
            if ($end->after($this->now) || (!$this->athlete->doesSession() && !$overdone && $ago > 3)) {
                continue;
            }
            $due = array_values(
                array_filter(
                    $stage->prescriptions,
                    fn(Prescription $p): bool => $p->slot === $session->slot && !$this->plan->rests($p->key, $day),
                ),
            );
            $isAsked = array_filter($due, static fn(Prescription $p): bool => $p->dose->corridor() !== null) !== [];
            // What a session of the day asks is not changed by another of the same day.
            $asked ??= $isAsked ? Evaluator::evaluate($this->file, $start)->askedByPrescription() : null;
            $due = array_map(
                fn(Prescription $p): Prescription => $this->loads->loaded(
                    isset($asked[$p->key]) ? $asked[$p->key]->asPrescription() : $p,
                    self::RESERVE,
                ),
                $due,
            );
            $sport = $due === [];
            $practice = $sport ? $this->practice($session->slot, $start) : null;
            $demand = 0.85 + 0.01 * min(20, $this->today()->daysSince($day));
            $entries = $sport
                ? [new Entry(null, [], $this->athlete->practise($demand))]
                : $this->athlete->train($due, $overdone ? 2.1 : 1.0);
            $worst = max([0, ...array_map(static fn(Entry $entry): int => $entry->pain ?? 0, $entries)]);
            $this->add(
                'sessions',
                new Session(
                    id: 's' . (count($this->file->sessions) + 1),
                    stage: $stage->key,
                    kind: $sport ? SessionKind::Sport : SessionKind::Loading,
                    started_at: $start,
                    ended_at: $end,
                    entries: $entries,
                    planned: $session->id,
                    participation: $practice === null
                        ? null
                        : ($practice->full
                            ? Participation::Full
                            : Participation::Partial),
                    minutes: $practice?->minutes,
                    effort: $practice?->effort,
                    settled_min: $worst * 25,
                ),
            );
        }
    }

    /** What the next practice asks for on the way back to sport; without rungs the whole of it. */
    private function practice(string $slot, Moment $at): PracticeStep
    {
        $planned = $this->plan->stage($this->currentStage()->key)?->slot($slot);
        $ladder = $planned === null ? null : PracticeLadder::forSlot($planned, Evaluator::evaluate($this->file, $at));

        return $ladder?->step() ?? new PracticeStep('Practice', 45, 6, true, true);
    }

    /** Extends the calendar of the current stage up to a day. */
    private function planSessions(Day $until): void
    {
        $history = $this->file->stage_history;
        $entry = $history[count($history) - 1];
        $stage = $this->plan->stage($entry->stage);
        if ($stage === null) {
            return;
        }
        $placed = PlanCalendar::asked(
            $this->plan,
            $stage,
            $entry->from,
            $entry->from,
            $until->daysSince($entry->from) + 1,
            $this->story->available,
            [],
            $this->story->events,
        );
        $kept = array_values(
            array_filter($this->file->planned, static fn(PlannedSession $p): bool => $entry->from->isAfter($p->on)),
        );
        foreach ($placed as $place) {
            $kept[] = new PlannedSession(
                "p{$place->on->toIso()}-$place->slot-$place->number",
                $place->on,
                $place->slot,
            );
        }
        $this->file = $this->file->with(['planned' => $kept]);
    }

    private function currentStage(): \Rung\Core\Stage\Stage
    {
        $history = $this->file->stage_history;

        return $this->plan->stage($history[count($history) - 1]->stage)->stage ?? $this->file->stages[0];
    }

    private function add(string $list, object $record): void
    {
        $records = $this->file->{$list};
        assert(is_array($records));
        $this->file = $this->file->with([$list => [...$records, $record]]);
    }

    private function today(): Day
    {
        return $this->file->timezone->dayOf($this->now);
    }

    private function time(Day $day, int $hour, int $minute): Moment
    {
        $time = new DateTimeImmutable(
            $day->toIso() . sprintf(' %02d:%02d:00', $hour, $minute),
            $this->file->timezone->toDateTimeZone(),
        );

        return Moment::fromDateTime($time);
    }
}
