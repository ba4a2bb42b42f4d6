<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\CaseFile\Session;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Prescription;
use Rung\Core\Response\Log;

/** What the log tells about the work of a prescription: how much was done, and what could be lifted. */
final class LoggedWork implements WorkDone
{
    private const CAP_HOURS = 7 * 24;

    private const BASE_FROM_DAYS_AGO = 13;

    private const BASE_TO_DAYS_AGO = 7;

    public function __construct(private readonly Log $log) {}

    public function fitsWeek(Prescription $prescription, Dose $dose): bool
    {
        return !$this->changedThisWeek($prescription)
            || Work::growsWithin($prescription, $dose, $this->base($prescription), $this->log->file->response_rule->week_growth_max_percent, $this->bodyMassKg());
    }

    public function loadFor(Prescription $prescription, int $reps, int|float $incrementKg): int|float|null
    {
        $sets = $this->lastSession($prescription)?->setsOf($prescription->key) ?? [];

        return Work::loadFor($sets, $reps, $prescription->dose->bodyLoad($this->bodyMassKg()), $incrementKg);
    }

    public function changedThisWeek(Prescription $prescription): bool
    {
        foreach ($this->log->doseChanges as $change) {
            if ($change->concerns($prescription->key) && $change->at->withinHoursBefore($this->log->at, self::CAP_HOURS)) {
                return true;
            }
        }

        return false;
    }

    public function weekOfStage(): int
    {
        $thisWeek = intdiv($this->log->today->daysSince($this->log->stageFrom), 7);
        $weeks = [];
        foreach ($this->log->ended as $session) {
            if ($this->log->inStage($session)) {
                $weeks[intdiv($this->log->dayOf($session)->daysSince($this->log->stageFrom), 7)] = true;
            }
        }
        unset($weeks[$thisWeek]);

        return 1 + count($weeks);
    }

    /** The most work of any one session of the week before this, or else of the latest session. */
    public function base(Prescription $prescription): int|float
    {
        $most = null;
        foreach ($this->log->ended as $session) {
            $age = $this->log->today->daysSince($this->log->dayOf($session));
            if ($age >= self::BASE_TO_DAYS_AGO && $age <= self::BASE_FROM_DAYS_AGO) {
                $sets = $session->setsOf($prescription->key);
                $most = $sets === [] ? $most : max($most ?? 0, Work::ofSets($prescription, $sets, $this->bodyMassKg()));
            }
        }
        $last = $most === null ? $this->lastSession($prescription) : null;

        return $most ?? ($last === null ? 0 : Work::ofSets($prescription, $last->setsOf($prescription->key), $this->bodyMassKg()));
    }

    public function lastSession(Prescription $prescription): ?Session
    {
        for ($i = count($this->log->ended) - 1; $i >= 0; $i--) {
            if ($this->log->ended[$i]->setsOf($prescription->key) !== []) {
                return $this->log->ended[$i];
            }
        }

        return null;
    }

    private function bodyMassKg(): int|float|null
    {
        return $this->log->file->athlete->body_mass_kg;
    }
}
