<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\Number;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\Session;
use Rung\Core\Record\Sign;
use Rung\Core\Time\Moment;

/** Judges every session of a log by its 24-hour response (docs/rules.md, "The 24-hour response"). */
final class ResponseJudge
{
    private const BASELINE_READINGS = 3;

    private const BASELINE_HOURS = 7 * 24;

    private const ANSWER_FROM_HOURS = 5;

    private const ANSWER_TO_HOURS = 36;

    private const SECOND_MORNING_TO_HOURS = 60;

    private const COMPARE_PAIN_HOURS = 14 * 24;

    /** Points by which an exercise's own pain may not rise from one session to the next. */
    private const PAIN_RISE_WATCH = 2;

    /** @var list<int> the ends of all sessions, rising */
    private readonly array $ends;

    /** @var list<int> the starts of all sessions, those under way among them, rising */
    private readonly array $starts;

    /** @var list<int> the instants of the scored check-ins, rising */
    private readonly array $scoredAt;

    /** @var list<int> their scores */
    private readonly array $scores;

    /** @var list<int> the instants of the check-ins with stiffness, rising */
    private readonly array $stiffAt;

    /** @var list<int|float> their stiffness */
    private readonly array $stiffness;

    /** @var array<string, list<array{Moment, int}>> starts and highest pains of each prescription so far */
    private array $pains = [];

    /** @var array<string, list<int>> the instants of the changes of dose that concern a prescription, rising */
    private array $changes = [];

    private function __construct(private readonly Log $log)
    {
        $instant = static fn(CheckIn $checkIn): int => $checkIn->at->micros;
        $ends = array_map(static fn(Session $session): int => $session->ended_at->micros, $log->ended);
        sort($ends);
        $this->ends = $ends;
        $this->starts = array_map(static fn(Session $session): int => $session->started_at->micros, $log->started);
        $this->scoredAt = array_map($instant, $log->scored);
        $this->stiffAt = array_map($instant, $log->stiff);
        $this->scores = array_map(static fn(CheckIn $checkIn): int => $checkIn->provocation ?? 0, $log->scored);
        $this->stiffness = array_map(
            static fn(CheckIn $checkIn): int|float => $checkIn->stiffness_min ?? 0,
            $log->stiff,
        );
    }

    /**
     * @return list<SessionResponse> of the sessions that ended by the log's moment, in order of start
     */
    public static function judge(Log $log): array
    {
        $judge = new self($log);
        $responses = [];
        foreach ($log->ended as $session) {
            $responses[] = $judge->respond($session);
        }

        return $responses;
    }

    private function respond(Session $session): SessionResponse
    {
        $baseline = self::baseline($this->scoredAt, $this->scores, $session->started_at);
        $stiffnessBaseline = self::baseline($this->stiffAt, $this->stiffness, $session->started_at);
        $answering = $this->answer($session);
        $answer = $answering === null ? null : $this->log->scored[$answering];
        $second = $answering === null ? null : $this->secondMorning($session, $answering);
        $difference = static fn(int|float|null $value, int|float|null $base): int|float|null => $value === null ||
        $base === null
            ? null
            : $value - $base;
        $rise = $difference($answer?->provocation, $baseline);
        $stiffnessRise = $difference($answer?->stiffness_min, $stiffnessBaseline);
        $secondRise = $difference($second?->provocation, $baseline);
        $painRose = $this->painRose($session);

        [$verdict, $reasons] = $this->verdict(
            $session,
            $baseline,
            $answer,
            $rise,
            $stiffnessRise,
            $secondRise,
            $painRose,
        );

        return new SessionResponse(
            $session,
            $session->during(),
            $baseline,
            $answer,
            $rise,
            $stiffnessRise,
            $verdict,
            $reasons,
        );
    }

