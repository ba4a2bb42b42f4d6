<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Decision\ActionReason;
use Rung\Core\Decision\Bout;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Number;
use Rung\Core\Response\PainBounds;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Snapshot\ReportedStop;
use Rung\Core\Time\TimeWords;

/** Every number that a proposal rests on: the answers it looks at, the run that it counts, the weekly means. */
final class Grounds
{
    /** @return list<Ground> what decides first */
    public static function fromEvaluation(Evaluation $evaluation): array
    {
        $recent = $evaluation->bouts->recent;
        $bouts = match ($evaluation->action->reason) {
            ActionReason::UnclearedStop,
            ActionReason::LongBreak,
            ActionReason::NoRecentAnswers,
            ActionReason::AnswersMissing
                => [],
            ActionReason::TwoOver, ActionReason::TwoWatch => array_slice($recent, -2),
            ActionReason::SettledRun, ActionReason::GateOpen => array_slice(
                $recent,
                -max(1, $evaluation->log->file->response_rule->progress_after),
            ),
            default => array_slice($recent, -1),
        };
        $grounds = [];
        foreach (array_reverse($bouts) as $bout) {
            array_push($grounds, ...self::ofBout($bout, $evaluation));
        }

        return [...self::counts($evaluation), ...$grounds, ...self::means($evaluation)];
    }

    /** @return list<Ground> of one session: what was judged of it, each against its limit */
    public static function ofResponse(SessionResponse $response, Evaluation $evaluation): array
    {
        $rule = $evaluation->log->file->response_rule;
        $on = $evaluation->log->dayOf($response->session);
        $grounds = [];
        if ($response->during !== null) {
            $over = array_filter(
                $response->session->entries,
                static fn($entry): bool => PainBounds::isOverMax($entry, $evaluation->log),
            );
            $grounds[] = new Ground(
                'Worst pain in the session',
                "$response->during of 10",
                "to $rule->during_max",
                $over !== [],
                $on,
            );
        }
        if ($response->session->settled_min !== null) {
            $grounds[] = new Ground(
                'Back to how it was after',
                TimeWords::minutes($response->session->settled_min),
                'within ' . TimeWords::minutes($rule->settle_within_min),
                Number::over($response->session->settled_min, $rule->settle_within_min),
                $on,
            );
        }
        if ($response->answer !== null) {
            $score = (int) $response->answer->provocation;
            $grounds[] = new Ground(
                'Test the next morning',
                "$score of 10",
                "to $rule->next_day_max",
                $score > $rule->next_day_max,
                $on,
            );
        }
        if ($response->rise !== null && $response->baseline !== null) {
            $grounds[] = new Ground(
                'Rise over the baseline of ' . Number::tenth($response->baseline),
                self::signed($response->rise),
                $rule->rise_watch_from === $rule->rise_over_from
                    ? "too much from $rule->rise_over_from"
                    : "a reaction from $rule->rise_watch_from, too much from $rule->rise_over_from",
                Number::atLeast($response->rise, $rule->rise_watch_from),
                $on,
            );
        }
        if ($response->stiffnessRise !== null && $rule->stiffness_rise_max_min !== null) {
            $grounds[] = new Ground(
                'Morning stiffness',
                self::signed($response->stiffnessRise) . ' min',
                "to +$rule->stiffness_rise_max_min min",
                Number::over($response->stiffnessRise, $rule->stiffness_rise_max_min),
                $on,
            );
        }
        foreach ([...$response->session->signs ?? [], ...$response->answer->signs ?? []] as $sign) {
            $grounds[] = new Ground(ucfirst(ResponseWords::sign($sign)), 'reported', 'none', true, $on);
        }

        return $grounds;
    }

    /** @return list<Ground> */
    private static function ofBout(Bout $bout, Evaluation $evaluation): array
    {
        $grounds = [];
        foreach ($bout->responses as $response) {
            array_push($grounds, ...self::ofResponse($response, $evaluation));
        }

        return $grounds;
    }

    /** @return list<Ground> the run of answers, and what is missing */
    private static function counts(Evaluation $evaluation): array
    {
        $needed = $evaluation->log->file->response_rule->progress_after;
        $asked = "$needed in a row";

        return match ($evaluation->action->reason) {
            ActionReason::SettledRun, ActionReason::TooFewSettled => $evaluation->gate->isOpen()
                ? [
                    new Ground(
                        'Answers well tolerated in a row',
                        (string) $evaluation->bouts->wellToleratedRun(),
                        $asked,
                    ),
                ]
                : [
                    new Ground(
                        'Settled answers since the last change',
                        (string) $evaluation->bouts->settledRun($evaluation->log),
                        $asked,
                    ),
                ],
            ActionReason::GateOpen => [
                new Ground('Answers well tolerated in a row', (string) $evaluation->bouts->wellToleratedRun(), $asked),
            ],
            ActionReason::UnclearedStop => self::stops($evaluation),
            ActionReason::TestOverLimit => [
                new Ground(
                    'Test the next morning, before anything grows',
                    self::worstAnswer($evaluation) . ' of 10',
                    "to {$evaluation->log->file->response_rule->during_max}",
                    true,
                ),
            ],
            ActionReason::AnswersMissing => [
                new Ground(
                    'Sessions without an answer',
                    (string) $evaluation->bouts->unansweredSinceLast(),
                    'fewer than 2',
                    true,
                ),
            ],
            ActionReason::LongBreak, ActionReason::NoRecentAnswers => self::sinceLast($evaluation),
            default => [],
        };
    }

    private static function worstAnswer(Evaluation $evaluation): int
    {
        return max([
            0,
            ...array_map(
                static fn(SessionResponse $response): int => $response->answer->provocation ?? 0,
                $evaluation->last()->responses ?? [],
            ),
        ]);
    }

    /** @return list<Ground> what is still to be reviewed */
    private static function stops(Evaluation $evaluation): array
    {
        $open = array_filter($evaluation->stops, static fn(StopSource $stop): bool => !$stop->isCleared());

        return array_values(
            array_map(
                static fn(StopSource $stop): Ground => new Ground(
                    'Reported, not reviewed yet',
                    ResponseWords::stop(
                        ReportedStop::fromSource($stop, $evaluation->log->file->response_rule->stop_at),
                    ),
                    "stop at {$evaluation->log->file->response_rule->stop_at} of 10 or a sign",
                    true,
                    $evaluation->log->file->timezone->dayOf($stop->began),
                ),
                $open,
            ),
        );
    }

    /** @return list<Ground> */
    private static function sinceLast(Evaluation $evaluation): array
    {
        $ended = $evaluation->log->ended;
        $newest = end($ended);
        if ($newest === false) {
            return [new Ground('Sessions so far', '0')];
        }
        $days = $evaluation->log->today->daysSince($evaluation->log->dayOf($newest));

        return [
            new Ground(
                'Since the last session',
                $days === 1 ? '1 day' : "$days days",
                'within 14 days',
                $days > 14,
                $evaluation->log->dayOf($newest),
            ),
        ];
    }

    /** @return list<Ground> */
    private static function means(Evaluation $evaluation): array
    {
        $creep = $evaluation->creep;
        if ($creep->thisWeek === null) {
            return [];
        }

        return [
            new Ground(
                'Mean morning test, 7 days',
                (string) Number::hundredth($creep->thisWeek),
                $creep->lastWeek === null ? null : 'creeping over ' . Number::hundredth($creep->lastWeek + 1),
                $creep->isCreeping(),
            ),
        ];
    }

    private static function signed(int|float $value): string
    {
        return ($value > 0 ? '+' : '') . Number::tenth($value);
    }
}
