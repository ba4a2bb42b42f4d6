<?php

declare(strict_types=1);

namespace App\Actions;

use App\Care\Advice;
use App\Care\Intake;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\Opening;
use App\Models\Outcome;
use App\Models\PlanVersion;
use App\Models\StageEntry;
use App\Models\StrengthTest;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Screening\FoundRisk;
use Rung\Core\Screening\FoundSign;
use Rung\Core\Screening\Growth;
use Rung\Core\Start\Trial;
use Rung\Core\Time\Day;
use Rung\Core\Words\StartWords;

/** Opens a case: intake signed, programme copied, first weeks on the calendar, baseline recorded. All of it or nothing. */
final class OpenCase
{
    public function __construct(private readonly RefreshStanding $standing) {}

    /** @throws InvalidInput */
    public function handle(User $by, OpeningData $opening, Catalogue $catalogue, Day $today): OpenedCase
    {
        $start = ProposeStart::propose($opening, $catalogue, $today);
        self::checkScreening($opening);
        if ($start->proposal->blocked || $start->stage === null) {
            throw InvalidInput::at(
                '/signs',
                'blocks the start: say why it is safe to go on, or refer. Pain of 8 or more blocks it too',
            );
        }
        $plan = ProposeStart::planFor($start, $opening->severity);

        $opened = DB::transaction(function () use ($by, $opening, $start, $plan, $today): OpenedCase {
            $before = $opening->id === null ? null : self::openedBefore($opening->id);
            if ($before !== null) {
                return new OpenedCase($before, null, false);
            }
            [$athlete, $signIn] = AddAthlete::add($opening->athlete, $by);
            self::checkGrowth($athlete, $opening, $today);
            self::checkBodyMass($athlete, $plan);
            $case = $this->store($athlete, $by, $opening, $start, $plan, $today);
            self::finishDraft($opening->draft, $case);

            return new OpenedCase($case, $signIn);
        });
        assert($opened instanceof OpenedCase);

        return $opened;
    }

    /**
     * Screening is answered, not stepped over, and whoever goes on in spite of a sign says why in a sentence.
     *
     * @throws InvalidInput
     */
    private static function checkScreening(OpeningData $opening): void
    {
        if ($opening->signs === [] && !$opening->noSigns) {
            throw InvalidInput::at('/signs', 'must be answered: tick what there is, or “none of these”');
        }
        if ($opening->risks === [] && !$opening->noRisks) {
            throw InvalidInput::at('/risks', 'must be answered: tick what there is, or “none of these”');
        }
        foreach ($opening->signs as $i => $sign) {
            if (!$sign->blocks() && !$sign->isExplained()) {
                throw InvalidInput::at(
                    "/signs/$i/why",
                    'must be a sentence at least: say what you found, and why it is safe to go on',
                );
            }
        }
        if (!$opening->screened) {
            throw InvalidInput::at('/screened', 'must be signed: nothing starts before screening is done');
        }
    }

    /**
     * The case that the same opening made when it was sent before; whoever sends it at the same moment waits for it.
     *
     * @throws InvalidInput where the id belongs to something else
     */
    private static function openedBefore(string $id): ?CareCase
    {
        DB::statement('select pg_advisory_xact_lock(hashtext(?))', ["opening $id"]);
        $found = CareCase::query()->find($id);
        if (
            $found === null &&
            app(CurrentPractice::class)->across(static fn(): bool => CareCase::query()->whereKey($id)->exists())
        ) {
            throw InvalidInput::at('/id', 'is taken; begin the opening again');
        }

        return $found;
    }

