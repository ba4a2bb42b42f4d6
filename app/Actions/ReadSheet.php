<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\TrainingSession;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Str;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Measuring\Measurement;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Table\SheetKind;
use Rung\Core\Table\SheetMatch;
use Rung\Core\Table\SheetRow;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\DoseWords;

/** Says what each row of a sheet comes to in a case; nothing is stored (docs/formats/tables.md, "Taking a sheet in"). */
final class ReadSheet
{
    /** A sheet seldom says at which time of the day: mornings and sessions stand where they usually are. */
    private const MORNING = '07:00';

    private const EVENING = '18:00';

    private const SESSION_MIN = 40;

    public function __construct(private readonly FindMeasure $find, private readonly CatalogueShelf $shelf) {}

    /** @return list<SheetEntry> in the order of the sheet */
    public function read(CareCase $case, SheetMatch $match): array
    {
        return match ($match->kind) {
            SheetKind::Mornings => $this->each($case, $match, self::morning(...)),
            SheetKind::Practice => $this->each($case, $match, self::practice(...)),
            SheetKind::Tests => $this->each($case, $match, $this->test(...)),
            SheetKind::Exercises => $this->exercises($case, $match),
        };
    }

    /**
     * @param callable(CareCase, SheetRow, Day): array{CheckIn|Session|Measurement|null, string, bool} $read
     *
     * @return list<SheetEntry>
     */
    private function each(CareCase $case, SheetMatch $match, callable $read): array
    {
        $entries = [];
        $seen = [];
        foreach ($match->rows() as $line => $row) {
            $on = self::day($case, $row);
            [$record, $words, $isThere] = $on === null ? [null, '', false] : $read($case, $row, $on);
            // The same row twice in a sheet is one entry.
            $isThere = $isThere || isset($seen[$words]);
            $seen[$words] = true;
            $entries[] = new SheetEntry(
                [$line],
                $row->faults() === null ? $record : null,
                $words,
                $row->faults(),
                $isThere,
            );
        }

        return $entries;
    }

    private static function day(CareCase $case, SheetRow $row): ?Day
    {
        $on = $row->day('on');
        if (
            $on !== null &&
            ($on->isAfter(Clock::today($case->practice->timezone)) || Day::fromIso($case->opened_on)->isAfter($on))
        ) {
            $row->fault(
                'the day must lie between the opening of the case (' .
                    TimeWords::day(Day::fromIso($case->opened_on)) .
                    ') and today, and is ' .
                    TimeWords::day($on),
            );
        }

        return $on;
    }

    /** @return array{CheckIn|null, string, bool} */
    private static function morning(CareCase $case, SheetRow $row, Day $on): array
    {
        $score = $row->whole('provocation', 'the morning test', 0, 10, true);
        $stiff = $row->number('stiffness_min', 'stiffness', 0, 1440);
        $words =
            'Morning of ' . TimeWords::day($on) . ": $score of 10" . ($stiff === null ? '' : ", stiff for $stiff min");

        return [
            $score === null
                ? null
                : new CheckIn(
                    Str::uuid()->toString(),
                    self::moment($case, $on, self::MORNING),
                    $score,
                    $stiff,
                    [],
                    null,
                    $row->text('notes'),
                ),
            $words,
            $case->checkIns()->where('local_on', $on->toIso())->whereNotNull('provocation')->exists(),
        ];
    }

    /** @return array{Session|null, string, bool} */
    private static function practice(CareCase $case, SheetRow $row, Day $on): array
    {
        $minutes = $row->number('minutes', 'minutes', 1, 600, true);
        $effort = $row->whole('effort', 'effort', 0, 10);
        $pain = $row->whole('pain', 'pain', 0, 10);
        $started = self::moment($case, $on, self::EVENING);
        $words =
            'Practice on ' .
            TimeWords::day($on) .
            ": $minutes min" .
            ($effort === null ? '' : " at an effort of $effort") .
            ($pain === null ? '' : ", pain $pain");
        $there = self::sessionsOn($case, $on)->where('kind', SessionKind::Sport->value)->where('minutes', $minutes);

        return [
            $minutes === null
                ? null
                : new Session(
                    Str::uuid()->toString(),
                    '',
                    SessionKind::Sport,
                    $started,
                    self::later($started, (int) $minutes),
                    $pain === null ? [] : [new Entry(null, [], $pain)],
                    minutes: $minutes,
                    effort: $effort,
                    notes: $row->text('notes'),
                ),
            $words,
            $minutes !== null && $there->exists(),
        ];
    }

