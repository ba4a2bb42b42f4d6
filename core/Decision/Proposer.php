<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Prescription;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\Session;
use Rung\Core\Response\Log;
use Rung\Core\Time\Moment;

/** Picks the prescriptions that an action concerns, and asks for the next step of each (docs/rules.md, "The next dose"). */
final class Proposer
{
    private readonly NextDose $next;

    private readonly EasierDose $easier;

    public function __construct(
        private readonly Log $log,
        private readonly Bouts $bouts,
        private readonly LoggedWork $work,
    ) {
        $this->next = new NextDose($work);
        $this->easier = new EasierDose($work);
    }

    /** @return list<Proposal> in the stage's order */
    public function propose(Action $action): array
    {
        if ($action->reason === ActionReason::SportOver) {
            return [];
        }

        return match ($action->kind) {
            ActionKind::Progress => $this->raised(),
            ActionKind::AddLoad => $this->loaded(),
            ActionKind::Ease => $this->lowered($this->easier->ease(...)),
            ActionKind::StepDown => $this->lowered($this->easier->stepDown(...)),
            default => [],
        };
    }

    /**
     * The action as the proposals leave it: where nothing can be raised, or nothing made easier after a rest, what is
     * there is repeated.
     *
     * @param list<Proposal> $proposals of the action
     */
    public function settle(Action $action, array $proposals): Action
    {
        $changes = array_map(static fn(Proposal $proposal): Change => $proposal->change, $proposals);
        if ($action->kind === ActionKind::Progress || $action->kind === ActionKind::AddLoad) {
            foreach ($changes as $change) {
                if ($change->raises()) {
                    return $action;
                }
            }

            return new Action(
                ActionKind::Repeat,
                match (true) {
                    in_array(Change::Growing, $changes, true) => ActionReason::Growing,
                    in_array(Change::NotDone, $changes, true) => ActionReason::NotDone,
                    in_array(Change::Waiting, $changes, true) => ActionReason::FailedBefore,
                    in_array(Change::HoldAtCap, $changes, true) => ActionReason::HeldAtCap,
                    default => ActionReason::NothingToRaise,
                },
            );
        }
        $lowers = $action->kind === ActionKind::Ease || $action->kind === ActionKind::StepDown;
        if (
            $lowers &&
            $action->reason !== ActionReason::LongBreak &&
            $changes !== [] &&
            array_filter($changes, static fn(Change $change): bool => $change !== Change::AtBottom) === [] &&
            $this->hasRested()
        ) {
            return new Action(ActionKind::Repeat, ActionReason::TryAgain);
        }

        return $action;
    }

    /** @return list<string> keys of the prescriptions after which the test was worse, in the stage's order */
    public function drop(): array
    {
        $worse = [];
        foreach ($this->lastSessions() as $session) {
            foreach ($session->entries as $entry) {
                if ($entry->testGotWorse()) {
                    $worse[] = $entry->prescription;
                }
            }
        }

        return array_values(array_intersect(array_column($this->log->stage->prescriptions, 'key'), $worse));
    }

    /** @return list<Proposal> every exercise of the run has its turn */
    private function raised(): array
    {
        $sessions = $this->bouts->sessionsOfNewest($this->log->file->response_rule->progress_after);
        $candidates = array_filter(
            $this->log->stage->prescriptions,
            static fn(Prescription $p): bool => $p->progression !== null &&
                $p->minPain() === null &&
                self::wasDone($p, $sessions),
        );

        return $this->oneAtATime(array_values($candidates), $sessions, $this->next->progress(...), true);
    }

    /** @return list<Proposal> of the exercises that are led by pain and had too little of it */
    private function loaded(): array
    {
        $sessions = $this->lastSessions();
        $candidates = array_filter($this->log->stage->prescriptions, static function (Prescription $p) use (
            $sessions,
        ): bool {
            $pain = self::ownPain($p, $sessions);

            return $p->progression !== null &&
                self::wasDone($p, $sessions) &&
                $pain !== null &&
                $p->minPain() !== null &&
                $pain < $p->minPain();
        });

        return $this->oneAtATime(array_values($candidates), $sessions, $this->next->addLoad(...), false);
    }

