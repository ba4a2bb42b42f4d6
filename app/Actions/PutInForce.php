<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\DoseChange;
use App\Models\PlanVersion;
use App\Models\StageEntry;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\DoseChange as CoreDoseChange;
use Rung\Core\Record\Side;
use Rung\Core\Time\Day;

/** Makes a plan the one in force, now or from a chosen day: a new version, its changes of dose, the calendar. */
final class PutInForce
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /**
     * @param User|null $by null where the plan itself let something begin
     *
     * @throws InvalidInput where a stage is entered on the first day of another
     */
    public function handle(
        CareCase $case,
        ?User $by,
        PlanStep $step,
        Evaluation $evaluation,
        string $note,
        string $why,
        ?Day $from = null,
    ): UndoData {
        $before = $case->currentPlan();
        // An exercise that comes in new is done by the affected limb; with both sides affected each takes its turn.
        $plan = $case->side === Side::Both->value ? $step->plan->onBothSides() : $step->plan;
        $setAside = self::setAside($case, Clock::utc($evaluation->log->at));
        $today = $evaluation->log->today;
        $later = $from !== null && $from->isAfter($today) ? $from : null;
        PlanVersion::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'version' => $case->nextVersion(),
            'content' => json_encode(
                $plan
                    ->remembering(Plan::fromJson($before->content))
                    ->keeping($this->shelf->forPractice($case->practice_id)->ownExercises())
                    ->toArray(),
                JSON_THROW_ON_ERROR,
            ),
            'note' => $note,
            'why' => $why === '' ? null : $why,
            'valid_from' => $later?->toIso(),
            'author_id' => $by?->id,
            'created_at' => Clock::utc($evaluation->log->at),
        ]);
        $at =
            $later === null
                ? Clock::utc($evaluation->log->at)
                : CarbonImmutable::parse($later->toIso(), $case->practice->timezone)->utc();
        $changes = array_map(
            static fn(CoreDoseChange $change): string => DoseChange::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'at' => $at,
                'kind' => $change->kind->value,
                'prescription' => $change->prescription,
            ])->id,
            $step->changes,
        );
        $entry = $step->enterStage === null ? null : $this->enter($case, $step->enterStage, $evaluation);
        PlanSessions::ahead($case);

        return new UndoData($before->version, $changes, $entry, waiting: $setAside);
    }

    /**
     * A version that waited for its day gives way, and with it the changes of dose that it would have brought.
     *
     * @return array{version: int, changes: list<array<string, mixed>>}|null as it is needed to bring it back
     */
    private static function setAside(CareCase $case, CarbonImmutable $now): ?array
    {
        $waiting = $case->waitingPlan();
        if ($waiting === null) {
            return null;
        }
        $coming = DoseChange::query()->where('case_id', $case->id)->where('at', '>', $now);
        $changes = $coming
            ->get()
            ->map(
                static fn(DoseChange $change): array => [
                    'id' => $change->id,
                    'at' => $change->at->toIso8601String(),
                    'kind' => $change->kind,
                    'prescription' => $change->prescription,
                ],
            )
            ->all();
        $coming->delete();

        return ['version' => $waiting->version, 'changes' => array_values($changes)];
    }

    private function enter(CareCase $case, string $stage, Evaluation $evaluation): string
    {
        if (!$evaluation->log->today->isAfter($evaluation->log->stageFrom)) {
            throw InvalidInput::at('/stage', 'cannot change again today: the present stage began today');
        }

        return StageEntry::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'stage' => $stage,
            'from' => $evaluation->log->today->toIso(),
        ])->id;
    }
}
