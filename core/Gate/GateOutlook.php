<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Number;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\SessionKind;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\CriterionType;
use Rung\Core\Stage\EvidenceDay;
use Rung\Core\Time\Day;

/**
 * The gate seen along time (docs/rules.md, "The gate in time"): since when each criterion is met, and the earliest day
 * on which it can be met if from now on every planned session is done and well borne and every morning is answered
 * within the limit. Verdicts of the past are taken as they are known now.
 */
final class GateOutlook
{
    /** Days ahead within which a day is looked for. */
    public const AHEAD_DAYS = 120;

    private readonly Log $log;

    /** @var list<array{day: int, response: SessionResponse}> in the stage, in order of start */
    private array $done = [];

    /** @var list<array{day: int, score: int}> */
    private array $scores = [];

    /** @var list<PlannedSession> not begun, of today or later */
    private array $ahead = [];

    /** @var array<string, true> planned sessions that were begun */
    private array $begun = [];

    private function __construct(Evaluation $evaluation)
    {
        $this->log = $evaluation->log;
        foreach ($evaluation->sessions as $response) {
            if ($this->log->inStage($response->session)) {
                $this->done[] = ['day' => $this->log->dayOf($response->session)->number, 'response' => $response];
            }
        }
        foreach ($this->log->scored as $checkIn) {
            $this->scores[] = ['day' => $this->log->file->timezone->dayOf($checkIn->at)->number, 'score' => (int) $checkIn->provocation];
        }
        foreach ($this->log->started as $session) {
            if ($session->planned !== null) {
                $this->begun[$session->planned] = true;
            }
        }
        foreach ($this->log->planned as $planned) {
            if ($planned->on->number >= $this->log->today->number && !isset($this->begun[$planned->id])) {
                $this->ahead[] = $planned;
            }
        }
    }

    /** @return list<CriterionOutlook> in the gate's order */
    public static function of(Evaluation $evaluation): array
    {
        $self = new self($evaluation);

        return array_map(static fn(CriterionResult $result): CriterionOutlook => new CriterionOutlook(
            $result,
            $result->state === CriterionState::Met ? $self->since($result->criterion) : null,
            $result->state === CriterionState::Met ? null : $self->earliest($result->criterion),
            $self->evidence($result->criterion),
        ), $evaluation->gate->criteria);
    }

    /**
     * The earliest day on which the whole gate can be open; null where it is empty or some criterion names no day.
     *
     * @param list<CriterionOutlook> $outlooks
     */
    public static function earliestOpen(array $outlooks, Day $today): ?Day
    {
        $latest = $outlooks === [] ? null : $today;
        foreach ($outlooks as $outlook) {
            if ($outlook->result->state === CriterionState::Met || $latest === null) {
                continue;
            }
            $latest = $outlook->earliest === null ? null : ($outlook->earliest->isAfter($latest) ? $outlook->earliest : $latest);
        }

        return $latest;
    }

    private function since(Criterion $criterion): Day
    {
        $day = $this->log->today->number;
        while ($day > $this->log->stageFrom->number && $this->holds($criterion, $day - 1, false)) {
            $day--;
        }

        return Day::fromNumber($day);
    }

    private function earliest(Criterion $criterion): ?Day
    {
        // What a person does when they like can be done today.
        if (in_array($criterion->type, [CriterionType::Symmetry, CriterionType::TestValue, CriterionType::TestChange, CriterionType::Outcome, CriterionType::OutcomeGain, CriterionType::SignOff], true)) {
            return $this->log->today;
        }
        for ($day = $this->log->today->number; $day <= $this->log->today->number + self::AHEAD_DAYS; $day++) {
            if ($this->holds($criterion, $day, true)) {
                return Day::fromNumber($day);
            }
        }

        return null;
    }

    /**
     * Whether a criterion is met on a day, by what had happened up to it.
     *
     * @param bool $hoping whether what is planned from now on is taken to be done and well borne
     */
    private function holds(Criterion $criterion, int $day, bool $hoping): bool
    {
        $needed = $criterion->needed();

        return match ($criterion->type) {
            CriterionType::DaysInStage => $day - $this->log->stageFrom->number >= $needed,
            CriterionType::ExercisePain => $this->isLow(
                array_map(static fn(array $one): ?int => $one['response']->during, $this->doneBetween($day - (int) $criterion->days + 1, $day)),
                $hoping ? $this->aheadBetween($day - (int) $criterion->days + 1, $day) : 0,
                (int) $criterion->min_sessions,
                $needed,
            ),
            CriterionType::LoadedPain => $this->isLow(
                array_map(fn(array $one): ?int => Gatekeeper::loadedPainOf($criterion, $one['response']->session), $this->doneBetween($day - (int) $criterion->days + 1, $day)),
                $hoping && $this->isLoaded($criterion) ? $this->aheadBetween($day - (int) $criterion->days + 1, $day) : 0,
                (int) $criterion->min_sessions,
                $needed,
            ),
            CriterionType::Provocation => $this->isLow(
                array_column($this->scoresBetween($day - (int) $criterion->days + 1, $day), 'score'),
                $hoping ? $this->morningsBetween($day - (int) $criterion->days + 1, $day) : 0,
                (int) $criterion->min_readings,
                $needed,
            ),
            CriterionType::CleanDays => $this->isClean($criterion, $day, $hoping),
            CriterionType::Reached => $this->reached($criterion, $day) || ($hoping && $this->reachesAhead($criterion, $day)),
            CriterionType::SportSessions => $this->fullSport($day) + ($hoping ? $this->aheadBetween($this->log->today->number, $day - 1, true) : 0) >= $needed,
            CriterionType::Adherence => $this->adheres($criterion, $day, $hoping),
            default => $this->heldByHand($criterion, $day),
        };
    }