    /**
     * @param callable(Prescription): NextStep $next
     *
     * @return list<Proposal>
     */
    private function lowered(callable $next): array
    {
        return array_map(static function (Prescription $prescription) use ($next): Proposal {
            $step = $next($prescription);

            return new Proposal($prescription, $step->change, true, $step->dose, $step->to);
        }, $this->tooMuch());
    }

    /**
     * With one change at a time it is clear what caused the answer. The exercise that has waited longest is preferred.
     *
     * @param list<Prescription> $prescriptions
     * @param list<Session> $sessions whose pain counts
     * @param callable(Prescription): NextStep $next
     *
     * @return list<Proposal>
     */
    private function oneAtATime(array $prescriptions, array $sessions, callable $next, bool $blocksFirst): array
    {
        $steps = array_map($next, $prescriptions);
        $preferred = null;
        $best = null;
        foreach ($prescriptions as $i => $prescription) {
            if (!$steps[$i]->change->raises()) {
                continue;
            }
            $pain = self::ownPain($prescription, $sessions);
            $rank = [
                $blocksFirst && $this->isBlockDue($prescription) ? 0 : 1,
                $pain === null || $pain < $prescription->maxPain($this->log->file->response_rule->during_max) ? 0 : 1,
                $this->lastNamed($prescription),
                $pain ?? PHP_INT_MAX,
            ];
            if ($best === null || $rank < $best) {
                [$preferred, $best] = [$i, $rank];
            }
        }

        return array_map(
            static fn(Prescription $prescription, NextStep $step, int $i): Proposal => new Proposal(
                $prescription,
                $step->change,
                $i === $preferred,
                $step->dose,
                $step->to,
            ),
            $prescriptions,
            $steps,
            array_keys($prescriptions),
        );
    }

    private function isBlockDue(Prescription $prescription): bool
    {
        return $prescription->progression?->blockFor($this->work->weekOfStage())?->differsFrom($prescription->dose) ??
            false;
    }

    /** @return list<Prescription> those to ease: over their limit; else those done; else all of the stage */
    private function tooMuch(): array
    {
        $ruleMax = $this->log->file->response_rule->during_max;
        $sessions = $this->lastSessions();
        $all = $this->log->stage->prescriptions;
        $over = array_filter(
            $all,
            static fn(Prescription $p): bool => (self::ownPain($p, $sessions) ?? 0) > $p->maxPain($ruleMax),
        );
        $done = array_filter($all, static fn(Prescription $p): bool => self::wasDone($p, $sessions));

        return array_values($over !== [] ? $over : ($done !== [] ? $done : $all));
    }

    private function hasRested(): bool
    {
        $last = $this->bouts->last();

        return $last !== null &&
            $this->log->at->micros - $last->latestStart()->micros >=
                $this->log->file->response_rule->restDays() * 24 * Moment::HOUR;
    }

    /** @return list<Session> */
    private function lastSessions(): array
    {
        return $this->bouts->last()?->sessions() ?? [];
    }

    /** @param list<Session> $sessions */
    private static function wasDone(Prescription $prescription, array $sessions): bool
    {
        foreach ($sessions as $session) {
            if ($session->setsOf($prescription->key) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * The highest pain logged for a prescription, 0–10.
     *
     * @param list<Session> $sessions
     */
    private static function ownPain(Prescription $prescription, array $sessions): ?int
    {
        $pains = array_filter(
            array_map(static fn(Session $session): ?int => $session->painOf($prescription->key), $sessions),
            static fn(?int $pain): bool => $pain !== null,
        );

        return $pains === [] ? null : max($pains);
    }

    /** The instant of the latest change of dose that names a prescription; the least number without one. */
    private function lastNamed(Prescription $prescription): int
    {
        $named = array_filter(
            $this->log->doseChanges,
            static fn(DoseChange $change): bool => $change->prescription === $prescription->key,
        );
        $latest = end($named);

        return $latest === false ? PHP_INT_MIN : $latest->at->micros;
    }
}
