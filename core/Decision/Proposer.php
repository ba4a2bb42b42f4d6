<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\CaseFile\DoseChange;
use Rung\Core\Dose\Prescription;
use Rung\Core\Response\Log;

/** Picks the prescriptions that an action concerns, and asks for the next dose of each. */
final class Proposer
{
    private readonly NextDose $next;

    public function __construct(private readonly Log $log, private readonly ?Bout $last)
    {
        $this->next = new NextDose(new LoggedWork($log));
    }

    /** @return list<Proposal> in the stage's order */
    public function propose(Action $action): array
    {
        if ($action->reason === ActionReason::SportOver) {
            return [];
        }

        return match ($action->kind) {
            ActionKind::Progress => $this->oneAtATime($this->done(), $this->next->progress(...)),
            ActionKind::AddLoad => $this->oneAtATime(array_values(array_filter($this->done(), $this->wantsMore(...))), $this->next->addLoad(...)),
            ActionKind::Ease => $this->all($this->next->ease(...)),
            ActionKind::StepDown => $this->all(static fn(): array => [Change::PreviousRung, null]),
            default => [],
        };
    }

    /** @return list<string> keys of the prescriptions after which the test was worse, in the stage's order */
    public function drop(): array
    {
        $worse = [];
        foreach ($this->last?->sessions() ?? [] as $session) {
            foreach ($session->entries as $entry) {
                if ($entry->testGotWorse()) {
                    $worse[] = $entry->prescription;
                }
            }
        }

        return array_values(array_intersect(array_column($this->log->stage->prescriptions, 'key'), $worse));
    }

    /**
     * @param callable(Prescription): array{Change, \Rung\Core\Dose\Dose|null} $next
     *
     * @return list<Proposal>
     */
    private function all(callable $next): array
    {
        return array_map(static function (Prescription $prescription) use ($next): Proposal {
            [$change, $dose] = $next($prescription);

            return new Proposal($prescription, $change, true, $dose);
        }, $this->tooMuch());
    }

    /**
     * @param list<Prescription> $prescriptions
     * @param callable(Prescription): array{Change, \Rung\Core\Dose\Dose|null} $next
     *
     * @return list<Proposal>
     */
    private function oneAtATime(array $prescriptions, callable $next): array
    {
        $answers = array_map($next, $prescriptions);
        $moves = static fn(Change $change): bool => $change !== Change::HoldAtCap && $change !== Change::Unchanged;
        $open = array_filter($answers, static fn(array $answer): bool => $moves($answer[0]));
        $preferred = null;
        $best = null;
        foreach ($prescriptions as $i => $prescription) {
            if ($open !== [] && !isset($open[$i])) {
                continue;
            }
            $rank = [$this->ownPain($prescription) ?? PHP_INT_MAX, $this->lastNamed($prescription)];
            if ($best === null || $rank < $best) {
                [$preferred, $best] = [$i, $rank];
            }
        }
        $proposals = [];
        foreach ($prescriptions as $i => $prescription) {
            $proposals[] = new Proposal($prescription, $answers[$i][0], $i === $preferred, $answers[$i][1]);
        }

        return $proposals;
    }

    /** @return list<Prescription> those to ease: over their limit; else those done; else all of the stage */
    private function tooMuch(): array
    {
        $ruleMax = $this->log->file->response_rule->during_max;
        $over = array_values(array_filter(
            $this->log->stage->prescriptions,
            fn(Prescription $p): bool => ($this->ownPain($p) ?? 0) > $p->maxPain($ruleMax),
        ));
        if ($over !== []) {
            return $over;
        }
        $done = $this->done();

        return $done === [] ? $this->log->stage->prescriptions : $done;
    }

    /** @return list<Prescription> of the stage, with at least one set in the last bout */
    private function done(): array
    {
        return array_values(array_filter($this->log->stage->prescriptions, function (Prescription $prescription): bool {
            foreach ($this->last?->sessions() ?? [] as $session) {
                if ($session->setsOf($prescription->key) !== []) {
                    return true;
                }
            }

            return false;
        }));
    }

    private function wantsMore(Prescription $prescription): bool
    {
        $pain = $this->ownPain($prescription);

        return $pain !== null && $prescription->minPain() !== null && $pain < $prescription->minPain();
    }

    /** The highest pain logged for a prescription in the last bout, 0–10. */
    private function ownPain(Prescription $prescription): ?int
    {
        $pains = [];
        foreach ($this->last?->sessions() ?? [] as $session) {
            $pain = $session->painOf($prescription->key);
            if ($pain !== null) {
                $pains[] = $pain;
            }
        }

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
