<?php

declare(strict_types=1);

namespace App\Care;

use App\Models\CareCase;
use App\Models\PlannedSession as PlannedRow;
use Carbon\CarbonImmutable;
use DateTimeImmutable;
use DateTimeZone;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Relations\Relation;
use Rung\Core\CaseFile\Athlete;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\CaseFile\Details;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Record\Entry;
use Rung\Core\Record\Goal;
use Rung\Core\Record\HurtAt;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Outcome;
use Rung\Core\Record\Participation;
use Rung\Core\Record\PlannedSession;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Record\Side;
use Rung\Core\Record\SideSet;
use Rung\Core\Record\Sign;
use Rung\Core\Record\SignOff;
use Rung\Core\Record\StageEntry;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/**
 * Makes the rows of a case into the core's values. They were read by the core's own readers when they came in, so nothing
 * is read a second time here. So that a case can go on for years, sessions and check-ins reach back 400 days; older ones
 * are there where a rule still asks for them: those that stopped the athlete, and the first scores.
 *
 * @phpstan-type SetRow array{reps?: int|null, hold_s?: int|float|null, work_s?: int|float|null, load_kg?: int|float|null, rir?: int|null, effort?: int|null, height_cm?: int|float|null}
 * @phpstan-type EntryRow array{prescription?: string|null, sets?: list<SetRow>, pain?: int|null, before?: int|null, after?: int|null, skipped?: string|null, notes?: string|null, hurt_at?: string|null}
 */
final class CaseHistory
{
    private const DAYS = 400;

    /** A hundred years. */
    private const EVER = 36500;

    /** The first week of scores, the starting point of every improvement. */
    private const FIRST_DAYS = 8;

    private readonly DateTimeZone $zone;

    /** @var array<string, int> planned sessions beside the stage, by id */
    private array $beside = [];

    /** @param int $days back to which sessions and check-ins reach */
    private function __construct(private readonly CareCase $case, private readonly int $days)
    {
        $this->zone = new DateTimeZone($case->practice->timezone);
    }

    public static function load(CareCase $case): CaseFile
    {
        return (new self($case, self::DAYS))->file();
    }

    /** All of a case from its first day on, to be taken away. */
    public static function whole(CareCase $case): CaseFile
    {
        return (new self($case, self::EVER))->file();
    }

    private function file(): CaseFile
    {
        $case = $this->case;
        $rule = $case->response_rule;
        $from = CarbonImmutable::now($case->practice->timezone)->startOfDay()->subDays($this->days)->utc();
        $plan = $case->plan();
        $this->beside = $this->plannedBeside($plan);
        $sessions = $this->sessions($from, $rule->stop_at);
        $checkIns = $this->checkIns($from, $rule->stop_at);
        $named = array_values(array_filter(array_column($sessions, 'planned')));
        $sources = [...array_column($sessions, 'id'), ...array_column($checkIns, 'id')];

        return new CaseFile(
            timezone: Zone::named($case->practice->timezone),
            athlete: new Athlete($case->athlete->name, $case->athlete->body_mass_kg, Goal::from($case->goal)),
            case: new Details(
                Structure::from($case->structure),
                Side::from($case->side),
                Day::fromIso($case->opened_on),
                Purpose::from($case->purpose),
                $case->review_on === null ? null : Day::fromIso($case->review_on),
            ),
            response_rule: $rule,
            stages: $plan->fileStages(Goal::from($case->goal)),
            stage_history: self::each($case->stageEntries(), self::stageEntry(...)),
            planned: array_values(
                array_filter(
                    self::each(
                        $case
                            ->plannedSessions()
                            ->whereRaw('("on" >= ? or id = any(?::uuid[]))', [
                                $from->format('Y-m-d'),
                                '{' . implode(',', $named) . '}',
                            ]),
                        self::planned(...),
                    ),
                    fn(PlannedSession $planned): bool => !isset($this->beside[$planned->id]),
                ),
            ),
            sessions: $sessions,
            check_ins: $checkIns,
            tests: self::each($case->tests(), self::test(...)),
            outcomes: self::each($case->outcomes(), self::outcome(...)),
            sign_offs: self::each($case->signOffs(), self::signOff(...)),
            reviews: self::each($case->reviews()->whereIn('clears', $sources), $this->review(...)),
            dose_changes: self::each($case->doseChanges(), $this->doseChange(...)),
        );
    }

    /** @return list<Session> */
    private function sessions(CarbonImmutable $from, int $stopAt): array
    {
        $query = $this->case
            ->trainingSessions()
            ->whereRaw(
                "(started_at >= ? or signs <> '[]'::jsonb or jsonb_path_exists(entries, '$[*].pain ? (@ >= \$stop)', jsonb_build_object('stop', ?::int)))",
                [$from, $stopAt],
            );

        return self::each($query, $this->session(...));
    }

    /**
     * Work beside the stage is no share of what was asked, and nobody falls silent over it: it is not among what was planned.
     *
     * @return array<string, int> planned sessions of it, by id
     */
    private function plannedBeside(Plan $plan): array
    {
        $kinds = $plan->beside();
        if ($kinds === []) {
            return [];
        }
        $marks = implode(', ', array_fill(0, count($kinds), '?'));

        /** @var list<string> $ids */
        $ids = PlannedRow::query()
            ->where('case_id', $this->case->id)
            ->whereRaw("stage || '/' || slot in ($marks)", $kinds)
            ->pluck('id')
            ->all();

        return array_flip($ids);
    }

