<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Attention\Adherence;
use Rung\Core\Dose\Mode;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\Participation;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Stage\Better;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\CriterionType;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Day;

/** Tells how the gate of the current stage stands (docs/rules.md, "The gate of a stage"). */
final class Gatekeeper
{
    /** @var list<SessionResponse> of the sessions in the stage */
    private readonly array $inStage;

    private readonly Day $today;

    /** @param list<SessionResponse> $responses of the log, in order of start */
    private function __construct(private readonly Log $log, array $responses, ?Day $today = null)
    {
        $this->today = $today ?? $log->today;
        $this->inStage = array_values(array_filter(
            $responses,
            static fn(SessionResponse $response): bool => $log->inStage($response->session),
        ));
    }

    /** @param list<SessionResponse> $responses of the log, in order of start */
    public static function look(Log $log, array $responses): Gate
    {
        $keeper = new self($log, $responses);

        return new Gate(array_map($keeper->judge(...), $log->stage->gate));
    }

    /** A criterion over tests, scores or signatures, as it stands on a day of the log. */
    public static function standsOn(Log $log, Criterion $criterion, Day $day): CriterionResult
    {
        $keeper = new self($log, [], $day);

        return $keeper->judge($criterion);
    }

    /** The date of the test, score or signature that a criterion rests on. */
    public static function datedBy(Log $log, Criterion $criterion): ?Day
    {
        $keeper = new self($log, []);

        return match ($criterion->type) {
            CriterionType::Symmetry, CriterionType::TestValue, CriterionType::TestChange => $keeper->latestTest($criterion)?->on,
            CriterionType::Outcome, CriterionType::OutcomeGain => $keeper->latestOutcome($criterion)?->on,
            CriterionType::SignOff => $keeper->signedOn(),
            default => null,
        };
    }

    /** How many sets of a session meet all that a `reached` criterion gives; null where it logged none of the exercise. */
    public static function setsThatReach(Log $log, Criterion $criterion, Session $session): ?int
    {
        $key = (string) $criterion->prescription;
        $sets = $session->setsOf($key);
        $mode = $log->prescriptions[$key]->mode;

        return $sets === [] ? null : count(array_filter($sets, static fn(LoggedSet $set): bool => self::meets($set, $criterion, $mode)));
    }

    /** The pain of the exercise that a `loaded_pain` criterion names, if a session did it and every set of it had the load. */
    public static function loadedPainOf(Criterion $criterion, Session $session): ?int
    {
        $key = (string) $criterion->prescription;
        $sets = $session->setsOf($key);
        $light = array_filter($sets, static fn(LoggedSet $set): bool => Number::under($set->load_kg ?? 0, $criterion->min_load_kg ?? 0));

        return $sets === [] || $light !== [] ? null : $session->painOf($key);
    }

    /** Whether a session is sport, in full, and well borne. */
    public static function isFullSport(SessionResponse $response): bool
    {
        return $response->verdict->isWellBorne()
            && $response->session->kind === SessionKind::Sport
            && $response->session->participation === Participation::Full;
    }

    private function judge(Criterion $criterion): CriterionResult
    {
        return match ($criterion->type) {
            CriterionType::DaysInStage => $this->atLeast($criterion, $this->today->daysSince($this->log->stageFrom)),
            CriterionType::ExercisePain => $this->exercisePain($criterion),
            CriterionType::Provocation => $this->provocation($criterion),
            CriterionType::CleanDays => $this->cleanDays($criterion),
            CriterionType::Symmetry => $this->symmetry($criterion),
            CriterionType::TestValue => $this->testValue($criterion),
            CriterionType::Reached => $this->reached($criterion),
            CriterionType::SportSessions => $this->sportSessions($criterion),
            CriterionType::Adherence => $this->adherence($criterion),
            CriterionType::Outcome => $this->outcome($criterion),
            CriterionType::SignOff => $this->signOff($criterion),
            CriterionType::LoadedPain => $this->loadedPain($criterion),
            CriterionType::TestChange => $this->testChange($criterion),
            CriterionType::OutcomeGain => $this->outcomeGain($criterion),
        };
    }