    /** @return array{Measurement|null, string, bool} */
    private function test(CareCase $case, SheetRow $row, Day $on): array
    {
        $name = $row->text('measure');
        $measure = $name === null ? null : $this->measure($case, $name);
        if ($measure === null) {
            $row->fault(
                $name === null ? 'the measure is missing' : "“{$name}” is no measure of this case or the library",
            );
        }
        $affected = $row->number('affected', 'the sore side', -100_000, 100_000, true);
        $unaffected = $row->number('unaffected', 'the other side', -100_000, 100_000);
        if ($measure === null || $affected === null) {
            return [null, '', false];
        }
        $body = [
            'measure' => $measure->key,
            'on' => $on->toIso(),
            'affected' => [['value' => $affected]],
            'unaffected' => $unaffected === null ? [] : [['value' => $unaffected]],
        ];
        $words =
            "$measure->title on " .
            TimeWords::day($on) .
            ": $affected" .
            ($unaffected === null ? '' : " and $unaffected") .
            " $measure->unit";
        try {
            $measurement = Json::read(
                json_encode($body, JSON_THROW_ON_ERROR),
                fn(ObjectNode $node): Measurement => Measurement::read($node, static fn(): Measure => $measure),
            );

            return [$measurement, $words, ImportMeasures::isThere($case, $measurement)];
        } catch (InvalidInput $bad) {
            $fault = $bad->faults[0];
            $row->fault(
                (str_starts_with($fault->path, '/unaffected') ? 'the other side' : 'the value') . " $fault->message",
            );

            return [null, $words, false];
        }
    }

    private function measure(CareCase $case, string $name): ?Measure
    {
        $titles = [];
        foreach ($this->shelf->forCase($case, $case->plan())->measures as $measure) {
            $titles[mb_strtolower($measure->title)] = $measure->key;
        }

        return $this->find->byKey($case, $name) ?? $this->find->byKey($case, $titles[mb_strtolower($name)] ?? '');
    }

    /**
     * A row is an exercise; the rows of one day and one kind of session are one session.
     *
     * @return list<SheetEntry>
     */
    private function exercises(CareCase $case, SheetMatch $match): array
    {
        $known = $this->prescriptions($case);
        /** @var array<string, list<array{int, Entry|null, string, SheetRow, Day|null}>> $sessions */
        $sessions = [];
        foreach ($match->rows() as $line => $row) {
            $on = self::day($case, $row);
            $name = $row->text('exercise');
            [$prescription, $title] = $known[mb_strtolower($name ?? '')] ?? [null, ''];
            if ($prescription === null) {
                $row->fault($name === null ? 'the exercise is missing' : "“{$name}” is no exercise of this plan");
            }
            $sets = $row->whole('sets', 'sets', 1, Dose::MAX_SETS) ?? 1;
            $set = new LoggedSet(
                $row->whole('reps', 'repetitions', 1, Dose::MAX_REPS),
                $row->number('hold_s', 'the hold', 1, Dose::MAX_HOLD_S),
                null,
                $row->number('load_kg', 'the load', 0, 1000),
            );
            if ($set->reps === null && $set->hold_s === null && $row->faults() === null) {
                $row->fault('say repetitions or a hold');
            }
            $pain = $row->whole('pain', 'pain', 0, 10);
            $entry = $prescription === null ? null : new Entry($prescription->key, array_fill(0, $sets, $set), $pain);
            $words = "$title, $sets × " . DoseWords::set($set) . ($pain === null ? '' : ", pain $pain");
            $sessions[($on?->toIso() ?? "line $line") . ' ' . ($prescription->slot ?? '')][] = [
                $line,
                $entry,
                $words,
                $row,
                $on,
            ];
        }

        return array_values(
            array_map(
                fn(string $key, array $rows): SheetEntry => self::session($case, trim(substr($key, 10)), $rows),
                array_keys($sessions),
                $sessions,
            ),
        );
    }

