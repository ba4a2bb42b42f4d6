<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Decision\Action;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Plan\Maintenance;
use Rung\Core\Plan\Plan;

/** After a programme is finished: its doses are kept up, and later it is asked whether it stays good (docs/rules.md, "Maintenance"). */
final class KeepingUp
{
    /**
     * What finishing does to a plan.
     *
     * @param int $perWeek sessions from Monday to Sunday, 1 or 2
     */
    public static function finish(Plan $plan, Evaluation $evaluation, int $perWeek): PlanStep
    {
        $log = $evaluation->log;
        $maintenance = Maintenance::forStage($log->stage->key, $log->today, $perWeek);

        return new PlanStep(
            $plan->maintained($maintenance),
            [],
            [new ChangeNote(ChangeNoteKind::KeptUp, until: $maintenance->until, perWeek: $maintenance->perWeek)],
        );
    }

    /** How a case stands whose plan is kept up: too much is too much, and nothing else is proposed until the time is over. */
    public static function judged(Plan $plan, Evaluation $evaluation): Evaluation
    {
        $kept = $plan->maintenance;
        if ($kept === null || $kept->stage !== $evaluation->log->stage->key) {
            return $evaluation;
        }
        $isOver = $kept->isOver($evaluation->log->today);
        $attention = $evaluation->attention->whereMaintained($isOver);
        if (in_array($evaluation->action->kind, [ActionKind::Stop, ActionKind::StepDown, ActionKind::Ease], true)) {
            return $evaluation->decidedAs($evaluation->action, $attention, $evaluation->proposals);
        }

        return $evaluation->decidedAs(
            $isOver
                ? new Action(ActionKind::Finish, ActionReason::MaintenanceOver)
                : new Action(ActionKind::Repeat, ActionReason::Maintained),
            $attention,
            [],
        );
    }
}
