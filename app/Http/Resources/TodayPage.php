<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Message;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Models\TrainingSession;
use App\Support\CatalogueShelf;
use App\Support\DrawnFigures;
use App\Support\EntryLock;
use App\Support\FigureShelf;
use App\Support\Standing;
use App\Support\UsualMorning;
use Carbon\CarbonImmutable;
use Rung\Core\Acceptance\NextLoad;
use Rung\Core\Acceptance\Relief;
use Rung\Core\Acceptance\UsualLoad;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Slot;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Session;
use Rung\Core\Record\Side;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\TodayWords;

/** What the athlete's phone shows of one open case, for today and the week ahead. */
final class TodayPage
{
    private const NEXT_DAYS = 7;

    /** Days of hooks on the athlete's ladder. */
    private const STORY_DAYS = 42;

    /** Days for which a change of plan is shown as news. */
    private const NEWS_DAYS = 7;

    /** Hours after a session within which the athlete can say when things were back to normal. */
    private const SETTLING_HOURS = 48;

    private const MESSAGES = 10;

    /** Days back for which it can be said why a session was missed. */
    private const UNDONE_DAYS = 2;

    /** Days back whose mornings the phone knows to be answered. */
    private const ANSWERED_DAYS = 4;

    public function __construct(private readonly CatalogueShelf $shelf, private readonly FigureShelf $figures) {}

