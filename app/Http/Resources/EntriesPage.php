<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Outcome;
use App\Models\PlannedSession;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Calendar\Slot;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\Plan;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\VisitWords;

/** What was entered in a case, to be put right, and what can be entered for the athlete. */
final class EntriesPage
{
    /** Days back whose entries are shown. */
    private const DAYS = 120;

    /** Days back whose planned sessions can be entered. */
    private const PLANNED_DAYS = 28;

    private const CORRECTIONS = 100;

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, string $stage): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $from = CarbonImmutable::now($case->practice->timezone)->startOfDay()->subDays(self::DAYS)->utc();
        $entries = [
            ...$this->sessions($case, $catalogue, $from),
            ...$this->mornings($case, $from),
            ...$this->tests($case, array_column($case->measures($plan, $catalogue), 'title', 'key'), $from),
            ...$this->scores($case, $from),
        ];
        $names = User::query()
            ->whereKey(array_filter(array_column($entries, 'entered_by'), is_string(...)))
            ->pluck('name', 'id')
            ->all();
        $entries = array_map(
            static fn(array $entry): array => array_replace($entry, [
                'entered_by' => is_string($entry['entered_by']) ? $names[$entry['entered_by']] ?? null : null,
            ]),
            $entries,
        );
        usort($entries, static fn(array $a, array $b): int => [$b['at'], $b['id']] <=> [$a['at'], $a['id']]);

        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'opened_on' => $case->opened_on,
            'closed_on' => $case->closed_on,
            'today' => Clock::today($case->practice->timezone)->toIso(),
            'zone' => $case->practice->timezone,
            'plan_version' => $case->currentPlan()->version,
            'test' => $case->provocation_test['title'],
            'entries' => $entries,
            'corrections' => CorrectionWords::latest($case, self::CORRECTIONS),
            'sessions' => $this->askedFor($case, $plan, $stage, $catalogue),
            'planned' => $this->planned($case, $plan),
        ];
    }

    /** @return list<array<string, mixed>> */
    private function sessions(CareCase $case, Catalogue $catalogue, CarbonImmutable $from): array
    {
        $exercises = [];
        foreach ($case->planVersions()->get()->all() as $version) {
            $plan = Plan::fromJson($version->content);
            $exercises[$version->version] = array_column(
                [...$plan->prescriptions(), ...$plan->leftOut],
                'exercise',
                'key',
            );
        }

        return array_values(
            $case
                ->trainingSessions()
                ->where('started_at', '>=', $from)
                ->get()
                ->map(static function (TrainingSession $session) use ($case, $catalogue, $exercises): array {
                    $pains = array_map(
                        static fn(array $entry): array => [
                            'prescription' => $entry['prescription'] ?? null,
                            'title' => isset($entry['prescription'])
                                ? $catalogue->titleOf(
                                    $exercises[$session->plan_version][$entry['prescription']] ??
                                        $entry['prescription'],
                                )
                                : 'Practice',
                            'sets' => count($entry['sets'] ?? []),
                            'pain' => $entry['pain'] ?? null,
                        ],
                        $session->entries,
                    );

                    return self::entry($case, 'session', $session->id, $session->started_at, $session->entered_by) + [
                        'title' => $session->kind === 'sport' ? 'Practice' : 'Session',
                        'pains' => $pains,
                        'minutes' => $session->minutes,
                        'effort' => $session->effort,
                    ];
                })
                ->all(),
        );
    }

    /** @return list<array<string, mixed>> */
    private function mornings(CareCase $case, CarbonImmutable $from): array
    {
        return array_values(
            $case
                ->checkIns()
                ->where('at', '>=', $from)
                ->get()
                ->map(
                    static fn(CheckIn $checkIn): array => self::entry(
                        $case,
                        'morning',
                        $checkIn->id,
                        $checkIn->at,
                        $checkIn->entered_by,
                    ) + [
                        'title' => 'Morning',
                        'provocation' => $checkIn->provocation,
                        'stiffness_min' => $checkIn->stiffness_min,
                        'notes' => $checkIn->notes,
                    ],
                )
                ->all(),
        );
    }

    /**
     * @param array<string, string> $titles of what is measured, by key
     *
     * @return list<array<string, mixed>>
     */
    private function tests(CareCase $case, array $titles, CarbonImmutable $from): array
    {
        return array_values(
            $case
                ->tests()
                ->where('on', '>=', $from->format('Y-m-d'))
                ->get()
                ->map(
                    static fn(StrengthTest $test): array => self::entry(
                        $case,
                        'test',
                        $test->id,
                        CarbonImmutable::parse($test->on, $case->practice->timezone),
                        null,
                    ) + [
                        'title' => $titles[$test->test] ?? 'Test',
                        'affected' => $test->affected,
                        'unaffected' => $test->unaffected,
                        'unit' => $test->unit,
                    ],
                )
                ->all(),
        );
    }

    /** @return list<array<string, mixed>> */
    private function scores(CareCase $case, CarbonImmutable $from): array
    {
        return array_values(
            $case
                ->outcomes()
                ->where('on', '>=', $from->format('Y-m-d'))
                ->get()
                ->map(
                    static fn(Outcome $outcome): array => self::entry(
                        $case,
                        'score',
                        $outcome->id,
                        CarbonImmutable::parse($outcome->on, $case->practice->timezone),
                        null,
                    ) + [
                        'title' => VisitWords::title($outcome->measure),
                        'measure' => $outcome->measure,
                        'score' => $outcome->score,
                    ],
                )
                ->all(),
        );
    }

    /** @return array<string, mixed> */
    private static function entry(
        CareCase $case,
        string $what,
        string $id,
        CarbonImmutable $at,
        ?string $enteredBy,
    ): array {
        $local = $at->setTimezone($case->practice->timezone);

        return [
            'what' => $what,
            'id' => $id,
            'on' => $local->format('Y-m-d'),
            'at' => $local->toIso8601String(),
            'entered_by' => $enteredBy,
        ];
    }

    /** @return list<array<string, mixed>> the kinds of session of the present stage with their exercises */
    private function askedFor(CareCase $case, Plan $plan, string $stage, Catalogue $catalogue): array
    {
        $planned = $plan->stage($stage);

        return array_map(
            static fn(Slot $slot): array => [
                'slot' => $slot->key,
                'title' => $slot->name(),
                'exercises' => array_values(
                    array_map(
                        static fn(Prescription $prescription): array => [
                            'prescription' => $prescription->key,
                            'title' => $catalogue->titleOf($prescription->exercise),
                            'words' => DoseWords::describe($prescription),
                            'mode' => $prescription->mode->value,
                            'dose' => $prescription->dose->toArray(),
                        ],
                        array_filter(
                            $planned->stage->prescriptions ?? [],
                            static fn(Prescription $prescription): bool => $prescription->slot === $slot->key,
                        ),
                    ),
                ),
            ],
            $planned->slots ?? [],
        );
    }

    /** @return list<array<string, mixed>> planned sessions of the last weeks that nobody has entered, newest first */
    private function planned(CareCase $case, Plan $plan): array
    {
        $today = Clock::today($case->practice->timezone);
        $done = $case->trainingSessions()->whereNotNull('planned_id')->pluck('planned_id')->all();

        return array_values(
            $case
                ->plannedSessions()
                ->whereBetween('on', [$today->plus(-self::PLANNED_DAYS)->toIso(), $today->toIso()])
                ->whereNotIn('id', $done)
                ->reorder('on', 'desc')
                ->get()
                ->map(
                    static fn(PlannedSession $planned): array => [
                        'planned' => $planned->id,
                        'on' => $planned->on,
                        'slot' => $planned->slot,
                        'title' => $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session',
                    ],
                )
                ->all(),
        );
    }
}