    /** @return array{Verdict, list<string>} the first level of the table that holds, with its reasons */
    private function verdict(
        Session $session,
        int|float|null $baseline,
        ?CheckIn $answer,
        int|float|null $rise,
        int|float|null $stiffnessRise,
        int|float|null $secondRise,
        bool $painRose,
    ): array {
        $rule = $this->log->file->response_rule;
        $prevention = $this->log->file->case->isPrevention();
        $during = $session->during();
        $score = $answer?->provocation;
        [$overMax, $underMin, $gotWorse] = $this->entries($session);

        $stops = $this->stops(
            $session,
            $answer,
            max($during ?? 0, $score ?? 0) >= $rule->stop_at && ($during ?? $score) !== null,
        );
        if ($stops !== []) {
            return [Verdict::Stop, $stops];
        }
        $over = self::that([
            [VerdictReason::DuringOverMax, $overMax],
            [VerdictReason::SlowToSettle, self::over($session->settled_min, $rule->settle_within_min)],
            [
                VerdictReason::NextDayOverMax,
                self::over($score, $rule->next_day_max) && ($baseline === null || self::over($score, $baseline)),
            ],
            [VerdictReason::NextDayRise, self::atLeast($rise, $rule->rise_over_from)],
            [VerdictReason::StiffnessRise, self::over($stiffnessRise, $rule->stiffness_rise_max_min)],
            [VerdictReason::NightAche, in_array(Sign::NightAche, $answer->signs ?? [], true)],
            [VerdictReason::SecondDayRise, self::atLeast($secondRise, $rule->rise_over_from)],
        ]);
        if ($over !== []) {
            return [Verdict::Over, $over];
        }
        if (!$prevention && $answer === null && $this->mayStillBeAnswered($session)) {
            return [Verdict::Pending, [VerdictReason::AwaitingAnswer->value]];
        }
        $unanswered = self::that([
            [VerdictReason::NoPainLogged, $during === null],
            [VerdictReason::NoBaseline, !$prevention && $baseline === null],
            [VerdictReason::NoAnswer, !$prevention && $answer === null],
        ]);
        if ($unanswered !== []) {
            return [Verdict::Unanswered, $unanswered];
        }
        $watch = self::that([
            [VerdictReason::SmallNextDayRise, self::atLeast($rise, $rule->rise_watch_from)],
            [VerdictReason::ExercisePainRise, $painRose],
            [VerdictReason::RetestWorse, $gotWorse],
        ]);
        if ($watch !== []) {
            return [Verdict::Watch, $watch];
        }

        return $underMin ? [Verdict::Under, [VerdictReason::BelowTargetPain->value]] : [Verdict::Settled, []];
    }

    /** @return list<string> */
    private function stops(Session $session, ?CheckIn $answer, bool $atStopLevel): array
    {
        $reasons = [];
        foreach (StopSigns::among([...$session->signs ?? [], ...$answer->signs ?? []]) as $sign) {
            $reasons[] = 'sign:' . $sign->value;
        }
        if ($atStopLevel) {
            $reasons[] = VerdictReason::PainAtStopLevel->value;
        }

        return $reasons;
    }

    /** @return array{bool, bool, bool} whether any entry is over its limit, under what it aims at, worse at the test after it */
    private function entries(Session $session): array
    {
        [$overMax, $underMin, $gotWorse] = [false, false, false];
        foreach ($session->entries as $entry) {
            $overMax = $overMax || PainBounds::isOverMax($entry, $this->log);
            $underMin = $underMin || PainBounds::isUnderMin($entry, $this->log);
            $gotWorse = $gotWorse || $entry->testGotWorse();
        }

        return [$overMax, $underMin, $gotWorse];
    }

    private static function over(int|float|null $value, int|float|null $limit): bool
    {
        return $value !== null && $limit !== null && Number::over($value, $limit);
    }

    private static function atLeast(int|float|null $value, int|float $limit): bool
    {
        return $value !== null && Number::atLeast($value, $limit);
    }

    /**
     * @param list<array{VerdictReason, bool}> $checks
     *
     * @return list<string>
     */
    private static function that(array $checks): array
    {
        $hold = [];
        foreach ($checks as [$reason, $holds]) {
            if ($holds) {
                $hold[] = $reason->value;
            }
        }

        return $hold;
    }

    /**
     * The median of the latest three readings strictly before a start and at most a week before it.
     *
     * @param list<int> $instants rising
     * @param list<int|float> $readings taken at them
     */
    private static function baseline(array $instants, array $readings, Moment $start): int|float|null
    {
        $values = [];
        $earliest = $start->micros - self::BASELINE_HOURS * Moment::HOUR;
        for (
            $i = self::firstOver($instants, $start->micros - 1) - 1;
            $i >= 0 && count($values) < self::BASELINE_READINGS;
            $i--
        ) {
            if ($instants[$i] < $earliest) {
                break;
            }
            $values[] = $readings[$i];
        }

        return $values === [] ? null : Number::median($values);
    }

