<?php

declare(strict_types=1);

namespace App\Actions;

use App\Care\Intake;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\CaseRecord;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\DoseChange;
use App\Models\Outcome;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Models\Review;
use App\Models\SignOff;
use App\Models\StageEntry;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\Clock;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Calendar\Weekday;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\FilePlan;
use Rung\Core\Record\Purpose;
use Rung\Core\Record\Record;
use Rung\Core\Record\StageEntry as Entered;
use Rung\Core\Time\TimeWords;

/** Makes a case of a case file: the athlete, the plan and all that was logged. All of it or nothing. */
final class ImportCase
{
    /** The programme of a case whose stages are those of no programme here. */
    public const NO_PROGRAMME = 'from_a_file';

    /** Minutes by which the clock that wrote the file may have been ahead. */
    private const CLOCK_AHEAD_MIN = 60;

    public function __construct(private readonly RefreshStanding $standing) {}

    /** @throws InvalidInput */
    public function handle(User $by, CaseFile $file, ?string $athlete, Catalogue $catalogue): CareCase
    {
        self::check($file, $by->practice->timezone);

        return DB::transaction(
            fn(): CareCase => $this->store($by, $file, self::athlete($by, $file, $athlete), $catalogue),
        );
    }

    /** The programme whose stages the file has most of, at least half; null where there is none. */
    public static function programmeOf(CaseFile $file, Catalogue $catalogue): ?Programme
    {
        $found = null;
        $most = 0;
        foreach ($catalogue->programmes as $programme) {
            $shared = FilePlan::shared($file, $programme->plan->stages);
            if (
                in_array($file->case->structure, $programme->structures, true) &&
                $shared > $most &&
                2 * $shared >= count($file->stages)
            ) {
                [$found, $most] = [$programme, $shared];
            }
        }

        return $found;
    }

    /** @throws InvalidInput where it has entries for days that have not come */
    public static function check(CaseFile $file, string $zone): void
    {
        $now = Clock::now($zone);
        $today = Clock::today($zone);
        $newest = $file->newestMoment();
        if ($newest !== null && $newest->micros > $now->micros + self::CLOCK_AHEAD_MIN * 60_000_000) {
            throw InvalidInput::at(
                '/sessions',
                'and mornings must not lie in the future; the newest moment of the file is ' . $newest->toIso(),
            );
        }
        if ($file->case->opened_on->isAfter($today)) {
            throw InvalidInput::at('/case/opened_on', 'must not lie in the future');
        }
        foreach ($file->stage_history as $i => $entry) {
            if ($entry->from->isAfter($today)) {
                throw InvalidInput::at("/stage_history/$i/from", 'must not lie in the future');
            }
        }
    }

    /** @throws InvalidInput */
    private static function athlete(User $by, CaseFile $file, ?string $id): Athlete
    {
        if ($id === null) {
            // Nobody learns this password: an athlete who comes in by a file is invited.
            return AddAthlete::add(AthleteEntry::fromFile($file->athlete), $by)[0];
        }
        $athlete = Str::isUuid($id) ? Athlete::query()->find($id) : null;
        if ($athlete === null) {
            throw InvalidInput::at('/athlete', 'must be an athlete of this practice, or a new one');
        }
        if (CareCase::sameOpen($athlete->id, $file->case->structure->value, $file->case->side->value) !== null) {
            throw InvalidInput::at(
                '/case/structure',
                'is treated in a case of this athlete that is open; close it first, or take the file in for another athlete',
            );
        }
        // What is known here stands; what is not is taken from the file, since doses may lift a part of the body.
        $athlete->update(['body_mass_kg' => $athlete->body_mass_kg ?? $file->athlete->body_mass_kg]);

        return $athlete;
    }

