<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\RefreshStanding;
use App\Models\CareCase;
use App\Models\StageEntry;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Plan\Waiting;
use Rung\Core\Record\Goal;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeOfDay;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\PlanWords;

/** What the Prescribe screen begins with: the plan in force, stage by stage, as it can be edited. */
final class PrescribePage
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly RefreshStanding $standing) {}

    /** @return array{others: list<array{key: string, title: string}>, ...<string, mixed>} */
    public function present(CareCase $case): array
    {
        $plan = $case->plan();
        $waiting = $case->waitingPlan();
        $today = Clock::today($case->practice->timezone);
        $stage = StageEntry::query()
            ->where('case_id', $case->id)
            ->where('from', '<=', $today->toIso())
            ->orderByDesc('from')
            ->firstOrFail();

        return [
            'id' => $case->id,
            'revision' => $case->revision,
            'athlete' => ['id' => $case->athlete_id, 'name' => $case->athlete->name, 'act' => $case->athlete->act],
            'structure' => $case->structure,
            'structure_title' => $case->structure_title,
            'side' => $case->side,
            'today' => $today->toIso(),
            'version' => $case->currentPlan()->version,
            'waiting' =>
                $waiting === null
                    ? null
                    : [
                        'version' => $waiting->version,
                        'from' => $waiting->valid_from ?? $today->toIso(),
                        'note' => $waiting->note,
                    ],
            'stage' => $stage->stage,
            'stages' => array_map(
                fn(PlanStage $planStage): array => $this->stage($planStage, $plan, $case, $today),
                $plan->stages,
            ),
            'proposed' => $this->proposed($case, $plan),
            'available' => array_map(static fn(Weekday $day): string => $day->value, $case->weekdays($plan)),
            'usual_practice' => array_map(
                static fn(PracticeStep $step): array => $step->toArray(),
                $this->shelf->forCase($case, $plan)->practiceFor(Goal::from($case->goal)),
            ),
            'others' => array_values(
                CareCase::query()
                    ->with('athlete')
                    ->where('structure', $case->structure)
                    ->where('id', '!=', $case->id)
                    ->orderByDesc('opened_on')
                    ->limit(30)
                    ->get()
                    ->map(
                        static fn(CareCase $careCase): array => [
                            'key' => $careCase->id,
                            'title' => "{$careCase->athlete->name}, $careCase->side",
                        ],
                    )
                    ->all(),
            ),
        ];
    }

    /** @return list<array<string, mixed>> the prescriptions that accepting the proposal would change, as it would make them */
    private function proposed(CareCase $case, Plan $plan): array
    {
        $catalogue = $this->shelf->forCase($case, $plan);
        $step = Acceptance::accept($plan, $this->standing->evaluate($case), $catalogue);
        $changed = array_filter(array_map(static fn(ChangeNote $note): ?Prescription => $note->after, $step->notes));

        return array_values(
            array_map(
                static fn(Prescription $prescription): array => self::item(
                    $prescription,
                    $plan,
                    $catalogue,
                    Clock::today($case->practice->timezone),
                ),
                $changed,
            ),
        );
    }

    /** @return array<string, mixed> */
    private function stage(PlanStage $stage, Plan $plan, CareCase $case, Day $today): array
    {
        $catalogue = $this->shelf->forCase($case, $plan);

        return [
            'key' => $stage->stage->key,
            'title' => $stage->stage->title,
            'slots' => array_map(
                static fn(Slot $slot): array => [
                    'key' => $slot->key,
                    'title' => $slot->name(),
                    'mode' => $slot->mode->value,
                    'times_per_day' => $slot->times_per_day,
                    'times' => array_map(static fn(TimeOfDay $timeOfDay): string => $timeOfDay->toText(), $slot->times),
                    'beside' => $slot->beside?->toArray(),
                    'practice' => array_map(static fn(PracticeStep $step): array => $step->toArray(), $slot->practice),
                ],
                $stage->slots,
            ),
            'rhythm' => $stage->rhythm->toArray(),
            'begins_later' => array_map(
                static fn(Waiting $waiting): array => [
                    'when' => PlanWords::startsWhen($waiting->startsWhen, $catalogue),
                ] + self::item($waiting->prescription, $plan, $catalogue, $today),
                $stage->waiting,
            ),
            'prescriptions' => array_map(
                static fn(Prescription $prescription): array => self::item($prescription, $plan, $catalogue, $today),
                $stage->stage->prescriptions,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function item(Prescription $prescription, Plan $plan, Catalogue $catalogue, Day $today): array
    {
        return [
            'title' => $catalogue->titleOf($prescription->exercise),
            'words' => DoseWords::describe($prescription),
            'rests_until' => $plan->restsUntil($prescription->key, $today)?->toIso(),
            'prescription' => $prescription->toArray(),
        ];
    }
}