    /**
     * The place among the scored check-ins of the one that answers: of the next morning, before the next session where
     * that is possible, the worst of them.
     */
    private function answer(Session $session): ?int
    {
        $end = $session->ended_at->micros;
        $last = $end + self::ANSWER_TO_HOURS * Moment::HOUR;
        $startedOn = $this->log->dayOf($session)->number;
        $candidates = [];
        $on = PHP_INT_MAX;
        for (
            $i = self::firstOver($this->scoredAt, $end + self::ANSWER_FROM_HOURS * Moment::HOUR - 1);
            isset($this->scoredAt[$i]) && $this->scoredAt[$i] <= $last;
            $i++
        ) {
            $day = $this->log->scoredDay($i);
            if ($day > $startedOn && $day <= $on) {
                $candidates = $day < $on ? [$i] : [...$candidates, $i];
                $on = $day;
            }
        }
        if ($candidates === []) {
            return null;
        }
        $next = $this->starts[self::firstOver($this->starts, $end)] ?? PHP_INT_MAX;
        $best = null;
        foreach ($candidates as $i) {
            if ($this->scoredAt[$i] <= $next && ($best === null || $this->scores[$i] > $this->scores[$best])) {
                $best = $i;
            }
        }

        return $best ?? $candidates[0];
    }

    /** The first score of a later date than the answer's, if no other session ended in between. */
    private function secondMorning(Session $session, int $answering): ?CheckIn
    {
        $end = $session->ended_at->micros;
        for ($i = $answering + 1; isset($this->scoredAt[$i]); $i++) {
            if ($this->log->scoredDay($i) > $this->log->scoredDay($answering)) {
                return $this->scoredAt[$i] > $end + self::SECOND_MORNING_TO_HOURS * Moment::HOUR ||
                    self::anyBetween($this->ends, $end, $this->scoredAt[$i])
                    ? null
                    : $this->log->scored[$i];
            }
        }

        return null;
    }

    private function mayStillBeAnswered(Session $session): bool
    {
        return $this->log->at->micros < $session->ended_at->micros + self::ANSWER_TO_HOURS * Moment::HOUR;
    }

    /** Whether an exercise hurt at least two points more than in the latest comparable session before. */
    private function painRose(Session $session): bool
    {
        $rose = false;
        $own = [];
        foreach ($session->entries as $entry) {
            if ($entry->prescription === null || $entry->pain === null) {
                continue;
            }
            $before = $this->comparablePain($entry->prescription, $session->started_at);
            $rose = $rose || ($before !== null && $entry->pain - $before >= self::PAIN_RISE_WATCH);
            $own[$entry->prescription] = max($own[$entry->prescription] ?? 0, $entry->pain);
        }
        foreach ($own as $prescription => $pain) {
            $this->pains[$prescription][] = [$session->started_at, $pain];
        }

        return $rose;
    }

    private function comparablePain(string $prescription, Moment $start): ?int
    {
        $earlier = $this->pains[$prescription] ?? [];
        for ($i = count($earlier) - 1; $i >= 0; $i--) {
            [$at, $pain] = $earlier[$i];
            if (!$start->after($at)) {
                continue;
            }
            if (!$at->withinHoursBefore($start, self::COMPARE_PAIN_HOURS)) {
                return null;
            }

            return $this->changedBetween($prescription, $at, $start) ? null : $pain;
        }

        return null;
    }

    /** Whether a change of dose that concerns a prescription lies strictly between two moments. */
    private function changedBetween(string $prescription, Moment $after, Moment $before): bool
    {
        $this->changes[$prescription] ??= array_values(
            array_map(
                static fn(DoseChange $change): int => $change->at->micros,
                array_filter(
                    $this->log->doseChanges,
                    static fn(DoseChange $change): bool => $change->concerns($prescription),
                ),
            ),
        );

        return self::anyBetween($this->changes[$prescription], $after->micros, $before->micros);
    }

    /**
     * Whether one lies strictly between two instants.
     *
     * @param list<int> $rising
     */
    private static function anyBetween(array $rising, int $after, int $before): bool
    {
        $first = self::firstOver($rising, $after);

        return isset($rising[$first]) && $rising[$first] < $before;
    }

    /**
     * The index of the first that is over a value; the count where none is.
     *
     * @param list<int> $rising
     */
    private static function firstOver(array $rising, int $value): int
    {
        [$low, $high] = [0, count($rising)];
        while ($low < $high) {
            $middle = ($low + $high) >> 1;
            if ($rising[$middle] > $value) {
                $high = $middle;
            } else {
                $low = $middle + 1;
            }
        }

        return $low;
    }
}