    private function store(User $by, CaseFile $file, Athlete $athlete, Catalogue $catalogue): CareCase
    {
        $programme = self::programmeOf($file, $catalogue);
        $structure = $catalogue->structures[$file->case->structure->value];
        $now = CarbonImmutable::now()->utc();
        $plan = FilePlan::fromFile($file, $programme->plan->stages ?? []);
        $case = CareCase::query()->create([
            'practice_id' => $by->practice_id,
            'athlete_id' => $athlete->id,
            'practitioner_id' => $by->id,
            'structure' => $file->case->structure->value,
            'structure_title' => $structure->title,
            'side' => $file->case->side->value,
            'goal' => $file->athlete->goal->value,
            'purpose' => ($file->case->purpose ?? Purpose::Rehab)->value,
            'opened_on' => $file->case->opened_on->toIso(),
            'review_on' => $file->case->review_on?->toIso(),
            'history' => $file->case->notes,
            'programme' => $programme->key ?? self::NO_PROGRAMME,
            'programme_version' =>
                $programme === null ? null : $catalogue->versions["programme/$programme->key"] ?? null,
            'response_rule' => $file->response_rule,
            'provocation_test' => $structure->usualTest()->toArray(),
            'available' => Weekday::cases(),
            'events' => [],
            'blocked' => [],
            'advice' => [],
            'intake' => new Intake(),
        ]);
        $own = ['practice_id' => $case->practice_id, 'case_id' => $case->id];
        PlanVersion::query()->create(
            $own + [
                'version' => 1,
                'content' => json_encode($plan->plan->toArray(), JSON_THROW_ON_ERROR),
                'note' => 'From a case file',
                'author_id' => $by->id,
                'created_at' => $now,
            ],
        );
        $this->rows($file, $own, $now);
        PlanSessions::ahead($case);
        $this->standing->refresh($case);
        Decision::query()->create(
            $own + [
                'at' => $now,
                'user_id' => $by->id,
                'kind' => 'open',
                'plan_version' => 1,
                'words' =>
                    'Taken in from a case file: ' .
                    count($file->sessions) .
                    ' sessions and ' .
                    count($file->check_ins) .
                    ' mornings since ' .
                    TimeWords::day($file->case->opened_on),
                'evidence' => ['because' => 'A case file holds no screening. Screen before you go on.'],
            ],
        );
        AccessLog::changed($by, $case, 'took in a case file');

        return $case->refresh();
    }

    /** @param array{practice_id: string, case_id: string} $own */
    private function rows(CaseFile $file, array $own, CarbonImmutable $now): void
    {
        foreach ($file->stage_history as $entry) {
            StageEntry::query()->create($own + Record::toArray($entry));
        }
        $planned = $sources = $numbers = [];
        foreach ($file->planned as $session) {
            $planned[$session->id] = self::idFor(PlannedSession::class, $session->id);
            $number = $numbers["{$session->on->number} $session->slot"] =
                ($numbers["{$session->on->number} $session->slot"] ?? 0) + 1;
            PlannedSession::query()->create(
                $own + [
                    'id' => $planned[$session->id],
                    'on' => $session->on->toIso(),
                    'stage' => Entered::stageOn($file->stage_history, $session->on),
                    'slot' => $session->slot,
                    'number' => $number,
                ],
            );
        }
        foreach ($file->sessions as $session) {
            $sources[$session->id] = self::idFor(TrainingSession::class, $session->id);
            TrainingSession::query()->create(
                $own +
                    TrainingSession::fieldsOf($session) + [
                        'id' => $sources[$session->id],
                        'planned_id' => $session->planned === null ? null : $planned[$session->planned] ?? null,
                        'plan_version' => 1,
                        'created_at' => $now,
                    ],
            );
        }
        foreach ($file->check_ins as $checkIn) {
            $sources[$checkIn->id] = self::idFor(CheckIn::class, $checkIn->id);
            CheckIn::query()->create(
                $own + [
                    'id' => $sources[$checkIn->id],
                    'at' => Clock::utc($checkIn->at),
                    'made_at' => Clock::utc($checkIn->at),
                    'local_on' => substr($checkIn->at->toIso(), 0, 10),
                    'provocation' => $checkIn->provocation,
                    'stiffness_min' => $checkIn->stiffness_min,
                    'signs' => array_column($checkIn->signs ?? [], 'value'),
                    'notes' => $checkIn->notes,
                    'created_at' => $now,
                ],
            );
        }
        foreach ($file->tests as $test) {
            StrengthTest::query()->create($own + Record::toArray($test) + ['created_at' => $now]);
        }
        foreach ($file->outcomes as $outcome) {
            Outcome::query()->create($own + Record::toArray($outcome) + ['created_at' => $now]);
        }
        foreach ($file->sign_offs as $signOff) {
            SignOff::query()->create($own + Record::toArray($signOff));
        }
        foreach ($file->reviews as $review) {
            Review::query()->create(
                $own + ['at' => Clock::utc($review->at), 'clears' => $sources[$review->clears] ?? $review->clears],
            );
        }
        foreach ($file->dose_changes as $change) {
            DoseChange::query()->create($own + ['at' => Clock::utc($change->at)] + Record::toArray($change));
        }
    }

    /**
     * The id of the file where it can be kept, else a new one: a case that was exported, erased and imported keeps its ids.
     *
     * @param class-string<CaseRecord> $rows
     */
    private static function idFor(string $rows, string $id): string
    {
        $isFree =
            Str::isUuid($id) &&
            !app(CurrentPractice::class)->across(static fn(): bool => $rows::query()->whereKey($id)->exists());

        return $isFree ? $id : (string) Str::uuid7();
    }
}