    /** @return array<string, mixed> */
    public function of(CareCase $case, Evaluation $evaluation): array
    {
        $version = $case->currentPlan();
        $plan = Plan::fromJson($version->content);
        $catalogue = $this->shelf->forCase($case, $plan);
        $stage = $plan->stage($evaluation->log->stage->key);
        $today = $evaluation->log->today;
        $rule = $evaluation->log->file->response_rule;
        $programme = $catalogue->programmes[$case->programme] ?? null;
        $isStopped = Standing::isStopped($evaluation) || $case->hasSevereFlare();
        $around = array_values(
            $case
                ->plannedSessions()
                ->whereBetween('on', [
                    $today->plus(-self::NEXT_DAYS)->toIso(),
                    $today->plus(self::NEXT_DAYS - 1)->toIso(),
                ])
                ->get()
                ->all(),
        );
        $slots = [];
        foreach ($around as $planned) {
            $slots[$planned->on] ??= $planned->slot;
        }
        // From yesterday on: where the athlete is, it may still be that day.
        $planned = array_values(
            array_filter(
                $around,
                static fn(PlannedSession $session): bool => $session->on >= $today->plus(-1)->toIso(),
            ),
        );
        $done = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();
        $outlooks = $evaluation->outlooks();
        $missing = array_values(array_filter(array_map(TodayWords::missing(...), $outlooks)));

        $figures = new DrawnFigures($this->figures, $catalogue);
        $practices = PracticeLadder::byBooked(
            $stage,
            $evaluation,
            array_map(
                static fn(PlannedSession $session): Booked => new Booked(
                    $session->id,
                    Day::fromIso($session->on),
                    $session->slot,
                ),
                array_values(
                    array_filter(
                        $planned,
                        static fn(PlannedSession $session): bool => $session->on >= $today->toIso() &&
                            !in_array($session->id, $done, true),
                    ),
                ),
            ),
        );
        // Under a stop nothing is asked for, today or on the days ahead.
        $sessions =
            $stage === null || $isStopped
                ? []
                : array_map(
                    fn(PlannedSession $session): array => self::session(
                        $session,
                        $stage,
                        $plan,
                        $catalogue,
                        $case,
                        $evaluation,
                        $programme->retest ?? false,
                        $figures,
                        $practices,
                    ) + ['done' => in_array($session->id, $done, true)],
                    $planned,
                );

        return [
            'case' => $case->id,
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'today' => $today->toIso(),
            'at' => $evaluation->log->at->toIso(),
            'plan_version' => $version->version,
            'stopped' => $isStopped,
            'morning' => $this->morning($case, $today),
            'sessions' => $sessions,
            'figures' => (object) $figures->all(),
            'retest' => $programme->retest ?? false,
            'settling' => $this->settling($case),
            'entered' => $this->entered($case, $plan, $catalogue, $today),
            'undone' => $isStopped ? [] : self::undone($case, $plan, $today),
            'days' => array_map(
                fn(int $i): array => [
                    'on' => $today->plus($i)->toIso(),
                    'why' => $isStopped
                        ? TodayWords::STOPPED
                        : ($stage === null
                            ? ''
                            : TodayWords::why($plan, $stage, $today->plus($i), $slots, $case->eventDays())),
                    'event' => in_array($today->plus($i)->toIso(), $case->events, true),
                    'asks' => $plan->asksMorning($slots, $today->plus($i)),
                ],
                range(-1, self::NEXT_DAYS - 1),
            ),
            'news' =>
                $version->version > 1 && self::begins($version, $case)->daysSince($today) > -self::NEWS_DAYS
                    ? [
                        'on' => self::begins($version, $case)->toIso(),
                        'words' => $version->note,
                        'why' => $version->why,
                    ]
                    : null,
            'advice' => array_values(
                array_column(
                    array_filter(
                        $case->advice,
                        static fn(array $row): bool => $row['until'] === null || $row['until'] >= $today->toIso(),
                    ),
                    'words',
                ),
            ),
            'messages' => array_values(
                $case
                    ->messages()
                    ->with('user')
                    ->limit(self::MESSAGES)
                    ->get()
                    ->map(
                        static fn(Message $message): array => [
                            'id' => $message->id,
                            'at' => $message->at->setTimezone($case->practice->timezone)->toIso8601String(),
                            'by' => $message->user->name,
                            'words' => $message->words,
                            'kind' => $message->kind->value,
                            'own' => $message->user->athlete_id === $case->athlete_id,
                            'pain' => $message->pain,
                            'seen' => $message->seen_at !== null,
                        ],
                    )
                    ->all(),
            ),
            'limits' => [
                'during_max' => $rule->during_max,
                'stop_at' => $rule->stop_at,
                'settle_within_min' => $rule->settle_within_min,
                'next_day_max' => $rule->next_day_max,
            ],
            'over_words' => TodayWords::overLimit($catalogue->schools[$rule->name ?? ''] ?? null),
            'usual_minutes' => UsualLoad::ofPractice($evaluation->log)->toArray(),
            'ladder' => Standing::ladder($evaluation),
            'missing' => $missing,
            'pegs' => ['met' => count($outlooks) - count($missing), 'of' => count($outlooks)],
            'hooks' => Standing::hooks($evaluation, self::STORY_DAYS),
            'gained' => ThenAndNow::gained($case, $evaluation, $catalogue),
            'then_and_now' => ThenAndNow::sessions($case, $catalogue),
            'week' =>
                $plan->maintenance === null
                    ? TodayWords::week($today, Day::fromIso($case->opened_on), $programme?->usualWeeks)
                    : TodayWords::maintenance($plan->maintenance),
            'time_scale' => $programme->timeScale ?? '',
        ];
    }

    /** The first day on which a version is in force. */
    private static function begins(PlanVersion $version, CareCase $case): Day
    {
        return Day::fromIso(
            $version->valid_from ?? $version->created_at->setTimezone($case->practice->timezone)->format('Y-m-d'),
        );
    }

    /** @return array<string, mixed> */
    private function morning(CareCase $case, Day $today): array
    {
        $zone = $case->practice->timezone;
        $recent = $case
            ->checkIns()
            ->where('at', '>', CarbonImmutable::now()->utc()->subDays(self::ANSWERED_DAYS))
            ->get()
            ->all();
        $scored = array_values(
            array_filter($recent, static fn(CheckIn $checkIn): bool => $checkIn->provocation !== null),
        );

        return [
            'title' => $case->provocation_test['title'],
            'instruction' => $case->provocation_test['instruction'],
            'usual' => UsualMorning::of($case),
            'opened_on' => $case->opened_on,
            'answered' => array_map(
                static fn(CheckIn $checkIn): array => [
                    'on' => $checkIn->local_on ?? $checkIn->at->setTimezone($zone)->format('Y-m-d'),
                    'provocation' => $checkIn->provocation,
                    'stiffness_min' => $checkIn->stiffness_min,
                ],
                $scored,
            ),
        ];
    }

