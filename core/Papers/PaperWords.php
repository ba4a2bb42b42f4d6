<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Attention\Adherence;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Number;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Response\Creep;
use Rung\Core\Snapshot\ReportedStop;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\TechniqueSigned;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\GateWords;
use Rung\Core\Words\ResponseWords;

/** The sentences that papers are drafted from, each of them true of the record or left out. */
final class PaperWords
{
    private const WEEK = 7;

    /** Whom and what a paper is about: "Re: …" */
    public static function about(PaperKind $kind, PaperFacts $facts): string
    {
        $born = $facts->bornOn === null ? null : 'born ' . self::date($facts->bornOn);
        $what = $kind->namesDiagnosis() ? self::structure($facts) : null;

        return implode(', ', array_filter([$facts->athlete, $kind === PaperKind::Coach ? null : $born, $what]));
    }

    /** "Mon 4 May 2026" */
    public static function date(Day $day): string
    {
        return TimeWords::day($day) . ' ' . substr($day->toIso(), 0, 4);
    }

    /** "patellar tendon, left" */
    public static function structure(PaperFacts $facts): string
    {
        return lcfirst($facts->structureTitle) . ', ' . ($facts->side === 'both' ? 'both sides' : $facts->side);
    }

    public static function found(PaperFacts $facts): string
    {
        return self::sentences([
            "$facts->athlete has been with us since " .
            self::date($facts->openedOn) .
            ': ' .
            self::structure($facts) .
            '.',
            $facts->beganOn === null
                ? null
                : 'The pain began on ' .
                    self::date($facts->beganOn) .
                    ($facts->loadChange === null ? '.' : ", after: $facts->loadChange."),
            $facts->beganOn === null && $facts->loadChange !== null ? "Before it came: $facts->loadChange." : null,
            $facts->aggravating === null ? null : "It is worse with: $facts->aggravating.",
        ]);
    }

    public static function done(PaperFacts $facts): string
    {
        $log = $facts->evaluation->log;
        $adherence = Adherence::over($log, max(1, $log->today->daysSince($facts->openedOn)));
        $titles = array_map(static fn(PlanStage $stage): string => lcfirst($stage->stage->title), $facts->plan->stages);
        $sessions = count($log->ended);

        return self::sentences([
            $facts->programme === null
                ? null
                : "The programme: {$facts->programme->title}; " .
                    (count($titles) === 1
                        ? "one stage, {$titles[0]}."
                        : 'its stages are ' . implode(', then ', $titles) . '.'),
            $sessions === 0
                ? 'No session has been done yet.'
                : "$sessions " .
                    ($sessions === 1 ? 'session has' : 'sessions have') .
                    ' been done' .
                    ($adherence->percent === null
                        ? '.'
                        : ", $adherence->done of $adherence->due planned ones ($adherence->percent %)."),
            $facts->advice === []
                ? null
                : 'Advised for now: ' .
                    implode(' ', array_map(static fn(string $text): string => rtrim($text, '.') . '.', $facts->advice)),
        ]);
    }

    /** The limits of pain as a reader outside the practice needs them. */
    public static function limits(ResponseRule $rule): string
    {
        return "While loading, pain of up to $rule->during_max of 10 is allowed where it has calmed down by the next morning (the test then at $rule->next_day_max or under). At $rule->stop_at of 10 loading stops.";
    }

    public static function stage(PaperFacts $facts): string
    {
        $log = $facts->evaluation->log;
        $keys = array_map(static fn(PlanStage $stage): string => $stage->stage->key, $facts->plan->stages);
        $number = array_search($log->stage->key, $keys, true);

        return 'The stage now is ' .
            lcfirst($log->stage->title) .
            ($number === false ? '' : ' (' . ($number + 1) . ' of ' . count($keys) . ')') .
            ', since ' .
            self::date($log->stageFrom) .
            '.';
    }

    /** The morning test in the first week and in the last; null where there were no answers. */
    public static function mornings(PaperFacts $facts): ?string
    {
        [$first, $last] = self::means($facts);
        if ($first === null) {
            return null;
        }
        $words =
            "The morning test ($facts->morningTest) scored " .
            self::tenth($first) .
            ' of 10 on average in the first week';

        return $last === null ? "$words." : "$words and " . self::tenth($last) . ' in the last.';
    }

    /** @return array{int|float|null, int|float|null} means of the first week with an answer, and of the last seven days */
    public static function means(PaperFacts $facts): array
    {
        $log = $facts->evaluation->log;
        $first = $log->firstScoreOn();
        if ($first === null) {
            return [null, null];
        }
        $ago = $log->today->daysSince($first);
        $firstWeek = $log->scores(self::WEEK, max(0, $ago - self::WEEK + 1));
        $lastWeek = $ago < self::WEEK ? [] : $log->scores(self::WEEK);

        return [$firstWeek === [] ? null : Creep::mean($firstWeek), $lastWeek === [] ? null : Creep::mean($lastWeek)];
    }

    /** What was measured last, and how the sides compare. */
    public static function measure(MeasureCourse $course): ?string
    {
        $latest = $course->latest();
        if ($latest === null) {
            return null;
        }
        $unit = $course->measure->unit;
        $side =
            $latest->taken->unaffected === null
                ? ''
                : ' on the sore side, ' . self::tenth($latest->taken->unaffected) . " $unit on the other";
        $symmetry =
            $latest->symmetryPercent === null ? '' : ' (symmetry ' . self::tenth($latest->symmetryPercent) . ' %)';

        return $course->measure->title .
            ' on ' .
            self::date($latest->taken->on) .
            ': ' .
            self::tenth($latest->taken->affected) .
            " $unit$side$symmetry.";
    }

    public static function missing(PaperFacts $facts): ?string
    {
        if ($facts->plan->maintenance !== null) {
            return null;
        }
        $missing = array_map(
            static fn(CriterionOutlook $outlook): string => GateWords::criterion($outlook->result),
            array_values(
                array_filter(
                    $facts->evaluation->outlooks(),
                    static fn(CriterionOutlook $outlook): bool => $outlook->result->state !== CriterionState::Met &&
                        !($outlook->result->criterion instanceof TechniqueSigned),
                ),
            ),
        );

        return $missing === [] ? null : 'Still missing for the next step: ' . implode('; ', $missing) . '.';
    }

    /** A stop that waits for a review; null where none does. */
    public static function stop(PaperFacts $facts): ?string
    {
        $words = self::signs($facts, true);

        return match (true) {
            $words !== [] => 'Loading is stopped: ' . implode('; ', $words) . '.',
            $facts->severeFlare => 'Loading is stopped: a flare at the stop level was reported between sessions.',
            default => null,
        };
    }

    /** @return list<string> what was reported, with its day */
    public static function signs(PaperFacts $facts, bool $openAlone): array
    {
        $words = [];
        foreach ($facts->evaluation->stops as $stop) {
            if (!$openAlone || !$stop->isCleared()) {
                $words[] =
                    ResponseWords::stop(
                        ReportedStop::fromSource($stop, $facts->evaluation->log->file->response_rule->stop_at),
                    ) .
                    ', reported on ' .
                    self::date($facts->evaluation->log->file->timezone->dayOf($stop->began));
            }
        }

        return $words;
    }

    public static function tenth(int|float $value): string
    {
        return (string) Number::tenth($value);
    }

    /** @param list<?string> $sentences */
    public static function sentences(array $sentences): string
    {
        return implode(
            ' ',
            array_filter($sentences, static fn(?string $sentence): bool => $sentence !== null && $sentence !== ''),
        );
    }
}