    /** @param list<int|null> $values those not logged are null */
    private function isLow(array $values, int $hoped, int $enough, int|float $most): bool
    {
        $told = array_filter($values, static fn(?int $value): bool => $value !== null);

        return ($told !== [] || $hoped > 0) && count($told) + $hoped >= $enough && ($told === [] || max($told) <= $most);
    }

    private function isClean(Criterion $criterion, int $day, bool $hoping): bool
    {
        $since = $this->log->stageFrom->number;
        $judged = 0;
        foreach ($this->doneBetween(PHP_INT_MIN, $day) as $one) {
            $verdict = $one['response']->verdict;
            if ($verdict === Verdict::Over || $verdict === Verdict::Stop) {
                $since = max($since, $one['day']);
            }
            $counts = $verdict->isJudged() || ($hoping && $verdict === Verdict::Pending && $this->morningAfter($one['day']) <= $day);
            $judged += $counts && $one['day'] > $day - (int) $criterion->min ? 1 : 0;
        }
        $judged += $hoping ? $this->aheadBetween($day - (int) $criterion->min + 1, $day - 1) : 0;

        return $day - $since >= $criterion->min && $judged >= ($criterion->min_sessions ?? 1);
    }

    private function adheres(Criterion $criterion, int $day, bool $hoping): bool
    {
        $from = $day - ($criterion->days ?? Criterion::ADHERENCE_DAYS);
        $due = $done = 0;
        foreach ($this->log->planned as $planned) {
            if ($planned->on->number >= $from && $planned->on->number < $day) {
                $due++;
                $done += isset($this->begun[$planned->id]) || ($hoping && $planned->on->number >= $this->log->today->number) ? 1 : 0;
            }
        }

        return $due > 0 && Number::atLeast(intdiv(100 * $done, $due), $criterion->needed());
    }

    private function reached(Criterion $criterion, int $day): bool
    {
        foreach ($this->doneBetween(PHP_INT_MIN, $day) as $one) {
            if ($this->reaches($criterion, $one['response'])) {
                return true;
            }
        }

        return false;
    }

    /** Whether the dose in force would reach it in a planned session whose morning after comes by that day. */
    private function reachesAhead(Criterion $criterion, int $day): bool
    {
        $prescription = $this->log->prescriptions[(string) $criterion->prescription] ?? null;
        if ($prescription === null || $criterion->rir_min !== null) {
            return false;
        }
        $dose = $prescription->dose;
        $reaches = $dose->sets >= $criterion->sets
            && ($criterion->reps === null || $dose->reps >= $criterion->reps)
            && ($criterion->hold_s === null || Number::atLeast($dose->hold_s ?? 0, $criterion->hold_s))
            && ($criterion->load_kg === null || Number::atLeast($dose->load_kg ?? 0, $criterion->load_kg));

        return $reaches && array_filter(
            $this->ahead,
            static fn(PlannedSession $planned): bool => $planned->on->number < $day && $planned->slot === ($prescription->slot ?? $planned->slot),
        ) !== [];
    }

    /** Whether the dose in force has the load that a criterion asks for. */
    private function isLoaded(Criterion $criterion): bool
    {
        return Number::atLeast($this->log->prescriptions[(string) $criterion->prescription]->dose->load_kg ?? 0, $criterion->min_load_kg ?? 0);
    }

    private function fullSport(int $day): int
    {
        return count(array_filter($this->doneBetween(PHP_INT_MIN, $day), static fn(array $one): bool => Gatekeeper::isFullSport($one['response'])));
    }

    /** What is tested, scored or signed: judged by the gate's own rule on that day. */
    private function heldByHand(Criterion $criterion, int $day): bool
    {
        return Gatekeeper::standsOn($this->log, $criterion, Day::fromNumber($day))->state === CriterionState::Met;
    }

    private function reaches(Criterion $criterion, SessionResponse $response): bool
    {
        $sets = $response->verdict->isWellBorne() ? Gatekeeper::setsThatReach($this->log, $criterion, $response->session) : null;

        return $sets !== null && $sets >= $criterion->sets;
    }

