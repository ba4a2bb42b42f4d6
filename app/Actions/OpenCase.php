<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\PlanVersion;
use App\Models\StageEntry;
use App\Models\StrengthTest;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;

/** Opens a case: intake signed, programme copied, first weeks on the calendar, baseline recorded. */
final class OpenCase
{
    /** The strength test that the gates of the knee programme look at. */
    private const KNEE_STRENGTH = 'knee_extension_strength';

    public function __construct(
        private readonly Catalogue $catalogue,
        private readonly ProposeStart $start,
        private readonly RefreshStanding $standing,
    ) {}

    /** @throws InvalidInput */
    public function handle(Athlete $athlete, User $by, CaseOpening $opening): CareCase
    {
        $proposal = $this->start->handle($opening);
        if (!$opening->screened) {
            throw InvalidInput::at('/screened', 'must be signed: nothing starts before screening is done');
        }
        if ($proposal->blocked) {
            throw InvalidInput::at('/referral_signs', 'blocks the start: resolve the sign with a reason, or refer');
        }
        $programme = $this->catalogue->programme($opening->programme);
        $stage = $opening->stage ?? $proposal->stage;
        if ($stage === null || $programme->plan->stage($stage) === null) {
            throw InvalidInput::at('/stage', 'must name a stage of the programme that applies to the goal');
        }
        self::checkBodyMass($athlete, $programme->plan);

        $opened = DB::transaction(function () use ($athlete, $by, $opening, $stage, $programme, $proposal): CareCase {
            $zone = $by->practice->timezone;
            $today = Clock::today($zone)->toIso();
            $test = $this->catalogue->structure($opening->structure);
            $case = CareCase::query()->create([
                'practice_id' => $by->practice_id,
                'athlete_id' => $athlete->id,
                'practitioner_id' => $by->id,
                'structure' => $opening->structure->value,
                'structure_title' => $test->title ?? strtr($opening->structure->value, '_', ' '),
                'side' => $opening->side->value,
                'goal' => $opening->goal->value,
                'opened_on' => $today,
                'history' => $opening->history,
                'programme' => $programme->key,
                'response_rule' => $this->catalogue->school($programme->rule)->rule->toArray(),
                'provocation_test' => ['title' => $test->testTitle ?? '', 'instruction' => $test->testInstruction ?? ''],
                'available' => array_column($opening->available, 'value'),
                'events' => array_map(static fn($day): string => $day->toIso(), $opening->events),
                'blocked' => [],
                'intake' => [
                    'findings' => get_object_vars($opening->findings),
                    'risks' => $opening->risks,
                    'referral_signs' => $opening->referralSigns,
                    'screened_by' => $by->name,
                    'screened_on' => $today,
                    'start' => $proposal->toArray(),
                ],
            ]);
            $own = ['practice_id' => $case->practice_id, 'case_id' => $case->id];
            $now = CarbonImmutable::now()->utc();
            PlanVersion::query()->create($own + [
                'version' => 1,
                'content' => json_encode($programme->plan->toArray(), JSON_THROW_ON_ERROR),
                'note' => "Programme: $programme->title",
                'author_id' => $by->id,
                'created_at' => $now,
            ]);
            StageEntry::query()->create($own + ['stage' => $stage, 'from' => $today]);
            if ($opening->findings->test !== null) {
                CheckIn::query()->create($own + [
                    'id' => (string) Str::uuid7(),
                    'at' => $now,
                    'provocation' => $opening->findings->test,
                    'stiffness_min' => $opening->findings->stiffness,
                    'signs' => [],
                    'created_at' => $now,
                ]);
            }
            if ($opening->strength !== null) {
                StrengthTest::query()->create($own + ['test' => self::KNEE_STRENGTH, 'on' => $today, 'created_at' => $now] + $opening->strength);
            }
            PlanSessions::ahead($case);
            $evaluation = $this->standing->of($case);
            Decision::query()->create($own + [
                'at' => $now,
                'user_id' => $by->id,
                'kind' => 'open',
                'words' => "Opened with $programme->title, beginning at {$evaluation->log->stage->title}",
                'reason' => $opening->history,
                'evidence' => ['start' => $proposal->toArray()],
                'plan_version' => 1,
            ]);
            AccessLog::changed($by, $case, 'opened a case');

            return $case;
        });
        assert($opened instanceof CareCase);

        return $opened;
    }

    /** @throws InvalidInput where a dose lifts a part of the body and its mass is unknown */
    private static function checkBodyMass(Athlete $athlete, Plan $plan): void
    {
        $lifts = array_filter($plan->stages, static fn(PlanStage $stage): bool => array_filter(
            $stage->stage->prescriptions,
            static fn($prescription): bool => ($prescription->dose->body_fraction ?? 0) > 0,
        ) !== []);
        if ($lifts !== [] && $athlete->body_mass_kg === null) {
            throw InvalidInput::at('/programme', "needs the athlete's body mass, since it lifts a part of the body; add it first");
        }
    }
}
