<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Corridor;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Response\Log;
use Rung\Core\Response\PainBounds;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Response\VerdictReason;

/** What the log shows of one prescription since its dose was last changed (docs/rules.md, "The next dose"). */
final class ExerciseHistory
{
    private const RUN_HOURS = 14 * 24;

    private const CEILING_HOURS = 28 * 24;

    private const SETBACK_HOURS = 42 * 24;

    /** A ceiling is forgotten after so many times the run that a school asks for. */
    private const FORGET_AFTER = 3;

    /** Repetitions in reserve from which a step is doubled. */
    private const EASY_RIR = 3;

    /** Less than this share of the load that is asked is not the load that is asked. */
    private const SAME_LOAD = 0.99;

    /** @var list<SessionResponse> in the stage, that logged it, in order of start */
    private readonly array $inStage;

    /** @var list<SessionResponse> of those, started after the latest change of dose that concerns it */
    private readonly array $sinceChange;

    /** @var list<SessionResponse> of those, the recent ones: the present run */
    private readonly array $run;

    /** @var array<string, true> ids of the failed sessions */
    private readonly array $failed;

    private readonly ?Corridor $corridor;

    /** @param list<SessionResponse> $responses of the log, in order of start */
    public function __construct(
        private readonly Log $log,
        array $responses,
        private readonly Prescription $prescription,
    ) {
        $this->corridor = $prescription->dose->corridor();
        $this->inStage = array_values(
            array_filter(
                $responses,
                static fn(SessionResponse $response): bool => $log->inStage($response->session) &&
                    $response->session->setsOf($prescription->key) !== [],
            ),
        );
        $changed = $log->latestChange($prescription->key)?->at;
        $this->sinceChange =
            $changed === null
                ? $this->inStage
                : array_values(
                    array_filter(
                        $this->inStage,
                        static fn(SessionResponse $response): bool => $response->session->started_at->after($changed),
                    ),
                );
        $this->run = array_values(
            array_filter(
                $this->sinceChange,
                static fn(SessionResponse $response): bool => $response->session->started_at->withinHoursBefore(
                    $log->at,
                    self::RUN_HOURS,
                ),
            ),
        );
        $this->failed = $this->failures();
    }

    /** The latest session of the present run. */
    public function newest(): ?SessionResponse
    {
        return $this->run === [] ? null : $this->run[count($this->run) - 1];
    }

    /** Kilograms of the dose; where it has none, the least that was lifted in the newest session. */
    public function presentLoadKg(): int|float
    {
        if ($this->prescription->dose->load_kg !== null) {
            return $this->prescription->dose->load_kg;
        }
        $newest = $this->newest();

        return $newest === null
            ? 0
            : min(
                array_map(
                    static fn(LoggedSet $set): int|float => $set->load_kg ?? 0,
                    $this->sets($newest->session),
                ) ?: [0],
            );
    }

    /** Of the corridor's field, what the least of a session's sets reached; the lower end where sets are missing. */
    public function amount(SessionResponse $response): int|float
    {
        $corridor = $this->corridor;
        if ($corridor === null) {
            return 0;
        }
        $sets = $this->sets($response->session);
        if (count($sets) < $this->prescription->dose->sets) {
            return $corridor->from;
        }

        return min($corridor->to, max($corridor->from, $this->least($sets, $corridor)));
    }

    public function asked(): Asked
    {
        $corridor = $this->corridor;
        $newest = $this->newest();
        if ($corridor === null) {
            return Asked::withAmount($this->prescription, null, Because::Fixed);
        }
        if ($newest === null) {
            return Asked::withAmount($this->prescription, $corridor->from, Because::Start);
        }
        if (isset($this->failed[$newest->session->id])) {
            return Asked::withAmount($this->prescription, $corridor->from, Because::Eased);
        }
        $sets = $this->sets($newest->session);
        if (
            count($sets) < $this->prescription->dose->sets ||
            Number::under($this->least($sets, $corridor), $corridor->from)
        ) {
            return Asked::withAmount($this->prescription, $corridor->from, Because::Short);
        }
        $amount = $this->amount($newest);
        if (!$newest->verdict->isWellTolerated()) {
            return Asked::withAmount($this->prescription, $amount, Because::Kept);
        }
        [$next, $because] = match (true) {
            Number::atLeast($amount, $corridor->to) => [$corridor->to, Because::Full],
            $this->mayGrow($amount, $corridor) => [
                min($corridor->to, $amount + $this->step($sets, $corridor)),
                Because::Grown,
            ],
            default => [$amount, Because::Kept],
        };
        $ceiling = $because === Because::Kept ? null : $this->ceiling();

        return $ceiling !== null && Number::over($next, $ceiling)
            ? Asked::withAmount($this->prescription, $ceiling, Because::Capped)
            : Asked::withAmount($this->prescription, $next, $because);
    }

    /** Whether what is prescribed was done in full, and well tolerated, in the newest session. */
    public function isDone(): bool
    {
        $newest = $this->newest();
        if ($newest === null || !$newest->verdict->isWellTolerated()) {
            return false;
        }
        $dose = $this->prescription->dose->most();
        $sets = $this->sets($newest->session);
        if (count($sets) < $dose->sets) {
            return false;
        }
        $mode = $this->prescription->mode;
        foreach ($sets as $set) {
            $short =
                ($mode === Mode::Isometric &&
                    $dose->hold_s !== null &&
                    Number::under($set->hold_s ?? 0, $dose->hold_s)) ||
                ($dose->isTimed()
                    ? Number::under($set->work_s ?? 0, $dose->work_s ?? 0)
                    : $set->countedReps($mode) < $dose->reps) ||
                $this->isLighter($set) ||
                ($set->height_cm !== null &&
                    $dose->height_cm !== null &&
                    Number::under($set->height_cm, $dose->height_cm)) ||
                ($set->rir !== null && $set->rir < ($dose->rir ?? 0));
            if ($short) {
                return false;
            }
        }

        return true;
    }

