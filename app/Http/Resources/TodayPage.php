<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Models\TrainingSession;
use App\Support\CatalogueShelf;
use App\Support\Standing;
use Carbon\CarbonImmutable;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Time\Day;
use Rung\Core\Words\DoseWords;

/** What the athlete sees: what is due now, and how far the way is. */
final class TodayPage
{
    private const NEXT_DAYS = 7;

    /** Days within which a change of plan is still told as news. */
    private const NEWS_DAYS = 7;

    /** Hours after a session in which it is asked whether things are back to normal. */
    private const SETTLING_HOURS = 36;

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function of(CareCase $case, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $stage = $plan->stage($evaluation->log->stage->key);
        $today = $evaluation->log->today;
        $rule = $evaluation->log->file->response_rule;
        $stops = array_filter(Standing::stops($evaluation), static fn(array $stop): bool => $stop['cleared'] === false);
        $version = $case->currentPlan();
        $planned = array_values($case->plannedSessions()
            ->whereBetween('on', [$today->toIso(), $today->plus(self::NEXT_DAYS - 1)->toIso()])
            ->get()->all());
        $done = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();
        $due = array_values(array_filter(
            $planned,
            static fn(PlannedSession $one): bool => $one->on === $today->toIso() && !in_array($one->id, $done, true),
        ));

        return [
            'athlete' => $case->athlete->name,
            'today' => $today->toIso(),
            'plan_version' => $version->version,
            'stopped' => $stops !== [],
            'morning' => $this->morning($case, $evaluation),
            'session' => $stops === [] && $due !== [] && $stage !== null ? self::session($due[0], $stage, $plan, $catalogue, $evaluation) : null,
            'done_today' => array_filter($planned, static fn(PlannedSession $one): bool => $one->on === $today->toIso() && in_array($one->id, $done, true)) !== [],
            'settling' => $this->settling($case, $evaluation),
            'next' => array_map(fn(PlannedSession $one): array => [
                'on' => $one->on,
                'title' => self::slotTitle($stage, $one),
                'done' => in_array($one->id, $done, true),
            ], $planned),
            'news' => $version->version > 1 && self::begins($version, $case)->daysSince($today) > -self::NEWS_DAYS
                ? ['on' => self::begins($version, $case)->toIso(), 'words' => $version->note, 'why' => $version->why]
                : null,
            'advice' => array_values(array_column(array_filter(
                $case->advice,
                static fn(array $one): bool => $one['until'] === null || $one['until'] >= $today->toIso(),
            ), 'words')),
            'limits' => [
                'during_max' => $rule->during_max,
                'stop_at' => $rule->stop_at,
                'settle_within_min' => $rule->settle_within_min,
                'next_day_max' => $rule->next_day_max,
            ],
            'ladder' => Standing::ladder($evaluation),
            'hooks' => Standing::hooks($evaluation, Standing::ROUND_DAYS),
            'time_scale' => $catalogue->programmes[$case->programme]->timeScale ?? '',
        ];
    }

    /** The first day on which a version is in force. */
    private static function begins(PlanVersion $version, CareCase $case): Day
    {
        return Day::fromIso($version->valid_from ?? $version->created_at->setTimezone($case->practice->timezone)->format('Y-m-d'));
    }

    /** @return array<string, mixed> */
    private function morning(CareCase $case, Evaluation $evaluation): array
    {
        $today = $evaluation->log->today;
        $answered = null;
        foreach ($evaluation->log->checkIns as $checkIn) {
            if ($evaluation->log->file->timezone->dayOf($checkIn->at)->number === $today->number && $checkIn->provocation !== null) {
                $answered = $checkIn;
            }
        }

        return [
            'title' => $case->provocation_test['title'],
            'instruction' => $case->provocation_test['instruction'],
            'answered' => $answered === null ? null : [
                'provocation' => $answered->provocation,
                'stiffness_min' => $answered->stiffness_min,
            ],
        ];
    }

    /** @return array<string, mixed> */
    private static function session(PlannedSession $planned, PlanStage $stage, Plan $plan, Catalogue $catalogue, Evaluation $evaluation): array
    {
        $due = array_values(array_filter(
            $stage->stage->prescriptions,
            static fn(Prescription $one): bool => $one->slot === $planned->slot && !$plan->rests($one->key, $evaluation->log->today),
        ));

        return [
            'planned' => $planned->id,
            'title' => self::slotTitle($stage, $planned),
            'kind' => $due === [] ? 'sport' : 'loading',
            'exercises' => array_map(static function (Prescription $one) use ($catalogue): array {
                $exercise = $catalogue->exercises[$one->exercise] ?? null;

                return [
                    'prescription' => $one->key,
                    'title' => $exercise->title ?? $one->exercise,
                    'set_up' => $exercise?->set_up,
                    'movement' => $exercise?->movement,
                    'feel' => $exercise?->feel,
                    'faults' => $exercise?->faults,
                    'mode' => $one->mode->value,
                    'limbs' => DoseWords::limbs($one->limbs),
                    'words' => DoseWords::of($one),
                    'tempo_words' => DoseWords::tempo($one),
                    'dose' => $one->dose->toArray(),
                ];
            }, $due),
        ];
    }

    /** @return array{session: string, ended_at: string}|null the latest session whose settling was not told yet */
    private function settling(CareCase $case, Evaluation $evaluation): ?array
    {
        $latest = $case->trainingSessions()->get()->last();
        if (!$latest instanceof TrainingSession || $latest->settled_min !== null
            || $latest->ended_at->isBefore(CarbonImmutable::now()->subHours(self::SETTLING_HOURS))) {
            return null;
        }

        return ['session' => $latest->id, 'ended_at' => $latest->ended_at->setTimezone($case->practice->timezone)->toIso8601String()];
    }

    private static function slotTitle(?PlanStage $stage, PlannedSession $planned): string
    {
        foreach ($stage->slots ?? [] as $slot) {
            if ($slot->key === $planned->slot) {
                return $slot->title ?? $slot->key;
            }
        }

        return $planned->slot;
    }
}
