<?php

declare(strict_types=1);

namespace Rung\Core\Gate;

use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\CriterionResult;

/** Tells how the gate of the current stage stands (docs/rules.md, "The gate of a stage"). */
final class Gatekeeper
{
    /** @param list<SessionResponse> $responses of the log, in order of start */
    public static function look(Log $log, array $responses): Gate
    {
        $evidence = new LogEvidence($log, $responses);

        return new Gate(
            array_map(
                static fn(Criterion $criterion): CriterionResult => $criterion->on($evidence, $evidence->today()),
                $log->stage->gate,
            ),
        );
    }
}