    /** @return list<CheckIn> */
    private function checkIns(CarbonImmutable $from, int $stopAt): array
    {
        $first = $this->case->checkIns()->whereNotNull('provocation')->first()?->at->addDays(self::FIRST_DAYS);
        $query = $this->case
            ->checkIns()
            ->whereRaw("(at >= ? or at <= ? or signs <> '[]'::jsonb or provocation >= ?)", [$from, $first, $stopAt]);

        return self::each($query, $this->checkIn(...));
    }

    /** @param array{stage: string, from: string} $row */
    private static function stageEntry(array $row): StageEntry
    {
        return new StageEntry($row['stage'], Day::fromIso($row['from']));
    }

    /** @param array{id: string, on: string, slot: string} $row */
    private static function planned(array $row): PlannedSession
    {
        return new PlannedSession($row['id'], Day::fromIso($row['on']), $row['slot']);
    }

    /** @param array{test: string, on: string, affected: string, unaffected: string, unit: string} $row */
    private static function test(array $row): StrengthTest
    {
        return new StrengthTest(
            $row['test'],
            Day::fromIso($row['on']),
            (float) $row['affected'],
            (float) $row['unaffected'],
            $row['unit'],
        );
    }

    /** @param array{measure: string, on: string, score: string} $row */
    private static function outcome(array $row): Outcome
    {
        return new Outcome($row['measure'], Day::fromIso($row['on']), (float) $row['score']);
    }

    /** @param array{stage: string, on: string} $row */
    private static function signOff(array $row): SignOff
    {
        return new SignOff($row['stage'], Day::fromIso($row['on']));
    }

    /** @param array{at: string, clears: string} $row */
    private function review(array $row): Review
    {
        return new Review($this->moment($row['at']), $row['clears']);
    }

    /** @param array{at: string, kind: string, prescription: string|null} $row */
    private function doseChange(array $row): DoseChange
    {
        return new DoseChange($this->moment($row['at']), DoseChangeKind::from($row['kind']), $row['prescription']);
    }

    /** @param array{id: string, stage: string, kind: string, started_at: string, ended_at: string, entries: string, planned_id: string|null, participation: string|null, minutes: string|null, effort: int|null, settled_min: string|null, signs: string, notes: string|null} $row */
    private function session(array $row): Session
    {
        /** @var list<EntryRow> $entries */
        $entries = json_decode($row['entries'], true, flags: JSON_THROW_ON_ERROR);

        return new Session(
            id: $row['id'],
            stage: $row['stage'],
            kind: SessionKind::from($row['kind']),
            started_at: $this->moment($row['started_at']),
            ended_at: $this->moment($row['ended_at']),
            entries: array_map(self::entry(...), $entries),
            planned: isset($this->beside[$row['planned_id'] ?? '']) ? null : $row['planned_id'],
            participation: $row['participation'] === null ? null : Participation::from($row['participation']),
            minutes: self::number($row['minutes']),
            effort: $row['effort'],
            settled_min: self::number($row['settled_min']),
            signs: self::signs($row['signs']),
            notes: $row['notes'],
        );
    }

    /** @param array{id: string, at: string, provocation: int|null, stiffness_min: string|null, signs: string, late: bool, notes: string|null} $row */
    private function checkIn(array $row): CheckIn
    {
        return new CheckIn(
            $row['id'],
            $this->moment($row['at']),
            $row['provocation'],
            self::number($row['stiffness_min']),
            self::signs($row['signs']),
            $row['late'],
            $row['notes'],
        );
    }

    /** @param EntryRow $row */
    private static function entry(array $row): Entry
    {
        return new Entry(
            $row['prescription'] ?? null,
            array_map(self::set(...), $row['sets'] ?? []),
            $row['pain'] ?? null,
            $row['before'] ?? null,
            $row['after'] ?? null,
            $row['skipped'] ?? null,
            $row['notes'] ?? null,
            isset($row['hurt_at']) ? HurtAt::from($row['hurt_at']) : null,
        );
    }

    /** @param SetRow $row */
    private static function set(array $row): LoggedSet
    {
        return new LoggedSet(
            $row['reps'] ?? null,
            $row['hold_s'] ?? null,
            $row['work_s'] ?? null,
            $row['load_kg'] ?? null,
            $row['rir'] ?? null,
            $row['effort'] ?? null,
            $row['height_cm'] ?? null,
            $row['pain'] ?? null,
            self::share($row['left'] ?? null),
            self::share($row['right'] ?? null),
        );
    }

    /** @param array{reps?: int, hold_s?: int|float, work_s?: int|float}|null $row */
    private static function share(?array $row): ?SideSet
    {
        return $row === null ? null : new SideSet($row['reps'] ?? null, $row['hold_s'] ?? null, $row['work_s'] ?? null);
    }

    /**
     * The rows themselves, without models: nothing is written through them.
     *
     * @template R of array<string, mixed>
     * @template T
     *
     * @param Relation<*, *, *>|Builder<*> $query
     * @param callable(R): T $make
     *
     * @return list<T>
     */
    private static function each(Relation|Builder $query, callable $make): array
    {
        /** @var list<R> $rows */
        $rows = array_map(static fn(object $row): array => (array) $row, array_values($query->toBase()->get()->all()));

        return array_map($make, $rows);
    }

    private function moment(string $stored): Moment
    {
        return Moment::fromIso((new DateTimeImmutable($stored))->setTimezone($this->zone)->format('Y-m-d\TH:i:sP'));
    }

    private static function number(int|float|string|null $stored): ?float
    {
        return $stored === null ? null : (float) $stored;
    }

    /** @return list<Sign> */
    private static function signs(string $stored): array
    {
        /** @var list<string> $signs */
        $signs = json_decode($stored, true, flags: JSON_THROW_ON_ERROR);

        return array_map(Sign::from(...), $signs);
    }
}
