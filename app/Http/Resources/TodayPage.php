<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Care\Advice;
use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Message;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Support\CatalogueShelf;
use App\Support\DrawnFigures;
use App\Support\FigureShelf;
use App\Support\UsualMorning;
use Carbon\CarbonImmutable;
use Rung\Core\Acceptance\UsualLoad;
use Rung\Core\Calendar\Booked;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Plan\Plan;
use Rung\Core\Time\Day;
use Rung\Core\Words\TodayWords;

/** What the athlete's phone shows of one open case, for today and the week ahead. */
final class TodayPage
{
    private const NEXT_DAYS = 7;

    /** Days of hooks on the athlete's ladder. */
    private const STORY_DAYS = 42;

    /** Days for which a change of plan is shown as news. */
    private const NEWS_DAYS = 7;

    private const MESSAGES = 10;

    /** Days back whose mornings the phone knows to be answered. */
    private const ANSWERED_DAYS = 4;

    public function __construct(private readonly CatalogueShelf $shelf, private readonly FigureShelf $figures) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, Evaluation $evaluation): array
    {
        $version = $case->currentPlan();
        $plan = Plan::fromJson($version->content);
        $catalogue = $this->shelf->forCase($case, $plan);
        $stage = $plan->stage($evaluation->log->stage->key);
        $today = $evaluation->log->today;
        $rule = $evaluation->log->file->response_rule;
        $programme = $catalogue->programmes[$case->programme] ?? null;
        $isStopped = $evaluation->isStopped() || $case->hasSevereFlare();
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
        $due =
            $stage === null
                ? null
                : new DueSession(
                    $stage,
                    $plan,
                    $catalogue,
                    $case,
                    $evaluation,
                    $programme->retest ?? false,
                    $figures,
                    $practices,
                );
        // Under a stop nothing is asked for, today or on the days ahead.
        $sessions =
            $due === null || $isStopped
                ? []
                : array_map(
                    static fn(PlannedSession $session): array => $due->present($session) + [
                        'done' => in_array($session->id, $done, true),
                    ],
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
            'settling' => PhoneEntries::settling($case),
            'entered' => PhoneEntries::entered($case, $plan, $catalogue, $today),
            'undone' => $isStopped ? [] : PhoneEntries::undone($case, $plan, $today),
            'days' => array_map(
                fn(int $i): array => [
                    'on' => $today->plus($i)->toIso(),
                    'why' => $isStopped
                        ? TodayWords::STOPPED
                        : ($stage === null
                            ? ''
                            : TodayWords::why($plan, $stage, $today->plus($i), $slots, $case->events)),
                    'event' => in_array($today->plus($i), $case->events),
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
            'advice' => Advice::standing($case->advice, $today),
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
            'ladder' => EvaluationPart::ladder($evaluation),
            'missing' => $missing,
            'pegs' => ['met' => count($outlooks) - count($missing), 'of' => count($outlooks)],
            'hooks' => EvaluationPart::hooks($evaluation, self::STORY_DAYS),
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
            'usual' => UsualMorning::forCase($case),
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

    /** @return array{ladder: list<array<string, mixed>>, gained: list<string>} what stays to be seen once a case is closed */
    public function history(CareCase $case, Evaluation $evaluation): array
    {
        return [
            'ladder' => EvaluationPart::ladder($evaluation),
            'gained' => ThenAndNow::gained($case, $evaluation, $this->shelf->forCase($case, $case->plan())),
        ];
    }
}