    /** Whether the upper end of the corridor was reached and well tolerated in a session of the stage, whatever was raised since; false without one. */
    public function wasEverFull(): bool
    {
        $to = $this->corridor?->to;
        foreach ($this->inStage as $response) {
            if (
                $to !== null &&
                $response->verdict->isWellTolerated() &&
                Number::atLeast($this->amount($response), $to)
            ) {
                return true;
            }
        }

        return false;
    }

    /** Whether a set was logged with less than the load that is asked. */
    public function isLighter(LoggedSet $set): bool
    {
        $asked = $this->prescription->dose->load_kg;

        return $asked !== null && $set->load_kg !== null && Number::under($set->load_kg, self::SAME_LOAD * $asked);
    }

    /** How often, in six weeks, a raise was taken back or the corridor failed above its lower end. */
    public function setbacks(): int
    {
        $count = 0;
        $changes = array_values(
            array_filter(
                $this->log->doseChanges,
                fn(DoseChange $change): bool => $change->concerns($this->prescription->key),
            ),
        );
        foreach ($changes as $i => $change) {
            $next = $changes[$i + 1] ?? null;
            if (
                $change->kind->raises() &&
                $change->prescription === $this->prescription->key &&
                $next !== null &&
                $next->kind->lowers() &&
                $change->at->withinHoursBefore($this->log->at, self::SETBACK_HOURS)
            ) {
                $count++;
            }
        }
        foreach ($this->corridor === null ? [] : $this->sinceChange as $response) {
            if (
                isset($this->failed[$response->session->id]) &&
                Number::over($this->amount($response), $this->corridor->from ?? 0) &&
                $response->session->started_at->withinHoursBefore($this->log->at, self::SETBACK_HOURS)
            ) {
                $count++;
            }
        }

        return $count;
    }

    /** @param list<LoggedSet> $sets of the newest session */
    private function step(array $sets, Corridor $corridor): int|float
    {
        foreach ($sets as $set) {
            if ($set->rir === null || $set->rir < self::EASY_RIR) {
                return $corridor->step;
            }
        }

        return 2 * $corridor->step;
    }

    private function mayGrow(int|float $amount, Corridor $corridor): bool
    {
        if (count($this->run) < $corridor->after) {
            return false;
        }
        foreach (array_slice($this->run, -$corridor->after, $corridor->after - 1) as $response) {
            if (
                !$response->verdict->isWellTolerated() ||
                count($this->sets($response->session)) < $this->prescription->dose->sets ||
                Number::under($this->amount($response), $amount)
            ) {
                return false;
            }
        }

        return true;
    }

    /** What was too much is not asked again for a while; null where nothing was. */
    private function ceiling(): int|float|null
    {
        $corridor = $this->corridor;
        $failed = array_values(
            array_filter(
                $this->sinceChange,
                fn(SessionResponse $response): bool => isset($this->failed[$response->session->id]) &&
                    $response->session->started_at->withinHoursBefore($this->log->at, self::CEILING_HOURS),
            ),
        );
        if ($corridor === null || $failed === []) {
            return null;
        }
        $latest = $failed[count($failed) - 1];
        $ceiling = max($corridor->from, $this->amount($latest) - $corridor->step);
        $since = count(
            array_filter(
                $this->inStage,
                fn(SessionResponse $response): bool => $response->verdict->isWellTolerated() &&
                    $response->session->started_at->after($latest->session->started_at) &&
                    Number::atLeast($this->amount($response), $ceiling),
            ),
        );

        return $since >= self::FORGET_AFTER * $this->log->file->response_rule->progress_after ? null : $ceiling;
    }

    /** @return array<string, true> */
    private function failures(): array
    {
        $failed = [];
        foreach ($this->sinceChange as $response) {
            if ($this->wasTooMuch($response)) {
                $failed[$response->session->id] = true;
            }
        }
        foreach ($this->log->withinChanges as $change) {
            if (!$change->concerns($this->prescription->key)) {
                continue;
            }
            $last = null;
            foreach ($this->sinceChange as $response) {
                $last = $change->at->after($response->session->started_at) ? $response : $last;
            }
            if ($last !== null) {
                $failed[$last->session->id] = true;
            }
        }

        return $failed;
    }

    private function wasTooMuch(SessionResponse $response): bool
    {
        if ($response->verdict !== Verdict::Over && $response->verdict !== Verdict::Stop) {
            return false;
        }
        if ($response->reasons !== [VerdictReason::DuringOverMax->value]) {
            return true;
        }
        foreach ($response->session->entries as $entry) {
            if ($entry->prescription === $this->prescription->key && PainBounds::isOverMax($entry, $this->log)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<LoggedSet> */
    private function sets(Session $session): array
    {
        return $session->setsOf($this->prescription->key);
    }

    /** @param list<LoggedSet> $sets */
    private function least(array $sets, Corridor $corridor): int|float
    {
        $mode = $this->prescription->mode;

        return min(
            array_map(
                static fn(LoggedSet $set): int|float => match ($corridor->field) {
                    'reps' => $set->countedReps($mode),
                    'hold_s' => $set->hold_s ?? 0,
                    'work_s' => $set->work_s ?? 0,
                },
                $sets,
            ) ?: [0],
        );
    }
}
