<?php

declare(strict_types=1);

namespace App\Models;

use App\Care\Advice;
use App\Care\Intake;
use App\Models\Casts\CoreValue;
use App\Models\Casts\KeptIntake;
use App\Models\Casts\KeptList;
use App\Models\Casts\KeptSnapshot;
use App\Models\Concerns\BelongsToPractice;
use App\Support\Clock;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Weekday;
use Rung\Core\CaseFile\ResponseRule;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Measure;
use Rung\Core\Input\Json;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Structure;
use Rung\Core\Snapshot\CaseSnapshot;
use Rung\Core\Stage\Criterion;
use Rung\Core\Stage\OverTest;
use Rung\Core\Start\SeverityScore;
use Rung\Core\Time\Day;

/**
 * One episode of care. Its `snapshot` is what the core said when something was last written.
 *
 * @property string $id
 * @property string $practice_id
 * @property string $athlete_id
 * @property string $practitioner_id
 * @property string $structure
 * @property string $structure_title as the catalogue called it when the case was opened
 * @property string $side
 * @property string $goal
 * @property string $purpose
 * @property string $opened_on
 * @property string|null $review_on
 * @property string|null $closed_on
 * @property bool $set_aside at the athlete's wish: the owner alone sees it
 * @property bool $stopped_after_close a stop came in after it was closed, and waits for a review
 * @property string|null $history
 * @property string $programme
 * @property ResponseRule $response_rule
 * @property array{title: string, instruction: string} $provocation_test
 * @property list<Weekday> $available
 * @property list<Day> $events shows and competitions
 * @property list<Day> $blocked
 * @property list<ExpectedSport> $expected_sport practice, rehearsals and shows beside the plan
 * @property Intake $intake
 * @property int|null $programme_version of the practice's own programme
 * @property list<string>|null $equipment at hand; null where it was not asked
 * @property int|null $session_minutes that a session may take
 * @property list<Advice> $advice on what to cut or change for now
 * @property SeverityScore|null $severity the score of the practitioner's choice; null where none was chosen
 * @property string|null $goal_on
 * @property CaseSnapshot|null $snapshot null where it was never evaluated, or not since an upgrade
 * @property array<string, mixed>|null $round_line what the Round draws of the snapshot
 * @property string|null $attention_group
 * @property int $attention_rank
 * @property CarbonImmutable|null $evaluated_at
 * @property int $revision
 * @property string $stage_title
 * @property string|null $course how it has gone, as prescribing looks at it (JSON)
 * @property CarbonImmutable|null $nudged_at
 * @property CarbonImmutable|null $asked_at since when something that the athlete wrote waits for an answer
 * @property Athlete $athlete
 * @property User $practitioner
 * @property Practice $practice
 */
final class CareCase extends Model
{
    use BelongsToPractice;
    use HasUuids;

    protected $table = 'cases';

    protected $guarded = [];

    /** @return BelongsTo<Practice, $this> */
    public function practice(): BelongsTo
    {
        return $this->belongsTo(Practice::class);
    }

    /** @return BelongsTo<Athlete, $this> */
    public function athlete(): BelongsTo
    {
        return $this->belongsTo(Athlete::class);
    }

    /** @return BelongsTo<User, $this> */
    public function practitioner(): BelongsTo
    {
        return $this->belongsTo(User::class, 'practitioner_id');
    }

    /** @return HasMany<PlanVersion, $this> */
    public function planVersions(): HasMany
    {
        return $this->hasMany(PlanVersion::class, 'case_id')->orderBy('version');
    }

    /** @return HasMany<StageEntry, $this> */
    public function stageEntries(): HasMany
    {
        return $this->hasMany(StageEntry::class, 'case_id')->orderBy('from');
    }

    /** @return HasMany<PlannedSession, $this> */
    public function plannedSessions(): HasMany
    {
        return $this->hasMany(PlannedSession::class, 'case_id')
            ->where('withdrawn', false)
            ->orderBy('on')
            ->orderBy('slot')
            ->orderBy('number');
    }

    /** @return HasMany<TrainingSession, $this> */
    public function trainingSessions(): HasMany
    {
        return $this->hasMany(TrainingSession::class, 'case_id')
            ->where('superseded', false)
            ->orderBy('started_at')
            ->orderBy('created_at');
    }

    /** @return HasMany<CheckIn, $this> */
    public function checkIns(): HasMany
    {
        return $this->hasMany(CheckIn::class, 'case_id')
            ->where('superseded', false)
            ->orderBy('at')
            ->orderBy('created_at');
    }

    /** Whether the athlete reported pain at the stop level between sessions and nobody has dealt with it yet. */
    public function hasSevereFlare(): bool
    {
        return $this->asked_at !== null &&
            $this->messages()
                ->where('kind', MessageKind::Flare)
                ->whereNull('seen_at')
                ->where('pain', '>=', $this->response_rule->stop_at)
                ->exists();
    }