    /**
     * @param array<string, PracticeStep> $practices by planned session
     *
     * @return array<string, mixed>
     */
    private static function session(
        PlannedSession $planned,
        PlanStage $stage,
        Plan $plan,
        Catalogue $catalogue,
        CareCase $case,
        Evaluation $evaluation,
        bool $retests,
        DrawnFigures $figures,
        array $practices,
    ): array {
        $due = array_values(
            array_filter(
                $stage->stage->prescriptions,
                static fn(Prescription $prescription): bool => $prescription->slot === $planned->slot &&
                    !$plan->rests($prescription->key, Day::fromIso($planned->on)),
            ),
        );
        $asked = $stage->stage->key === $evaluation->log->stage->key ? $evaluation->askedByPrescription() : [];
        // Where both sides are affected, both take their turn.
        $limbs = static fn(Prescription $prescription): Limbs => $case->side === Side::Both->value
            ? $prescription->limbs->onBothSides()
            : $prescription->limbs;
        $sums = array_map(
            static fn(Prescription $prescription) => DoseArithmetic::of(
                $prescription->mode,
                $limbs($prescription),
                isset($asked[$prescription->key])
                    ? $asked[$prescription->key]->asPrescription()->dose
                    : $prescription->dose,
                $case->athlete->body_mass_kg,
            ),
            $due,
        );

        return [
            'planned' => $planned->id,
            'on' => $planned->on,
            'stage' => $stage->stage->key,
            'title' => $stage->slot($planned->slot)?->name() ?? $planned->slot,
            'at' => $stage->slot($planned->slot)?->timeOf($planned->number)?->toText(),
            'practice' => self::practice($stage->slot($planned->slot), $practices[$planned->id] ?? null, $evaluation),
            'part' => self::part($planned, $stage, $case, $evaluation->log->today),
            'kind' => $due === [] ? 'sport' : 'loading',
            'duration_s' => DoseArithmetic::session($sums)['duration_s'],
            'exercises' => array_map(static function (Prescription $prescription) use (
                $catalogue,
                $case,
                $asked,
                $evaluation,
                $retests,
                $limbs,
                $figures,
            ): array {
                $next = $asked[$prescription->key] ?? null;
                // What the next session asks within what is prescribed.
                $prescription = $next === null ? $prescription : $next->asPrescription();
                $exercise = $catalogue->exercises[$prescription->exercise] ?? null;
                $load = NextLoad::of($prescription, $evaluation, $catalogue);

                return [
                    'prescription' => $prescription->key,
                    'exercise' => $prescription->exercise,
                    'title' => $exercise->title ?? $prescription->exercise,
                    'figure' => $figures->keyOf($prescription->exercise, $prescription->dose->range),
                    'set_up' => $exercise?->set_up,
                    'movement' => $exercise?->movement,
                    'feel' => $exercise?->feel,
                    'faults' => $exercise?->faults,
                    'cue' => $prescription->cue,
                    'says' => (object) ($exercise?->says?->toArray() ?? []),
                    'mode' => $prescription->mode->value,
                    'limbs' => DoseWords::limbs($limbs($prescription)),
                    'sides' => TodayWords::sides($prescription->limbs, Side::from($case->side)),
                    'words' => DoseWords::of($prescription, $evaluation->isMeasured()),
                    'load' =>
                        $load === null
                            ? null
                            : [
                                'source' => $load->source->value,
                                'kg' => $load->kg,
                                'words' => DoseWords::load($load, $prescription),
                            ],
                    'band' => HeldForce::of($prescription, $evaluation, $catalogue),
                    'tempo_words' => DoseWords::tempo($prescription),
                    'max_pain' => $prescription->maxPain(
                        is_int($case->response_rule['during_max'] ?? null) ? $case->response_rule['during_max'] : 10,
                    ),
                    'wanted_pain' => $prescription->minPain(),
                    // Where pain leads the dose, or the test is repeated between sets, each set is judged by itself.
                    'pain_by_set' => $retests || $prescription->minPain() !== null,
                    'relief' => array_map(
                        static fn(Relief $relief): array => [
                            'kind' => $relief->kind->value,
                            'words' => TodayWords::relief($relief),
                            'exercise' =>
                                $relief->exercise === null
                                    ? null
                                    : [
                                        'exercise' => $relief->exercise->key,
                                        'title' => $relief->exercise->title,
                                        'mode' => $relief->exercise->mode->value,
                                        'figure' => $figures->keyOf($relief->exercise->key),
                                        'set_up' => $relief->exercise->set_up,
                                        'movement' => $relief->exercise->movement,
                                    ],
                        ],
                        Relief::of($prescription, $catalogue),
                    ),
                    'usual_load' => UsualLoad::of($prescription, $load, $case->athlete->body_mass_kg)?->toArray(),
                    'why' => $next === null ? null : TodayWords::asked($next),
                    'dose' => $prescription->dose->toArray(),
                ];
            }, $due),
        ];
    }

