<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\CaseFile\LoggedSet;
use Rung\Core\CaseFile\Session;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Response\Log;
use Rung\Core\Strength\Strength;

/** What the log tells about the work of a prescription: how much was done, and what could be lifted. */
final class LoggedWork
{
    private const CAP_HOURS = 7 * 24;

    private const BASE_FROM_DAYS_AGO = 13;

    private const BASE_TO_DAYS_AGO = 7;

    public function __construct(private readonly Log $log) {}

    /**
     * Whether a dose keeps to the week's growth, or is the one step that a week always allows.
     * Work is seconds held, kilograms lifted or repetitions, by mode.
     */
    public function fitsWeek(Prescription $prescription, Dose $dose): bool
    {
        $changedThisWeek = false;
        foreach ($this->log->doseChanges as $change) {
            $changedThisWeek = $changedThisWeek || ($change->concerns($prescription->key)
                && $change->at->withinHoursBefore($this->log->at, self::CAP_HOURS));
        }
        $base = $this->base($prescription);
        if (!$changedThisWeek || $base == 0) {
            return true;
        }
        $growth = 1 + $this->log->file->response_rule->week_growth_max_percent / 100;
        $work = $dose->sets * $this->workOf($prescription, $dose->reps, $dose->hold_s, $dose->load_kg);

        return Number::atMost($work, $growth * $base);
    }

    /**
     * Kilograms on the bar or stack for an n-repetition maximum, by the best estimate from the last
     * session that logged the prescription, rounded down to the increment; null where nothing
     * usable was logged or for more than 20 repetitions.
     */
    public function loadFor(Prescription $prescription, int $reps, int|float $incrementKg): int|float|null
    {
        if ($reps > Strength::MAX_REPS) {
            return null;
        }
        $body = $prescription->dose->bodyLoad($this->log->file->athlete->body_mass_kg);
        $best = null;
        foreach ($this->lastSession($prescription)?->setsOf($prescription->key) ?? [] as $set) {
            $done = $set->reps ?? 0;
            $rir = $set->rir ?? 0;
            if (($set->load_kg ?? 0) > 0 && $done > 0 && $done + $rir <= Strength::MAX_REPS) {
                $best = max($best ?? 0, Strength::e1rm($set->load_kg + $body, $done, $rir));
            }
        }

        return $best === null
            ? null
            : max(0, Number::floorToMultiple(Strength::loadFor($best, $reps) - $body, $incrementKg));
    }

    /** 1 + the number of earlier weeks of the stage that have a session in it. */
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
    private function base(Prescription $prescription): int|float
    {
        $most = null;
        foreach ($this->log->ended as $session) {
            $age = $this->log->today->daysSince($this->log->dayOf($session));
            if ($age >= self::BASE_TO_DAYS_AGO && $age <= self::BASE_FROM_DAYS_AGO) {
                $sets = $session->setsOf($prescription->key);
                $most = $sets === [] ? $most : max($most ?? 0, $this->workOfSets($prescription, $sets));
            }
        }
        $last = $most === null ? $this->lastSession($prescription) : null;

        return $most ?? ($last === null ? 0 : $this->workOfSets($prescription, $last->setsOf($prescription->key)));
    }

    private function lastSession(Prescription $prescription): ?Session
    {
        for ($i = count($this->log->ended) - 1; $i >= 0; $i--) {
            if ($this->log->ended[$i]->setsOf($prescription->key) !== []) {
                return $this->log->ended[$i];
            }
        }

        return null;
    }

    /** @param list<LoggedSet> $sets */
    private function workOfSets(Prescription $prescription, array $sets): int|float
    {
        $work = 0;
        foreach ($sets as $set) {
            $work += $this->workOf($prescription, $set->countedReps($prescription->mode), $set->hold_s, $set->load_kg);
        }

        return $work;
    }

    /** The work of one set. */
    private function workOf(Prescription $prescription, int $reps, int|float|null $holdS, int|float|null $loadKg): int|float
    {
        return match (true) {
            $prescription->mode === Mode::Isometric => $reps * ($holdS ?? 0),
            $prescription->mode->isMoving() => $reps
                * max(1, ($loadKg ?? 0) + $prescription->dose->bodyLoad($this->log->file->athlete->body_mass_kg)),
            default => $reps,
        };
    }
}
