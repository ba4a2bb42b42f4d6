<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\CaseFile\DoseChangeKind;
use Rung\Core\Response\Creep;
use Rung\Core\Response\Log;
use Rung\Core\Response\PainBounds;
use Rung\Core\Response\Verdict;

/** Finds what to do next (docs/rules.md, "What to do next"). */
final class Decider
{
    private const LONG_BREAK_HOURS = 14 * 24;

    private const WEEK_HOURS = 7 * 24;

    private const MAX_UNANSWERED = 2;

    /** @param list<StopSource> $stops */
    public function __construct(
        private readonly Log $log,
        private readonly Bouts $bouts,
        private readonly Creep $creep,
        private readonly bool $gateOpen,
        private readonly bool $laterStage,
        private readonly array $stops,
    ) {}

    public function decide(): Action
    {
        $action = $this->first();

        return $action->raisesLoad() ? $this->heldBack() ?? $action : $action;
    }

    private function first(): Action
    {
        foreach ($this->stops as $stop) {
            if (!$stop->cleared) {
                return new Action(ActionKind::Stop, ActionReason::UnclearedStop);
            }
        }
        $last = $this->bouts->last();
        if ($last === null) {
            return $this->isLongBreak()
                ? new Action(ActionKind::StepDown, ActionReason::LongBreak)
                : new Action(ActionKind::Gather, ActionReason::NoRecentAnswers);
        }
        if ($this->bouts->unansweredSinceLast() >= self::MAX_UNANSWERED) {
            return new Action(ActionKind::Gather, ActionReason::AnswersMissing);
        }

        return match (true) {
            $last->verdict === Verdict::Over => $this->afterOver($last),
            $last->verdict === Verdict::Watch => $this->afterWatch($last),
            $this->gateOpen => $this->throughGate(),
            $last->verdict === Verdict::Under => $this->log->changedAfter(
                $last->latestEnd(),
                static fn(DoseChangeKind $kind): bool => $kind === DoseChangeKind::AddLoad || $kind === DoseChangeKind::Manual,
            )
                ? new Action(ActionKind::Repeat, ActionReason::AlreadyAdded)
                : new Action(ActionKind::AddLoad, ActionReason::BelowTargetPain),
            default => $this->afterSettled(),
        };
    }

    private function afterOver(Bout $last): Action
    {
        return match (true) {
            $this->relievedSince($last) => new Action(ActionKind::Repeat, ActionReason::AlreadyEased),
            $this->sportAlone($last) => new Action(ActionKind::Ease, ActionReason::SportOver),
            $this->bouts->beforeLast()?->verdict === Verdict::Over => new Action(ActionKind::StepDown, ActionReason::TwoOver),
            default => new Action(ActionKind::Ease, ActionReason::OneOver),
        };
    }

    private function afterWatch(Bout $last): Action
    {
        $twice = $this->bouts->beforeLast()?->verdict === Verdict::Watch;
        if (($twice || $this->creep->isCreeping()) && !$this->relievedSince($last)) {
            return new Action(ActionKind::Ease, $twice ? ActionReason::TwoWatch : ActionReason::Creeping);
        }

        return new Action(ActionKind::Repeat, ActionReason::SmallRise);
    }

    private function throughGate(): Action
    {
        if ($this->bouts->wellBorneRun() < $this->log->file->response_rule->progress_after) {
            return new Action(ActionKind::Repeat, ActionReason::TooFewSettled);
        }

        return new Action($this->laterStage ? ActionKind::Advance : ActionKind::Finish, ActionReason::GateOpen);
    }

    private function afterSettled(): Action
    {
        $run = $this->bouts->settledRun($this->log);

        return $run >= $this->log->file->response_rule->progress_after
            ? new Action(ActionKind::Progress, ActionReason::SettledRun)
            : new Action(ActionKind::Repeat, ActionReason::TooFewSettled);
    }

    /** What takes the place of a proposal to raise the load, where something speaks against it. */
    private function heldBack(): ?Action
    {
        foreach ($this->stops as $stop) {
            if ($this->log->at->micros - $stop->began->micros < self::WEEK_HOURS * \Rung\Core\Time\Moment::HOUR) {
                return new Action(ActionKind::Repeat, ActionReason::RecentStop);
            }
        }
        $last = $this->bouts->last();
        if ($last !== null && !$last->latestStart()->withinHoursBefore($this->log->at, self::WEEK_HOURS)) {
            return new Action(ActionKind::Repeat, ActionReason::StaleAnswers);
        }
        if ($last !== null && $this->testOverLimit($last)) {
            return new Action(ActionKind::Repeat, ActionReason::TestOverLimit);
        }
        if (!$this->creep->isCreeping()) {
            return null;
        }
        $relieved = array_filter(
            $this->log->doseChanges,
            fn($change): bool => $change->kind->relieves() && $change->at->withinHoursBefore($this->log->at, self::WEEK_HOURS),
        );

        return $relieved === [] && Creep::of($this->log, 7)->isCreeping()
            ? new Action(ActionKind::Ease, ActionReason::CreepingTwoWeeks)
            : new Action(ActionKind::Repeat, ActionReason::CreepingBaseline);
    }

    private function testOverLimit(Bout $last): bool
    {
        $over = false;
        foreach ($last->responses as $response) {
            foreach ($response->session->entries as $entry) {
                if (PainBounds::min($entry, $this->log) !== null) {
                    return false;
                }
            }
            $over = $over || ($response->answer->provocation ?? 0) > $this->log->file->response_rule->during_max;
        }

        return $over;
    }

    private function relievedSince(Bout $last): bool
    {
        return $this->log->changedAfter($last->latestEnd(), static fn(DoseChangeKind $kind): bool => $kind->relieves());
    }

    /** Whether something was over its limit, and only what belongs to no prescription. */
    private function sportAlone(Bout $last): bool
    {
        $any = false;
        foreach ($last->sessions() as $session) {
            foreach ($session->entries as $entry) {
                if (PainBounds::isOverMax($entry, $this->log)) {
                    if ($entry->prescription !== null) {
                        return false;
                    }
                    $any = true;
                }
            }
        }

        return $any;
    }

    private function isLongBreak(): bool
    {
        $ended = $this->log->ended;
        $newest = end($ended);
        if ($newest === false || $newest->started_at->withinHoursBefore($this->log->at, self::LONG_BREAK_HOURS)) {
            return false;
        }
        $endedOn = $this->log->file->timezone->dayOf($newest->ended_at);
        foreach ($this->log->stageHistory as $entry) {
            if ($entry->from->isAfter($endedOn)) {
                return false;
            }
        }

        return !$this->log->changedAfter($newest->ended_at, static fn(DoseChangeKind $kind): bool => $kind->relieves());
    }
}