    /** @return array<string, mixed>|null what a practice on the way back to sport asks for, and why */
    private static function practice(?Slot $slot, ?PracticeStep $step, Evaluation $evaluation): ?array
    {
        $ladder = $slot === null ? null : PracticeLadder::of($slot, $evaluation);
        if ($step === null || $ladder === null) {
            return null;
        }
        $at = (int) array_search($step, $ladder->steps, true);

        return [
            'title' => $step->title,
            'minutes' => $step->minutes,
            'effort' => $step->effort,
            'full' => $step->full,
            'step' => $at + 1,
            'of' => count($ladder->steps),
            'why' => $at === $ladder->at ? TodayWords::practice($ladder) : 'If the practices before it settle.',
        ];
    }

    /** @return array{number: int, of: int, least_hours: int, from: string|null}|null which of several of its kind on a day it is */
    private static function part(PlannedSession $planned, PlanStage $stage, CareCase $case, Day $today): ?array
    {
        $of = $stage->slot($planned->slot)->times_per_day ?? 1;
        if ($of < 2) {
            return null;
        }
        $least = TodayWords::leastHours($of);
        $last =
            $planned->on !== $today->toIso()
                ? null
                : $case
                    ->trainingSessions()
                    ->whereIn(
                        'planned_id',
                        PlannedSession::query()
                            ->select('id')
                            ->where('case_id', $case->id)
                            ->where('on', $planned->on)
                            ->where('slot', $planned->slot),
                    )
                    ->reorder('ended_at', 'desc')
                    ->first();

        return [
            'number' => $planned->number,
            'of' => $of,
            'least_hours' => $least,
            'from' => $last?->ended_at->addHours($least)->setTimezone($case->practice->timezone)->format('H:i'),
        ];
    }

