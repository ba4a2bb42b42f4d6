<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\StartsWhen;
use Rung\Core\Plan\Waiting;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;

/** What the plan itself lets begin on a day: exercises whose condition has come (docs/rules.md, "What begins later"). */
final class Beginning
{
    /** @param list<string> $found findings of the examination, by key */
    public static function begin(Plan $plan, Evaluation $evaluation, array $found): PlanStep
    {
        $stage = $plan->stage($evaluation->log->stage->key);
        if ($stage === null || $stage->waiting === [] || $plan->maintenance !== null || !self::isCalm($evaluation)) {
            return new PlanStep($plan, [], []);
        }
        $begins = static fn(Waiting $waiting): bool => self::hasCome($waiting->startsWhen, $stage, $evaluation, $found);
        $begun = array_values(array_filter($stage->waiting, $begins));

        return new PlanStep(
            $plan->withStage($stage->beginning($begins)),
            array_map(
                static fn(Waiting $waiting): DoseChange => new DoseChange(
                    $evaluation->log->at,
                    DoseChangeKind::Progress,
                    $waiting->prescription->key,
                ),
                $begun,
            ),
            array_map(
                static fn(Waiting $waiting): ChangeNote => new ChangeNote(
                    ChangeNoteKind::Begins,
                    after: $waiting->prescription,
                    startsWhen: $waiting->startsWhen,
                ),
                $begun,
            ),
        );
    }

    /** Nothing new begins while something was too much, or within a week after a stop. */
    private static function isCalm(Evaluation $evaluation): bool
    {
        $action = $evaluation->action;

        return !in_array($action->kind, [ActionKind::Stop, ActionKind::Ease, ActionKind::StepDown], true) &&
            !in_array(
                $action->reason,
                [ActionReason::RecentStop, ActionReason::AlreadyEased, ActionReason::CreepingBaseline],
                true,
            );
    }

    /** @param list<string> $found */
    private static function hasCome(StartsWhen $when, PlanStage $stage, Evaluation $evaluation, array $found): bool
    {
        return match (true) {
            $when->stageWeek !== null => intdiv($evaluation->log->today->daysSince($evaluation->log->stageFrom), 7) +
                1 >=
                $when->stageWeek,
            $when->finding !== null => in_array($when->finding, $found, true),
            default => self::othersWereFull($stage, $evaluation),
        };
    }

    /** Whether every corridor of the stage has reached its upper end; work beside the stage is not looked at. */
    private static function othersWereFull(PlanStage $stage, Evaluation $evaluation): bool
    {
        $corridors = array_filter(
            $evaluation->log->stage->prescriptions,
            static fn(Prescription $prescription): bool => $prescription->dose->corridor() !== null &&
                $stage->slot($prescription->slot)?->beside === null,
        );

        return $corridors !== [] &&
            array_filter(
                $corridors,
                static fn(Prescription $prescription): bool => !$evaluation->work
                    ->history($prescription)
                    ->wasEverFull(),
            ) === [];
    }
}
