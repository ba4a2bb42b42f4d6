<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Attention\Adherence;
use Rung\Core\CaseFile\LoggedSet;
use Rung\Core\CaseFile\Participation;
use Rung\Core\CaseFile\SessionKind;
use Rung\Core\CaseFile\Side;
use Rung\Core\CaseFile\StrengthTest;
use Rung\Core\Dose\Mode;
use Rung\Core\Number;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Strength\Strength;

/** Tells how the gate of the current stage stands (docs/rules.md, "The gate of a stage"). */
final class Gatekeeper
{
    /** @var list<SessionResponse> of the sessions in the stage */
    private readonly array $inStage;

    /** @param list<SessionResponse> $responses of the log, in order of start */
    private function __construct(private readonly Log $log, array $responses)
    {
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

    private function judge(Criterion $criterion): CriterionResult
    {
        return match ($criterion->type) {
            CriterionType::DaysInStage => $this->atLeast($criterion, $this->log->today->daysSince($this->log->stageFrom)),
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
        $days = $this->log->today->daysSince($since);

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
        $value = $test === null || $this->log->file->case->side !== Side::Both
            ? $test?->affected
            : min($test->affected, $test->unaffected);

        return $this->atLeast($criterion, $value);
    }

    private function latestTest(Criterion $criterion): ?StrengthTest
    {
        $latest = null;
        foreach ($this->log->file->tests as $test) {
            $age = $this->log->today->daysSince($test->on);
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
        $key = (string) $criterion->prescription;
        $mode = $this->log->prescriptions[$key]->mode;
        $most = null;
        foreach ($this->inStage as $response) {
            $sets = $response->verdict->isWellBorne() ? $response->session->setsOf($key) : [];
            if ($sets !== []) {
                $enough = count(array_filter($sets, static fn(LoggedSet $set): bool => self::meets($set, $criterion, $mode)));
                $most = max($most ?? 0, $enough);
            }
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
        return $this->atLeast($criterion, count(array_filter(
            $this->inStage,
            static fn(SessionResponse $response): bool => $response->verdict->isWellBorne()
                && $response->session->kind === SessionKind::Sport
                && $response->session->participation === Participation::Full,
        )));
    }

    private function adherence(Criterion $criterion): CriterionResult
    {
        return $this->atLeast($criterion, Adherence::over($this->log, $criterion->days ?? Criterion::ADHERENCE_DAYS)->percent);
    }

    private function outcome(Criterion $criterion): CriterionResult
    {
        $latest = null;
        foreach ($this->log->file->outcomes as $outcome) {
            if ($outcome->measure === $criterion->measure && !$outcome->on->isAfter($this->log->today)
                && ($latest === null || $outcome->on->number >= $latest->on->number)) {
                $latest = $outcome;
            }
        }

        return $criterion->min !== null
            ? $this->atLeast($criterion, $latest?->score)
            : $this->atMost($criterion, $latest?->score);
    }

    private function signOff(Criterion $criterion): CriterionResult
    {
        $signed = 0;
        foreach ($this->log->file->sign_offs as $signOff) {
            if ($signOff->stage === $this->log->stage->key
                && !$this->log->stageFrom->isAfter($signOff->on)
                && !$signOff->on->isAfter($this->log->today)) {
                $signed = 1;
            }
        }

        return $this->atLeast($criterion, $signed);
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