    /** @return array<string, mixed> what was entered today and yesterday, to be looked at and put right */
    private function entered(CareCase $case, Plan $plan, Catalogue $catalogue, Day $today): array
    {
        $zone = $case->practice->timezone;
        $from = CarbonImmutable::parse($today->plus(-1)->toIso(), $zone);
        $exercises = array_column([...$plan->prescriptions(), ...$plan->leftOut], 'exercise', 'key');
        $titles = PlannedSession::query()
            ->where('case_id', $case->id)
            ->whereIn(
                'id',
                $case->trainingSessions()->where('started_at', '>=', $from)->pluck('planned_id')->filter()->all(),
            )
            ->get()
            ->keyBy('id');

        return [
            'mornings' => array_values(
                $case
                    ->checkIns()
                    ->where('at', '>=', $from)
                    ->whereNotNull('provocation')
                    ->get()
                    ->map(
                        static fn(CheckIn $checkIn): array => [
                            'id' => $checkIn->id,
                            'on' => $checkIn->local_on ?? $checkIn->at->setTimezone($zone)->format('Y-m-d'),
                            'at' => $checkIn->at->setTimezone($zone)->toIso8601String(),
                            'provocation' => $checkIn->provocation,
                            'stiffness_min' => $checkIn->stiffness_min,
                            'locked' => EntryLock::of($case, $checkIn),
                        ],
                    )
                    ->all(),
            ),
            'sessions' => array_values(
                $case
                    ->trainingSessions()
                    ->where('started_at', '>=', $from)
                    ->get()
                    ->map(static function (TrainingSession $session) use (
                        $case,
                        $zone,
                        $titles,
                        $plan,
                        $catalogue,
                        $exercises,
                    ): array {
                        $planned = $titles->get($session->planned_id ?? '');

                        return [
                            'id' => $session->id,
                            'on' => $session->started_at->setTimezone($zone)->format('Y-m-d'),
                            'at' => $session->started_at->setTimezone($zone)->toIso8601String(),
                            'title' =>
                                ($planned === null
                                    ? null
                                    : $plan->stage($planned->stage)?->slot($planned->slot)?->name()) ??
                                ($session->kind === 'sport' ? 'Practice' : 'Session'),
                            'kind' => $session->kind,
                            'minutes' => $session->minutes,
                            'effort' => $session->effort,
                            'settled_min' => $session->settled_min,
                            'entries' => array_map(
                                static fn(array $entry): array => [
                                    'prescription' => $entry['prescription'] ?? null,
                                    'title' => isset($entry['prescription'])
                                        ? $catalogue->titleOf(
                                            $exercises[$entry['prescription']] ?? $entry['prescription'],
                                        )
                                        : 'Practice',
                                    'pain' => $entry['pain'] ?? null,
                                    'sets' => count($entry['sets'] ?? []),
                                ],
                                $session->entries,
                            ),
                            'locked' => EntryLock::of($case, $session),
                        ];
                    })
                    ->all(),
            ),
        ];
    }

    /** @return list<array<string, mixed>> planned sessions of the last days and today that were not done, so that it can be said why */
    private static function undone(CareCase $case, Plan $plan, Day $today): array
    {
        $done = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();

        return array_values(
            $case
                ->plannedSessions()
                ->whereBetween('on', [$today->plus(-self::UNDONE_DAYS)->toIso(), $today->toIso()])
                ->whereNotIn('id', $done)
                ->get()
                ->map(
                    static fn(PlannedSession $planned): array => [
                        'planned' => $planned->id,
                        'on' => $planned->on,
                        'title' => $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session',
                        'why' => $planned->missed_why,
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array{session: string, ended_at: string}> sessions that have no time of settling yet, oldest first */
    private function settling(CareCase $case): array
    {
        return array_values(
            $case
                ->trainingSessions()
                ->whereNull('settled_min')
                ->where('ended_at', '>', CarbonImmutable::now()->utc()->subHours(self::SETTLING_HOURS))
                ->get()
                // After a session without pain there is nothing to settle.
                ->filter(
                    static fn(TrainingSession $session): bool => max([
                        0,
                        ...array_map('intval', array_column($session->entries, 'pain')),
                    ]) > 0,
                )
                ->map(
                    static fn(TrainingSession $session): array => [
                        'session' => $session->id,
                        'ended_at' => $session->ended_at->setTimezone($case->practice->timezone)->toIso8601String(),
                    ],
                )
                ->all(),
        );
    }

    /** @return array{ladder: list<array<string, mixed>>, gained: list<string>} what stays to be seen once a case is closed */
    public function history(CareCase $case, Evaluation $evaluation): array
    {
        return [
            'ladder' => Standing::ladder($evaluation),
            'gained' => ThenAndNow::gained($case, $evaluation, $this->shelf->forCase($case, $case->plan())),
        ];
    }
}
