<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Record\SessionKind;
use Rung\Core\Response\Creep;
use Rung\Core\Response\Log;
use Rung\Core\Response\PainBounds;
use Rung\Core\Response\Verdict;
use Rung\Core\Time\Moment;

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
            if (!$stop->isCleared()) {
                return new Action(ActionKind::Stop, ActionReason::UnclearedStop);
            }
        }
        $last = $this->bouts->last();
        if ($last === null) {
            return $this->isLongBreak()
                ? new Action(ActionKind::StepDown, ActionReason::LongBreak)
                : new Action(ActionKind::Gather, ActionReason::NoRecentAnswers);
        }
        $isOpenOver = $last->verdict === Verdict::Over && !$this->log->relievedAfter($last->latestEnd());
        if (!$isOpenOver && $this->bouts->unansweredSinceLast() >= self::MAX_UNANSWERED) {
            return new Action(ActionKind::Gather, ActionReason::AnswersMissing);
        }

        return match (true) {
            $last->verdict === Verdict::Over => $this->afterOver($last),
            $last->verdict === Verdict::Watch => $this->afterWatch($last),
            $this->gateOpen => $this->throughGate(),
            $last->verdict === Verdict::Under => $this->log->changedAfter(
                $last->latestEnd(),
                static fn(DoseChangeKind $kind): bool => $kind === DoseChangeKind::AddLoad ||
                    $kind === DoseChangeKind::Manual,
            )
                ? new Action(ActionKind::Repeat, ActionReason::AlreadyAdded)
                : new Action(ActionKind::AddLoad, ActionReason::BelowTargetPain),
            default => $this->afterSettled(),
        };
    }

    private function afterOver(Bout $last): Action
    {
        return match (true) {
            $this->log->relievedAfter($last->latestEnd()) => new Action(ActionKind::Repeat, ActionReason::AlreadyEased),
            $this->isSportAlone($last) => new Action(ActionKind::Ease, ActionReason::SportOver),
            $this->bouts->beforeLast()?->verdict === Verdict::Over => new Action(
                ActionKind::StepDown,
                ActionReason::TwoOver,
            ),
            default => new Action(ActionKind::Ease, ActionReason::OneOver),
        };
    }

    private function afterWatch(Bout $last): Action
    {
        $twice = $this->bouts->beforeLast()?->verdict === Verdict::Watch;
        if (($twice || $this->creep->isCreeping()) && !$this->log->relievedAfter($last->latestEnd())) {
            return new Action(ActionKind::Ease, $twice ? ActionReason::TwoWatch : ActionReason::Creeping);
        }

        return new Action(ActionKind::Repeat, ActionReason::SmallRise);
    }

    private function throughGate(): Action
    {
        if ($this->bouts->wellToleratedRun() < $this->log->file->response_rule->progress_after) {
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
            if ($this->isThisWeek($stop->began) || ($stop->reviewed !== null && $this->isThisWeek($stop->reviewed))) {
                return new Action(ActionKind::Repeat, ActionReason::RecentStop);
            }
        }
        $last = $this->bouts->last();
        if ($last !== null && !$last->latestStart()->withinHoursBefore($this->log->at, self::WEEK_HOURS)) {
            return new Action(ActionKind::Repeat, ActionReason::StaleAnswers);
        }
        if ($last !== null && $this->isTestOverLimit($last)) {
            return new Action(ActionKind::Repeat, ActionReason::TestOverLimit);
        }
        if (!$this->creep->isCreeping()) {
            return null;
        }

        return !$this->log->relievedWithin(self::WEEK_HOURS) && Creep::fromLog($this->log, 7)->isCreeping()
            ? new Action(ActionKind::Ease, ActionReason::CreepingTwoWeeks)
            : new Action(ActionKind::Repeat, ActionReason::CreepingBaseline);
    }

    /** Whether a moment lies less than 7 × 24 h before the one that is asked for. */
    private function isThisWeek(Moment $moment): bool
    {
        return $this->log->at->micros - $moment->micros < self::WEEK_HOURS * Moment::HOUR;
    }

    private function isTestOverLimit(Bout $last): bool
    {
        $over = false;
        foreach ($last->responses as $response) {
            foreach ($response->session->entries as $entry) {
                if (PainBounds::min($entry, $this->log) !== null) {
                    return false;
                }
            }
            $over = $over || ($response->answer->provocation ?? 0) > $this->log->file->response_rule->next_day_max;
        }

        return $over;
    }

    /** Whether it was the sport that was too much and not the exercises. */
    private function isSportAlone(Bout $last): bool
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
        if ($any) {
            return true;
        }
        foreach ($last->responses as $response) {
            if (
                in_array($response->verdict, [Verdict::Over, Verdict::Stop], true) &&
                $response->session->kind !== SessionKind::Sport
            ) {
                return false;
            }
        }

        return true;
    }

    private function isLongBreak(): bool
    {
        $newest = $this->log->ended === [] ? null : $this->log->ended[count($this->log->ended) - 1];
        if ($newest === null || $newest->started_at->withinHoursBefore($this->log->at, self::LONG_BREAK_HOURS)) {
            return false;
        }
        foreach ($this->log->stageHistory as $entry) {
            if (
                $this->log->file->timezone
                    ->startOf($entry->from)
                    ->withinHoursBefore($this->log->at, self::LONG_BREAK_HOURS)
            ) {
                return false;
            }
        }

        return !$this->log->relievedWithin(self::LONG_BREAK_HOURS);
    }
}