    /** @return list<EvidenceDay> */
    private function evidence(Criterion $criterion): array
    {
        $today = $this->log->today->number;
        $from = $today - (int) ($criterion->days ?? $criterion->min ?? 0) + 1;
        return match ($criterion->type) {
            CriterionType::DaysInStage => array_map(
                static fn(int $day): EvidenceDay => new EvidenceDay(Day::fromNumber($day), true),
                range($this->log->stageFrom->number, $today),
            ),
            CriterionType::ExercisePain => self::days(
                array_filter($this->doneBetween($from, $today), static fn(array $one): bool => $one['response']->during !== null),
                static fn(SessionResponse $one): bool => $one->during <= $criterion->max,
            ),
            CriterionType::LoadedPain => self::days(
                array_filter($this->doneBetween($from, $today), static fn(array $one): bool => Gatekeeper::loadedPainOf($criterion, $one['response']->session) !== null),
                static fn(SessionResponse $one): bool => Gatekeeper::loadedPainOf($criterion, $one->session) <= $criterion->max,
            ),
            CriterionType::Provocation => array_map(
                static fn(array $one): EvidenceDay => new EvidenceDay(Day::fromNumber($one['day']), $one['score'] <= $criterion->max),
                $this->scoresBetween($from, $today),
            ),
            CriterionType::CleanDays => self::days(
                array_filter($this->doneBetween($from, $today), static fn(array $one): bool => $one['response']->verdict->isJudged()),
                static fn(SessionResponse $one): bool => $one->verdict !== Verdict::Over && $one->verdict !== Verdict::Stop,
            ),
            CriterionType::Reached => self::days(
                array_filter($this->doneBetween(PHP_INT_MIN, $today), static fn(array $one): bool => $one['response']->session->setsOf((string) $criterion->prescription) !== []),
                fn(SessionResponse $one): bool => $this->reaches($criterion, $one),
            ),
            CriterionType::SportSessions => self::days(
                array_filter($this->doneBetween(PHP_INT_MIN, $today), static fn(array $one): bool => $one['response']->session->kind === SessionKind::Sport),
                static fn(SessionResponse $one): bool => Gatekeeper::isFullSport($one),
            ),
            CriterionType::Adherence => $this->plannedDays($criterion),
            default => $this->daysByHand($criterion),
        };
    }

    /**
     * @param array<int, array{day: int, response: SessionResponse}> $done
     * @param callable(SessionResponse): bool $fits
     *
     * @return list<EvidenceDay>
     */
    private static function days(array $done, callable $fits): array
    {
        return array_map(
            static fn(array $one): EvidenceDay => new EvidenceDay(Day::fromNumber($one['day']), $fits($one['response'])),
            array_values($done),
        );
    }

    /** @return list<EvidenceDay> */
    private function plannedDays(Criterion $criterion): array
    {
        $today = $this->log->today->number;
        $from = $today - ($criterion->days ?? Criterion::ADHERENCE_DAYS);
        $days = [];
        foreach ($this->log->planned as $planned) {
            if ($planned->on->number >= $from && $planned->on->number < $today) {
                $days[] = new EvidenceDay($planned->on, isset($this->begun[$planned->id]));
            }
        }

        return $days;
    }

    /** @return list<EvidenceDay> */
    private function daysByHand(Criterion $criterion): array
    {
        $on = Gatekeeper::datedBy($this->log, $criterion);

        return $on === null ? [] : [new EvidenceDay($on, Gatekeeper::standsOn($this->log, $criterion, $this->log->today)->state === CriterionState::Met)];
    }

    /** @return list<array{day: int, response: SessionResponse}> */
    private function doneBetween(int $from, int $to): array
    {
        return array_values(array_filter($this->done, static fn(array $one): bool => $one['day'] >= $from && $one['day'] <= $to));
    }

    /** @return list<array{day: int, score: int}> */
    private function scoresBetween(int $from, int $to): array
    {
        return array_values(array_filter($this->scores, static fn(array $one): bool => $one['day'] >= $from && $one['day'] <= $to));
    }

    /** Planned sessions still to come in a span of days. */
    private function aheadBetween(int $from, int $to, bool $sport = false): int
    {
        $exercised = array_filter(array_column($this->log->stage->prescriptions, 'slot'));

        return count(array_filter($this->ahead, static fn(PlannedSession $planned): bool => $planned->on->number >= $from
            && $planned->on->number <= $to
            && (!$sport || !in_array($planned->slot, $exercised, true))));
    }

    /** The first day from today on whose morning can still answer a session of a day. */
    private function morningAfter(int $day): int
    {
        return max($day + 1, $this->nextMorning());
    }

    /** Today where its morning is not answered yet, else tomorrow. */
    private function nextMorning(): int
    {
        $today = $this->log->today->number;

        return $this->scoresBetween($today, $today) === [] ? $today : $today + 1;
    }

    /** Mornings still to be answered in a span of days. */
    private function morningsBetween(int $from, int $to): int
    {
        return max(0, $to - max($from, $this->nextMorning()) + 1);
    }
}
