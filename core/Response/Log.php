<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\StageEntry;
use Rung\Core\Stage\Stage;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/**
 * A case as it was known at a moment: nothing dated after it, records in the order of their
 * moments (of two at the same, the later in the file is the later). Everything that is computed
 * about a case is computed from this, so nothing later can influence it.
 */
final readonly class Log
{
    public Day $today;

    /** The stage that is current at the moment. */
    public Stage $stage;

    /** The first day of the current stage. */
    public Day $stageFrom;

    /** @var list<StageEntry> begun by the moment */
    public array $stageHistory;

    /** @var list<Session> started by the moment, those still under way among them */
    public array $started;

    /** @var list<Session> ended by the moment, in order of start */
    public array $ended;

    /** @var list<CheckIn> */
    public array $checkIns;

    /** @var list<CheckIn> those that carry a provocation score */
    public array $scored;

    /** @var list<CheckIn> those that carry stiffness */
    public array $stiff;

    /** @var list<DoseChange> all but those inside a corridor, which leave the dose as it is */
    public array $doseChanges;

    /** @var list<DoseChange> eased inside a corridor */
    public array $withinChanges;

    /** @var list<Review> */
    public array $reviews;

    /** @var list<PlannedSession> of every date, in order */
    public array $planned;

    /** @var array<string, Prescription> of all stages, by key */
    public array $prescriptions;

    /** @var array<string, int> the number of the local date on which a session began, by its id */
    private array $sessionDays;

    /** @var list<int> the number of the local date of each of {@see $scored} */
    private array $scoredDays;

    /**
     * @throws InvalidInput at /stage_history where the moment lies before the first stage
     */
    public function __construct(public CaseFile $file, public Moment $at)
    {
        $this->today = $file->timezone->dayOf($at);
        $known = static fn(CheckIn|DoseChange|Review $record): bool => !$record->at->after($at);

        $begun = array_values(
            array_filter($file->stage_history, fn(StageEntry $e): bool => !$e->from->isAfter($this->today)),
        );
        $current = end($begun);
        $stage = $current === false ? null : $file->stage($current->stage);
        if ($current === false || $stage === null) {
            throw InvalidInput::at(
                '/stage_history',
                'begins after the moment that is asked for (' . $at->toIso() . ')',
            );
        }
        $this->stageHistory = $begun;
        $this->stage = $stage;
        $this->stageFrom = $current->from;

        $this->started = self::inOrder(
            array_values(array_filter($file->sessions, static fn(Session $s): bool => !$s->started_at->after($at))),
            static fn(Session $session): int => $session->started_at->micros,
        );
        $this->ended = array_values(
            array_filter($this->started, static fn(Session $s): bool => !$s->ended_at->after($at)),
        );
        $this->checkIns = self::inOrder(array_values(array_filter($file->check_ins, $known)), self::atMicros(...));
        $this->scored = array_values(
            array_filter($this->checkIns, static fn(CheckIn $c): bool => $c->provocation !== null),
        );
        $this->stiff = array_values(
            array_filter($this->checkIns, static fn(CheckIn $c): bool => $c->stiffness_min !== null),
        );
        $changes = self::inOrder(array_values(array_filter($file->dose_changes, $known)), self::atMicros(...));
        $isWithin = static fn(DoseChange $change): bool => $change->kind === DoseChangeKind::Within;
        $this->withinChanges = array_values(array_filter($changes, $isWithin));
        $this->doseChanges =
            $this->withinChanges === []
                ? $changes
                : array_values(array_filter($changes, static fn(DoseChange $change): bool => !$isWithin($change)));
        $this->reviews = array_values(array_filter($file->reviews, $known));
        $this->planned = self::inOrder($file->planned, static fn(PlannedSession $planned): int => $planned->on->number);
        $this->prescriptions = $file->prescriptions();

        $days = [];
        foreach ($this->started as $session) {
            $days[$session->id] = $file->timezone->dayOf($session->started_at)->number;
        }
        $this->sessionDays = $days;
        $this->scoredDays = array_map(
            static fn(CheckIn $c): int => $file->timezone->dayOf($c->at)->number,
            $this->scored,
        );
    }

    /** The local date on which a session began. */
    public function dayOf(Session $session): Day
    {
        return Day::fromNumber($this->sessionDays[$session->id]);
    }

    /** Whether a session is of the current stage and began on or after its first day. */
    public function inStage(Session $session): bool
    {
        return $session->stage === $this->stage->key && $this->sessionDays[$session->id] >= $this->stageFrom->number;
    }

    /** Whether a session began within the last so many days, today included. */
    public function inLastDays(Session $session, int $days): bool
    {
        $day = $this->sessionDays[$session->id];

        return $day <= $this->today->number && $day > $this->today->number - $days;
    }

    /**
     * The provocation scores of the last so many days, or of as many days ending earlier.
     *
     * @return list<int>
     */
    public function scores(int $days, int $endingDaysAgo = 0): array
    {
        $last = $this->today->number - $endingDaysAgo;

        return $this->scoresBetween($last - $days + 1, $last);
    }

    /**
     * The provocation scores from one date to another, both included, by day numbers.
     *
     * @return list<int>
     */
    public function scoresBetween(int $from, int $to): array
    {
        $scores = [];
        for ($i = count($this->scored) - 1; $i >= 0; $i--) {
            // A change of offset can put a later moment on an earlier date, by a day at most.
            if ($this->scoredDays[$i] < $from - 1) {
                break;
            }
            if ($this->scoredDays[$i] >= $from && $this->scoredDays[$i] <= $to) {
                $scores[] = (int) $this->scored[$i]->provocation;
            }
        }

        return $scores;
    }

    /** The number of the local date of a check-in with a score, by its place among {@see $scored}. */
    public function scoredDay(int $i): int
    {
        return $this->scoredDays[$i];
    }

    /** The local date of the earliest provocation score. */
    public function firstScoreOn(): ?Day
    {
        return $this->scoredDays === [] ? null : Day::fromNumber($this->scoredDays[0]);
    }

    /** Whether a change of dose of one of the kinds was made after a moment. */
    public function changedAfter(Moment $moment, callable $ofKind): bool
    {
        foreach ($this->doseChanges as $change) {
            if ($change->at->after($moment) && $ofKind($change->kind)) {
                return true;
            }
        }

        return false;
    }

    /** Whether a dose was eased, by whatever kind of change, or changed by hand after a moment. */
    public function relievedAfter(Moment $moment): bool
    {
        foreach ([...$this->doseChanges, ...$this->withinChanges] as $change) {
            if ($change->kind->relieves() && $change->at->after($moment)) {
                return true;
            }
        }

        return false;
    }

    /** The same within so many hours before the log's moment. */
    public function relievedWithin(int $hours): bool
    {
        foreach ([...$this->doseChanges, ...$this->withinChanges] as $change) {
            if ($change->kind->relieves() && $change->at->withinHoursBefore($this->at, $hours)) {
                return true;
            }
        }

        return false;
    }

    /** The latest change of dose that concerns a prescription. */
    public function latestChange(string $prescription): ?DoseChange
    {
        for ($i = count($this->doseChanges) - 1; $i >= 0; $i--) {
            if ($this->doseChanges[$i]->concerns($prescription)) {
                return $this->doseChanges[$i];
            }
        }

        return null;
    }

    /** Whether a change of dose that concerns a prescription was made within so many hours before the log's moment. */
    public function changedWithin(string $prescription, int $hours): bool
    {
        return $this->latestChange($prescription)?->at->withinHoursBefore($this->at, $hours) ?? false;
    }

    /**
     * @template T
     *
     * @param list<T> $records
     * @param callable(T): int $key
     *
     * @return list<T>
     */
    private static function inOrder(array $records, callable $key): array
    {
        // Files are mostly in order already, which is quicker seen than sorted.
        $before = PHP_INT_MIN;
        foreach ($records as $record) {
            $now = $key($record);
            if ($now < $before) {
                usort($records, static fn(mixed $a, mixed $b): int => $key($a) <=> $key($b));
                break;
            }
            $before = $now;
        }

        return $records;
    }

    private static function atMicros(CheckIn|DoseChange $record): int
    {
        return $record->at->micros;
    }
}