    private function exercisePain(Criterion $criterion): CriterionResult
    {
        $pains = [];
        foreach ($this->inStage as $response) {
            if ($response->during !== null && $this->log->inLastDays($response->session, $criterion->days ?? 0)) {
                $pains[] = $response->during;
            }
        }

        return $this->highest($criterion, $pains, $criterion->min_sessions ?? 0);
    }

    private function provocation(Criterion $criterion): CriterionResult
    {
        return $this->highest($criterion, $this->log->scores($criterion->days ?? 0), $criterion->min_readings ?? 0);
    }

    private function cleanDays(Criterion $criterion): CriterionResult
    {
        $since = $this->log->stageFrom;
        $judged = 0;
        foreach ($this->inStage as $response) {
            if ($response->verdict === Verdict::Over || $response->verdict === Verdict::Stop) {
                $day = $this->log->dayOf($response->session);
                $since = $day->isAfter($since) ? $day : $since;
            }
            if ($response->verdict->isJudged() && $this->log->inLastDays($response->session, (int) $criterion->min)) {
                $judged++;
            }
        }
        $days = $this->today->daysSince($since);

        return $judged < ($criterion->min_sessions ?? 1)
            ? new CriterionResult($criterion, CriterionState::NoData, $days)
            : $this->atLeast($criterion, $days);
    }

    private function symmetry(Criterion $criterion): CriterionResult
    {
        $test = $this->latestTest($criterion);
        $percent = $test === null
            ? null
            : Strength::symmetry($test->affected, $test->unaffected, $this->log->file->case->side === Side::Both);

        return $this->atLeast($criterion, $percent);
    }

    private function testValue(Criterion $criterion): CriterionResult
    {
        $test = $this->latestTest($criterion);

        return $this->atLeast($criterion, $test === null ? null : $this->affected($test));
    }

    /** The affected side's value; the smaller of the two where both are. */
    private function affected(StrengthTest $test): int|float
    {
        return $this->log->file->case->side === Side::Both ? min($test->affected, $test->unaffected) : $test->affected;
    }

    private function testChange(Criterion $criterion): CriterionResult
    {
        $latest = $this->latestTest($criterion);
        $first = null;
        $count = 0;
        foreach ($this->log->file->tests as $test) {
            if ($test->test === $criterion->test && !$test->on->isAfter($this->today)) {
                $count++;
                $first = $first === null || $first->on->isAfter($test->on) ? $test : $first;
            }
        }
        $from = $first === null ? 0 : $this->affected($first);

        return $this->atLeast($criterion, $latest === null || $count < 2 || $from == 0 ? null : 100 * ($this->affected($latest) - $from) / $from);
    }

    private function outcomeGain(Criterion $criterion): CriterionResult
    {
        $latest = $this->latestOutcome($criterion);
        $first = null;
        $count = 0;
        foreach ($this->log->file->outcomes as $outcome) {
            if ($outcome->measure === $criterion->measure && !$outcome->on->isAfter($this->today)) {
                $count++;
                $first = $first === null || $first->on->isAfter($outcome->on) ? $outcome : $first;
            }
        }
        $gain = $latest === null || $first === null || $count < 2 ? null : $latest->score - $first->score;

        return $this->atLeast($criterion, $gain === null ? null : ($criterion->better === Better::Lower ? -$gain : $gain));
    }

    /** The highest pain of one exercise over the recent sessions in which every set of it had its load. */
    private function loadedPain(Criterion $criterion): CriterionResult
    {
        $pains = [];
        foreach ($this->inStage as $response) {
            $pain = self::loadedPainOf($criterion, $response->session);
            if ($pain !== null && $this->log->inLastDays($response->session, $criterion->days ?? 0)) {
                $pains[] = $pain;
            }
        }

        return $this->highest($criterion, $pains, $criterion->min_sessions ?? 0);
    }