    /** An open case of an athlete at the same structure, on the same side or on both. */
    public static function sameOpen(string $athlete, string $structure, string $side): ?self
    {
        // A colleague's too, though it is not seen.
        return app(CurrentPractice::class)->onEveryCase(
            static fn(): ?self => self::query()
                ->where('athlete_id', $athlete)
                ->where('structure', $structure)
                ->whereNull('closed_on')
                ->where(static fn($query) => $side === 'both' ? $query : $query->whereIn('side', [$side, 'both']))
                ->first(),
        );
    }

    /**
     * What is measured again and again in this case.
     *
     * @return list<Measure>
     */
    public function measures(Plan $plan, Catalogue $catalogue): array
    {
        $gates = array_merge(
            [],
            ...array_map(static fn(PlanStage $stage): array => $stage->stage->gate, $plan->stages),
        );

        return Measure::forStructure(
            $catalogue->structure(Structure::from($this->structure)),
            $catalogue,
            array_values(array_filter($gates, static fn(Criterion $criterion): bool => $criterion instanceof OverTest)),
        );
    }

    /** Whether nothing may be loaded before a practitioner has looked: a stop is open, or a flare at the stop level waits. */
    public function isStopped(): bool
    {
        $isStopped = $this->snapshot?->isStopped() ?? ($this->round_line['stopped'] ?? false) === true;

        return $isStopped || $this->hasSevereFlare();
    }

    /** Sessions and answers that came in after the case was closed. */
    public function entriesAfterClose(): int
    {
        return TrainingSession::query()->where('case_id', $this->id)->where('after_close', true)->count() +
            CheckIn::query()->where('case_id', $this->id)->where('after_close', true)->count();
    }

    /** @return HasMany<StrengthTest, $this> */
    public function tests(): HasMany
    {
        return $this->hasMany(StrengthTest::class, 'case_id')
            ->where('superseded', false)
            ->orderBy('on')
            ->orderBy('created_at')
            ->orderBy('id');
    }

    /** @return HasMany<Outcome, $this> */
    public function outcomes(): HasMany
    {
        return $this->hasMany(Outcome::class, 'case_id')
            ->where('superseded', false)
            ->orderBy('on')
            ->orderBy('created_at');
    }

    /** @return HasMany<SignOff, $this> */
    public function signOffs(): HasMany
    {
        return $this->hasMany(SignOff::class, 'case_id')->orderBy('on');
    }

    /** @return HasMany<Review, $this> */
    public function reviews(): HasMany
    {
        return $this->hasMany(Review::class, 'case_id')->orderBy('at');
    }

    /** @return HasMany<DoseChange, $this> */
    public function doseChanges(): HasMany
    {
        return $this->hasMany(DoseChange::class, 'case_id')->orderBy('at')->orderBy('id');
    }

    /** @return HasMany<Decision, $this> */
    public function decisions(): HasMany
    {
        return $this->hasMany(Decision::class, 'case_id')->orderByDesc('at')->orderByDesc('id');
    }

    /** @return HasMany<Message, $this> */
    public function messages(): HasMany
    {
        return $this->hasMany(Message::class, 'case_id')->orderByDesc('at')->orderByDesc('id');
    }

    /** The version in force today. */
    public function currentPlan(): PlanVersion
    {
        return $this->hasMany(PlanVersion::class, 'case_id')
            ->whereRaw('(valid_from is null or valid_from <= ?)', [Clock::today($this->practice->timezone)->toIso()])
            ->orderByDesc('version')
            ->firstOrFail();
    }

    /** The version that waits for its first day, if one does. */
    public function waitingPlan(): ?PlanVersion
    {
        return $this->hasMany(PlanVersion::class, 'case_id')
            ->where('version', '>', $this->currentPlan()->version)
            ->orderByDesc('version')
            ->first();
    }

    /** The number that the next version gets. */
    public function nextVersion(): int
    {
        $newest = $this->hasMany(PlanVersion::class, 'case_id')->max('version');

        return (is_int($newest) ? $newest : 0) + 1;
    }

    public function plan(): Plan
    {
        return Plan::fromJson($this->currentPlan()->content);
    }

    /** @return list<Weekday> the days of the week that the athlete has, as a plan has them or as they were when the case was opened */
    public function weekdays(?Plan $plan = null): array
    {
        return $plan->available ?? $this->available;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'response_rule' => CoreValue::class . ':' . ResponseRule::class,
            'provocation_test' => 'array',
            'available' => KeptList::class . ':' . Weekday::class,
            'events' => KeptList::class . ':' . Day::class,
            'blocked' => KeptList::class . ':' . Day::class,
            'expected_sport' => KeptList::class . ':' . ExpectedSport::class,
            'intake' => KeptIntake::class,
            'equipment' => 'array',
            'advice' => KeptList::class . ':' . Advice::class,
            'severity' => CoreValue::class . ':' . SeverityScore::class,
            'snapshot' => KeptSnapshot::class,
            'round_line' => 'array',
            'evaluated_at' => 'immutable_datetime',
            'nudged_at' => 'immutable_datetime',
            'asked_at' => 'immutable_datetime',
        ];
    }
}