    private function store(
        Athlete $athlete,
        User $by,
        OpeningData $opening,
        ProposedStart $start,
        Plan $plan,
        Day $today,
    ): CareCase {
        if (CareCase::sameOpen($athlete->id, $opening->structure->value, $opening->side->value) !== null) {
            throw InvalidInput::at(
                '/structure',
                'is treated in a case of this athlete that is open; go on there, or close it first',
            );
        }
        $proposal = $start->proposal;
        $signs = array_map(
            static fn(FoundSign $sign): array => $sign->toArray() + ['by' => $by->name, 'on' => $today->toIso()],
            $opening->signs,
        );
        $case = CareCase::query()->create(
            ($opening->id === null ? [] : ['id' => $opening->id]) + [
                'practice_id' => $by->practice_id,
                'athlete_id' => $athlete->id,
                'practitioner_id' => $by->id,
                'structure' => $opening->structure->value,
                'structure_title' => $start->structure->title,
                'side' => $opening->side->value,
                'goal' => $opening->goal->value,
                'goal_on' => $opening->goalOn?->toIso(),
                'purpose' => $opening->purpose->value,
                'opened_on' => $today->toIso(),
                'review_on' => $today->plus(7 * $start->programme->reviewAfterWeeks)->toIso(),
                'history' => $opening->history,
                'programme' => $start->programme->key,
                'programme_version' => $start->catalogue->versions["programme/{$start->programme->key}"] ?? null,
                'response_rule' => $start->rule,
                'provocation_test' => $start->structure->testFor($proposal->irritability)->toArray(),
                'available' => $opening->available,
                'events' => $opening->events,
                'blocked' => [],
                'equipment' => $opening->equipment,
                'session_minutes' => $opening->sessionMinutes,
                'advice' => array_map(
                    static fn(string $words): Advice => new Advice($words, $today, $opening->adviceUntil),
                    $opening->advice,
                ),
                'severity' => $opening->severity,
                'intake' => new Intake(
                    beganOn: $opening->beganOn,
                    loadChange: $opening->loadChange,
                    aggravating: $opening->aggravating,
                    seasonFrom: $opening->seasonFrom,
                    seasonUntil: $opening->seasonUntil,
                    found: $opening->found,
                    risks: array_map(
                        static fn(FoundRisk $risk): string => $risk->words($opening->beganOn),
                        $opening->risks,
                    ),
                    referralSigns: $signs,
                    trials: array_map(
                        static fn(Trial $trial): string => "{$start->catalogue->titleOf(
                            $trial->exercise,
                        )}, {$trial->words()}",
                        $opening->trials,
                    ),
                    isGrowthChecked: $opening->growthChecked,
                    screenedBy: $by->name,
                    screenedOn: $today,
                    rest: ['findings' => get_object_vars($opening->findings), 'start' => $proposal->toArray()],
                ),
            ],
        );
        $own = ['practice_id' => $case->practice_id, 'case_id' => $case->id];
        $now = CarbonImmutable::now()->utc();
        PlanVersion::query()->create(
            $own + [
                'version' => 1,
                'content' => json_encode($plan->toArray(), JSON_THROW_ON_ERROR),
                'note' => "Programme: {$start->programme->title}",
                'author_id' => $by->id,
                'created_at' => $now,
            ],
        );
        StageEntry::query()->create($own + ['stage' => $start->stage?->stage->key, 'from' => $today->toIso()]);
        self::storeBaseline($opening, $start, $own, $today, $now);
        PlanSessions::ahead($case);
        $this->standing->refresh($case);
        Decision::query()->create(
            $own + [
                'at' => $now,
                'user_id' => $by->id,
                'kind' => 'open',
                'words' => "Opened with {$start->programme->title}, beginning at {$start->stage?->stage->title}",
                'evidence' => [
                    'start' => $proposal->toArray(),
                    'because' =>
                        $start->stage === null
                            ? ''
                            : StartWords::proposal(
                                $opening->findings,
                                $start->stage,
                                $start->level,
                                $start->plan->choices ?? [],
                            ),
                    'signs' => $signs,
                    'lint' => array_map(static fn($note): string => $note->words, $start->lint),
                ],
                'plan_version' => 1,
            ],
        );
        AccessLog::changed($by, $case, 'opened a case');

        return $case;
    }

    /** @param array{practice_id: string, case_id: string} $own */
    private static function storeBaseline(
        OpeningData $opening,
        ProposedStart $start,
        array $own,
        Day $today,
        CarbonImmutable $now,
    ): void {
        if ($opening->findings->test !== null) {
            CheckIn::query()->create(
                $own + [
                    'id' => (string) Str::uuid7(),
                    'at' => $now,
                    'local_on' => $today->toIso(),
                    'provocation' => $opening->findings->test,
                    'stiffness_min' => $opening->findings->stiffness,
                    'signs' => [],
                    'made_at' => $now,
                    'created_at' => $now,
                ],
            );
        }
        $keys = ['strength' => $start->structure->strengthTest, 'range' => Measure::RANGE, 'count' => Measure::COUNT];
        foreach ($opening->tests as $kind => $test) {
            StrengthTest::query()->create(
                $own + ['test' => $keys[$kind], 'on' => $today->toIso(), 'created_at' => $now] + $test,
            );
        }
        if ($opening->severity?->score !== null) {
            Outcome::query()->create(
                $own + [
                    'measure' => $opening->severity->name,
                    'on' => $today->toIso(),
                    'score' => $opening->severity->score,
                    'created_at' => $now,
                ],
            );
        }
    }

    private static function finishDraft(?string $draft, CareCase $case): void
    {
        if ($draft !== null && Str::isUuid($draft)) {
            // What was typed is in the case now; the draft keeps nothing of it.
            Opening::query()
                ->whereKey($draft)
                ->update(['case_id' => $case->id, 'form' => '{}']);
        }
    }

    /** @throws InvalidInput where somebody who still grows was not looked at for it */
    private static function checkGrowth(Athlete $athlete, OpeningData $opening, Day $today): void
    {
        $born = $athlete->born_on === null ? null : Day::fromIso($athlete->born_on);
        if (Growth::isGrowing($born, $today) && !$opening->growthChecked && !$opening->hasSign(Growth::SIGN)) {
            throw InvalidInput::at(
                '/growth_checked',
                'must be answered: press on the growth zone beside the tendon, then say that it does not hurt, or tick the sign',
            );
        }
    }

    /** @throws InvalidInput where a dose lifts a part of the body and its mass is unknown */
    private static function checkBodyMass(Athlete $athlete, Plan $plan): void
    {
        $lifts = array_filter(
            $plan->prescriptions(),
            static fn(Prescription $prescription): bool => ($prescription->dose->body_fraction ?? 0) > 0,
        );
        if ($lifts !== [] && $athlete->body_mass_kg === null) {
            throw InvalidInput::at('/athlete/body_mass_kg', 'is needed: some exercises lift a part of the body');
        }
    }
}