    private function latestTest(Criterion $criterion): ?StrengthTest
    {
        $latest = null;
        foreach ($this->log->file->tests as $test) {
            $age = $this->today->daysSince($test->on);
            if ($test->test === $criterion->test && $age >= 0
                && $age < ($criterion->within_days ?? Criterion::TEST_WITHIN_DAYS)
                && ($latest === null || $test->on->number >= $latest->on->number)) {
                $latest = $test;
            }
        }

        return $latest;
    }

    private function reached(Criterion $criterion): CriterionResult
    {
        $most = null;
        foreach ($this->inStage as $response) {
            $enough = $response->verdict->isWellBorne() ? self::setsThatReach($this->log, $criterion, $response->session) : null;
            $most = $enough === null ? $most : max($most ?? 0, $enough);
        }

        return $this->atLeast($criterion, $most);
    }

    private static function meets(LoggedSet $set, Criterion $criterion, Mode $mode): bool
    {
        $asked = [
            [$set->countedReps($mode), $criterion->reps],
            [$set->hold_s ?? 0, $criterion->hold_s],
            [$set->load_kg ?? 0, $criterion->load_kg],
            [$set->rir ?? 0, $criterion->rir_min],
        ];
        foreach ($asked as [$done, $needed]) {
            if ($needed !== null && !Number::atLeast($done, $needed)) {
                return false;
            }
        }

        return true;
    }

    private function sportSessions(Criterion $criterion): CriterionResult
    {
        return $this->atLeast($criterion, count(array_filter($this->inStage, self::isFullSport(...))));
    }

    private function adherence(Criterion $criterion): CriterionResult
    {
        return $this->atLeast($criterion, Adherence::over($this->log, $criterion->days ?? Criterion::ADHERENCE_DAYS)->percent);
    }

    private function outcome(Criterion $criterion): CriterionResult
    {
        $score = $this->latestOutcome($criterion)?->score;

        return $criterion->min !== null ? $this->atLeast($criterion, $score) : $this->atMost($criterion, $score);
    }

    private function latestOutcome(Criterion $criterion): ?Outcome
    {
        $latest = null;
        foreach ($this->log->file->outcomes as $outcome) {
            if ($outcome->measure === $criterion->measure && !$outcome->on->isAfter($this->today)
                && ($latest === null || $outcome->on->number >= $latest->on->number)) {
                $latest = $outcome;
            }
        }

        return $latest;
    }

    private function signOff(Criterion $criterion): CriterionResult
    {
        return $this->atLeast($criterion, $this->signedOn() === null ? 0 : 1);
    }

    /** The first day on which the stage was signed off, between its first day and today. */
    private function signedOn(): ?Day
    {
        $first = null;
        foreach ($this->log->file->sign_offs as $signOff) {
            if ($signOff->stage === $this->log->stage->key
                && !$this->log->stageFrom->isAfter($signOff->on)
                && !$signOff->on->isAfter($this->today)
                && ($first === null || $first->isAfter($signOff->on))) {
                $first = $signOff->on;
            }
        }

        return $first;
    }

    /** @param list<int> $values */
    private function highest(Criterion $criterion, array $values, int $enough): CriterionResult
    {
        $highest = $values === [] ? null : max($values);

        return count($values) < $enough
            ? new CriterionResult($criterion, CriterionState::NoData, $highest)
            : $this->atMost($criterion, $highest);
    }

    private function atLeast(Criterion $criterion, int|float|null $value): CriterionResult
    {
        return self::result($criterion, $value, $value !== null && Number::atLeast($value, $criterion->needed()));
    }

    private function atMost(Criterion $criterion, int|float|null $value): CriterionResult
    {
        return self::result($criterion, $value, $value !== null && Number::atMost($value, $criterion->needed()));
    }

    private static function result(Criterion $criterion, int|float|null $value, bool $met): CriterionResult
    {
        return new CriterionResult(
            $criterion,
            $value === null ? CriterionState::NoData : ($met ? CriterionState::Met : CriterionState::NotYet),
            $value,
        );
    }
}
