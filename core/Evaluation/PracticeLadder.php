<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Decision\Because;
use Rung\Core\Decision\StopSource;
use Rung\Core\Number;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Participation;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Stage\SportSessions;
use Rung\Core\Time\Day;

/** Where an athlete stands on the way back to sport, and what the next practice asks for (docs/rules.md, "The ladder of practice"). */
final readonly class PracticeLadder
{
    /** Practices that have to be well tolerated before the next rung. */
    public const TIMES = 2;

    /** What is a little shorter than was asked counts as done. */
    private const SHARE_OF_MINUTES = 0.9;

    /** Points of effort below what was asked that still count as done. */
    private const EFFORT_BELOW = 1;

    /** After a stop nothing grows for a week. */
    private const AFTER_STOP_HOURS = 7 * 24;

    /** Days within which practices are looked for on the calendar. */
    private const LONGEST_DAYS = 366;

    /** @param non-empty-list<PracticeStep> $steps easier first */
    private function __construct(
        public array $steps,
        /** The rung of the next practice, from 0. */
        public int $at,
        /** Practices in a row that were well tolerated on this rung. */
        public int $settled,
        public Because $because,
    ) {}

    /** Null where the slot has no rungs. */
    public static function forSlot(Slot $slot, Evaluation $evaluation): ?self
    {
        $ladder = self::untried($slot);
        if ($ladder === null) {
            return null;
        }
        foreach ($evaluation->sessions as $response) {
            if ($response->session->kind === SessionKind::Sport && $evaluation->log->inStage($response->session)) {
                $ladder = $ladder->after($response, self::followsStop($response->session, $evaluation->stops));
            }
        }

        return $ladder;
    }

    /** Of the first kind of session of a stage that has rungs. */
    public static function inStage(?PlanStage $stage, Evaluation $evaluation): ?self
    {
        foreach ($stage->slots ?? [] as $slot) {
            $ladder = self::forSlot($slot, $evaluation);
            if ($ladder !== null) {
                return $ladder;
            }
        }

        return null;
    }

    /** The same before anything was practised. */
    public static function untried(Slot $slot): ?self
    {
        return $slot->practice === [] ? null : new self($slot->practice, 0, 0, Because::Start);
    }

    /**
     * What each practice that stands on the calendar and is not done asks for, if each is well tolerated.
     *
     * @param list<Booked> $open in any order
     *
     * @return array<string, PracticeStep> by the id of the booked session
     */
    public static function byBooked(?PlanStage $stage, Evaluation $evaluation, array $open): array
    {
        $found = [];
        usort($open, static fn(Booked $a, Booked $b): int => $a->on->number <=> $b->on->number);
        foreach ($stage->slots ?? [] as $slot) {
            $booked = array_values(
                array_filter($open, static fn(Booked $session): bool => $session->slot === $slot->key),
            );
            $steps = $booked === [] ? [] : self::forSlot($slot, $evaluation)?->ahead(count($booked)) ?? [];
            foreach ($steps as $i => $step) {
                $found[$booked[$i]->id] = $step;
            }
        }

        return $found;
    }

    public function step(): PracticeStep
    {
        return $this->steps[$this->at];
    }

    /**
     * What the coming practices ask for, each well tolerated.
     *
     * @return list<PracticeStep>
     */
    public function ahead(int $practices): array
    {
        $found = [];
        for ($i = 0; $i < $practices; $i++) {
            $found[] = $this->steps[min(count($this->steps) - 1, $this->at + intdiv($this->settled + $i, self::TIMES))];
        }

        return $found;
    }

    /**
     * Days from a day on until the last practice of the ladder is answered, where each is well tolerated; null where that takes
     * more than a year.
     *
     * @param list<Weekday> $available
     */
    public function days(PlanStage $stage, Day $from, array $available): ?int
    {
        $full = max([
            self::TIMES,
            ...array_map(
                static fn(SportSessions $sport): int => $sport->min,
                array_values(
                    array_filter(
                        $stage->stage->gate,
                        static fn(object $criterion): bool => $criterion instanceof SportSessions,
                    ),
                ),
            ),
        ]);
        $last = count($this->steps) - 1;
        $left = max(1, ($last - $this->at) * self::TIMES + $full - $this->settled);
        $practices = array_values(
            array_filter(
                PlanCalendar::fill($stage, $from, self::LONGEST_DAYS, $available),
                static fn(Placed $placed): bool => $placed->number === 1 &&
                    ($stage->slot($placed->slot)->practice ?? []) !== [],
            ),
        );

        return isset($practices[$left - 1]) ? $practices[$left - 1]->on->daysSince($from) + 1 : null;
    }

    private function after(SessionResponse $response, bool $followsStop): self
    {
        return match (true) {
            $response->verdict === Verdict::Over, $response->verdict === Verdict::Stop => new self(
                $this->steps,
                max(0, $this->at - 1),
                0,
                Because::Eased,
            ),
            $response->verdict === Verdict::Watch => new self($this->steps, $this->at, 0, Because::Kept),
            !$response->verdict->isWellTolerated() => $this,
            !$this->isReached($response->session) => new self($this->steps, $this->at, 0, Because::Short),
            $followsStop => new self($this->steps, $this->at, 0, Because::Capped),
            $this->at === count($this->steps) - 1 => new self(
                $this->steps,
                $this->at,
                $this->settled + 1,
                Because::Full,
            ),
            $this->settled + 1 < self::TIMES => new self($this->steps, $this->at, $this->settled + 1, Because::Kept),
            default => new self($this->steps, $this->at + 1, 0, Because::Grown),
        };
    }

    private function isReached(Session $session): bool
    {
        $step = $this->step();

        return Number::atLeast($session->minutes ?? 0, self::SHARE_OF_MINUTES * $step->minutes) &&
            ($session->effort === null || $session->effort >= $step->effort - self::EFFORT_BELOW) &&
            (!$step->full || $session->participation === Participation::Full);
    }

    /** @param list<StopSource> $stops */
    private static function followsStop(Session $session, array $stops): bool
    {
        foreach ($stops as $stop) {
            if ($stop->began->withinHoursBefore($session->started_at, self::AFTER_STOP_HOURS)) {
                return true;
            }
        }

        return false;
    }
}
