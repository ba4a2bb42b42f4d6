<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\Evidence;
use Rung\Core\Time\Day;

/**
 * The gate seen along time (docs/rules.md, "The gate in time"): since when each criterion is met, and the earliest day
 * on which it can be met if from now on every planned session is done and well tolerated and every morning is answered
 * within the limit.
 */
final class GateOutlook
{
    /** Days ahead within which a day is looked for. */
    public const AHEAD_DAYS = 120;

    /**
     * @param list<SessionResponse> $responses of the log, in order of start
     *
     * @return list<CriterionOutlook> in the gate's order
     */
    public static function forGate(Log $log, array $responses, Gate $gate): array
    {
        $evidence = new LogEvidence($log, $responses);

        return array_map(
            static fn(CriterionResult $result): CriterionOutlook => new CriterionOutlook(
                $result,
                $result->state === CriterionState::Met ? self::since($result->criterion, $evidence) : null,
                $result->state === CriterionState::Met ? null : self::earliest($result->criterion, $evidence),
                $result->criterion->days($evidence),
            ),
            $gate->criteria,
        );
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
            $latest =
                $outlook->earliest === null
                    ? null
                    : ($outlook->earliest->isAfter($latest)
                        ? $outlook->earliest
                        : $latest);
        }

        return $latest;
    }

    private static function since(Criterion $criterion, Evidence $evidence): Day
    {
        $day = $evidence->today();
        while ($day > $evidence->stageFrom() && $criterion->on($evidence, $day - 1)->state === CriterionState::Met) {
            $day--;
        }

        return Day::fromNumber($day);
    }

    private static function earliest(Criterion $criterion, Evidence $evidence): ?Day
    {
        for ($day = $evidence->today(); $day <= $evidence->today() + self::AHEAD_DAYS; $day++) {
            if ($criterion->canBeMetOn($evidence, $day)) {
                return Day::fromNumber($day);
            }
        }

        return null;
    }
}
