<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Record\HurtAt;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Response\Log;
use Rung\Core\Response\PainBounds;
use Rung\Core\Response\SessionResponse;

/** What the log shows of the work of a prescription: how much was done, and what could be lifted. */
final class LoggedWork implements WorkDone
{
    private const WEEK_HOURS = 7 * 24;

    private const BASE_FROM_DAYS_AGO = 13;

    private const BASE_TO_DAYS_AGO = 7;

    private const ADDED_A_WEEK = 2;

    /** Times the school's run that a step waits for, at most. */
    private const MOST_WAITING = 3;

    /** @var array<string, ExerciseHistory> */
    private array $histories = [];

    /** @param list<SessionResponse> $responses of the log, in order of start */
    public function __construct(
        private readonly Log $log,
        private readonly array $responses,
        private readonly Bouts $bouts,
    ) {}

    /** How one prescription has gone since its dose was changed last. */
    public function history(Prescription $prescription): ExerciseHistory
    {
        return $this->histories[$prescription->key] ??= new ExerciseHistory(
            $this->log,
            $this->responses,
            $prescription,
        );
    }

    public function presentLoadKg(Prescription $prescription): int|float
    {
        return $this->history($prescription)->presentLoadKg();
    }

    public function isDone(Prescription $prescription): bool
    {
        return $this->history($prescription)->isDone();
    }

    public function isWaiting(Prescription $prescription): bool
    {
        $setbacks = $this->history($prescription)->setbacks();
        $after = $this->log->file->response_rule->progress_after;

        return $setbacks > 0 &&
            $this->bouts->settledRunOfSixWeeks($this->log) < $after * min(1 + $setbacks, self::MOST_WAITING);
    }

    public function changedThisWeek(Prescription $prescription): bool
    {
        return $this->log->changedWithin($prescription->key, self::WEEK_HOURS);
    }

    public function addedTwiceThisWeek(Prescription $prescription): bool
    {
        return count(
            array_filter(
                $this->log->doseChanges,
                fn(DoseChange $change): bool => $change->kind === DoseChangeKind::AddLoad &&
                    $change->prescription === $prescription->key &&
                    $change->at->withinHoursBefore($this->log->at, self::WEEK_HOURS),
            ),
        ) >= self::ADDED_A_WEEK;
    }

    public function base(Prescription $prescription): int|float
    {
        $most = 0;
        foreach ($this->measured($prescription) as $session) {
            $most = max($most, Work::ofSets($prescription, $session->setsOf($prescription->key), $this->bodyMassKg()));
        }

        return $most;
    }

    public function heaviestKg(Prescription $prescription): int|float
    {
        $body = $prescription->dose->bodyLoad($this->bodyMassKg());
        $heaviest = 0;
        foreach ($this->measured($prescription) as $session) {
            foreach ($session->setsOf($prescription->key) as $set) {
                $heaviest = max($heaviest, ($set->load_kg ?? 0) + $body);
            }
        }

        return $heaviest;
    }

    public function weekGrowthMaxPercent(): int|float
    {
        return $this->log->file->response_rule->week_growth_max_percent;
    }

    public function bodyMassKg(): int|float|null
    {
        return $this->log->file->athlete->body_mass_kg;
    }

    public function lastSets(Prescription $prescription): array
    {
        return $this->lastSession($prescription)?->setsOf($prescription->key) ?? [];
    }

    public function lastWasFull(Prescription $prescription): bool
    {
        $last = $this->lastSession($prescription);
        foreach ($this->responses as $response) {
            if ($response->session === $last) {
                return $response->verdict->isWellTolerated() &&
                    array_filter(
                        $this->lastSets($prescription),
                        fn(LoggedSet $set): bool => $this->history($prescription)->isLighter($set),
                    ) === [];
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

    public function wasRaisedLast(Prescription $prescription): bool
    {
        $latest = $this->log->latestChange($prescription->key);

        return $latest !== null && $latest->kind->raises() && $latest->prescription === $prescription->key;
    }

    public function hurtAtTheEnd(Prescription $prescription): bool
    {
        foreach ($this->bouts->last()?->sessions() ?? [] as $session) {
            foreach ($session->entries as $entry) {
                if (
                    $entry->prescription === $prescription->key &&
                    $entry->hurt_at === HurtAt::End &&
                    PainBounds::isOverMax($entry, $this->log)
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    public function wasAboveLowerEnd(Prescription $prescription): bool
    {
        $corridor = $prescription->dose->corridor();
        $newest = $this->history($prescription)->newest();

        return $corridor !== null &&
            $newest !== null &&
            in_array($newest->session, $this->bouts->last()?->sessions() ?? [], true) &&
            Number::over($this->history($prescription)->amount($newest), $corridor->from);
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

    /** @return list<Session> those of the week before this that logged it, or else the latest one */
    private function measured(Prescription $prescription): array
    {
        $sessions = array_values(
            array_filter($this->log->ended, function (Session $session) use ($prescription): bool {
                $age = $this->log->today->daysSince($this->log->dayOf($session));

                return $age >= self::BASE_TO_DAYS_AGO &&
                    $age <= self::BASE_FROM_DAYS_AGO &&
                    $session->setsOf($prescription->key) !== [];
            }),
        );
        $last = $sessions === [] ? $this->lastSession($prescription) : null;

        return $last === null ? $sessions : [$last];
    }
}