    /** @param list<array{int, Entry|null, string, SheetRow, Day|null}> $rows of one session */
    private static function session(CareCase $case, string $slot, array $rows): SheetEntry
    {
        $faults = array_filter(
            array_map(
                static fn(array $row): ?string => ($fault = $row[3]->faults()) === null
                    ? null
                    : (count($rows) > 1
                        ? "line $row[0]: $fault"
                        : $fault),
                $rows,
            ),
        );
        $on = $rows[0][4];
        $entries = array_values(array_filter(array_column($rows, 1)));
        if ($faults !== [] || $on === null || $entries === []) {
            return new SheetEntry(array_column($rows, 0), null, '', implode(' ', $faults));
        }
        $started = self::moment($case, $on, self::EVENING);
        $planned = PlannedSession::query()
            ->where('case_id', $case->id)
            ->where('on', $on->toIso())
            ->where('slot', $slot)
            ->whereNotIn('id', $case->trainingSessions()->whereNotNull('planned_id')->select('planned_id'))
            ->first();

        return new SheetEntry(
            array_column($rows, 0),
            new Session(
                Str::uuid()->toString(),
                '',
                SessionKind::Loading,
                $started,
                self::later($started, self::SESSION_MIN),
                $entries,
                $planned?->id,
            ),
            'Session of ' . TimeWords::day($on) . ': ' . implode('; ', array_column($rows, 2)),
            null,
            self::sessionsOn($case, $on)
                ->where('kind', SessionKind::Loading->value)
                ->whereJsonContains('entries', [['prescription' => $entries[0]->prescription]])
                ->exists(),
        );
    }

    /** @return array<string, array{Prescription, string}> with its title, by what a sheet may call it; those of the stage that stands go before others */
    private function prescriptions(CareCase $case): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $known = [];
        $current = $case->stage_title;
        $stages = $plan->stages;
        usort(
            $stages,
            static fn(PlanStage $a, PlanStage $b): int => ($a->stage->title !== $current) <=>
                ($b->stage->title !== $current),
        );
        foreach (
            [
                ...array_merge(
                    ...array_map(static fn(PlanStage $stage): array => $stage->stage->prescriptions, $stages),
                ),
                ...$plan->leftOut,
            ]
            as $prescription
        ) {
            $title = $catalogue->titleOf($prescription->exercise);
            foreach ([$title, $prescription->exercise, $prescription->key] as $name) {
                $known[mb_strtolower($name)] ??= [$prescription, $title];
            }
        }

        return $known;
    }

    /** @return HasMany<TrainingSession, CareCase> */
    private static function sessionsOn(CareCase $case, Day $on): HasMany
    {
        $zone = $case->practice->timezone;

        return $case
            ->trainingSessions()
            ->where('started_at', '>=', CarbonImmutable::parse($on->toIso(), $zone)->utc())
            ->where('started_at', '<', CarbonImmutable::parse($on->plus(1)->toIso(), $zone)->utc());
    }

    private static function moment(CareCase $case, Day $on, string $time): Moment
    {
        $at = CarbonImmutable::parse("{$on->toIso()} $time", $case->practice->timezone);
        $now = CarbonImmutable::now();

        // Today's may not be due yet by the usual time.
        return Moment::fromDateTime(
            $at->greaterThan($now) ? $now->startOfSecond()->setTimezone($case->practice->timezone) : $at,
        );
    }

    private static function later(Moment $started, int $minutes): Moment
    {
        $end = CarbonImmutable::instance($started->toDateTime())->addMinutes($minutes);

        return Moment::fromDateTime(
            $end->greaterThan(CarbonImmutable::now()) ? CarbonImmutable::instance($started->toDateTime()) : $end,
        );
    }
}
