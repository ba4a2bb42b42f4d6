<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\DoseChange;
use App\Models\MessageKind;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Models\Review;
use App\Models\SignOff;
use App\Models\StageEntry;
use App\Models\TrainingSession;
use App\Models\User;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;

/**
 * Takes the latest decision back, as long as the athlete has not acted on it. The decision stays in the record, followed
 * by one that says it was taken back.
 */
final class UndoDecision
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly WriteMessage $message,
    ) {}

    /** @throws InvalidInput */
    public function handle(Decision $decision, User $by): Decision
    {
        return $this->write->run($decision->case, $by, 'took a decision back', function (CareCase $case) use (
            $decision,
            $by,
        ): Decision {
            $obstacle = self::obstacle($case, $decision);
            if ($obstacle !== null) {
                throw InvalidInput::at('/decision', $obstacle);
            }
            $evaluation = $this->standing->evaluate($case);
            $this->takeBack($case, $by, $decision, UndoData::from($decision->undo ?? []));

            return RecordDecision::record(
                $case,
                $by,
                'undo',
                "Taken back: $decision->words",
                null,
                $evaluation,
                undoes: $decision->id,
            );
        });
    }

    /** What stands in the way of taking a decision back, in words that follow its name; null: nothing. */
    public static function obstacle(CareCase $case, Decision $decision): ?string
    {
        if ($decision->undo === null) {
            return 'has put nothing in force that could be taken back';
        }
        $rows = $case->decisions()->get()->all();
        $taken = array_filter(array_map(static fn(Decision $row): ?string => $row->undoes, $rows));
        if (in_array($decision->id, $taken, true)) {
            return 'was taken back already';
        }
        foreach ($rows as $later) {
            if ($later->id === $decision->id) {
                break;
            }
            if ($later->undo !== null && !in_array($later->id, $taken, true)) {
                return 'was followed by another; take that one back first';
            }
        }
        $acted = TrainingSession::query()
            ->where('case_id', $case->id)
            ->where('created_at', '>=', $decision->at)
            ->exists();

        return $acted ? 'has been acted on by the athlete: decide again' : null;
    }

    private function takeBack(CareCase $case, User $by, Decision $decision, UndoData $undo): void
    {
        DoseChange::query()->whereKey($undo->doseChanges)->where('case_id', $case->id)->delete();
        StageEntry::query()
            ->whereKey($undo->stageEntry ?? [])
            ->where('case_id', $case->id)
            ->delete();
        Review::query()
            ->whereKey($undo->review ?? [])
            ->where('case_id', $case->id)
            ->delete();
        SignOff::query()
            ->whereKey($undo->signOff ?? [])
            ->where('case_id', $case->id)
            ->delete();
        if ($undo->added !== []) {
            PlannedSession::query()
                ->whereKey($undo->added)
                ->where('case_id', $case->id)
                ->update(['withdrawn' => true]);
        }
        if ($undo->moved !== [] || $undo->added !== []) {
            MoveSessions::putBack($case, $undo->moved);
            $this->message->handle($case, $by, MessageKind::Message, "No longer: $decision->words.");
        }
        if ($undo->case !== []) {
            $case->forceFill($undo->case)->save();
            PlanSessions::ahead($case);
            // The athlete, who got a message about it, gets one about the undoing too.
            if ($decision->kind === 'days' && !$case->isStopped() && $case->closed_on === null) {
                $this->message->handle($case, $by, MessageKind::Message, "No longer: $decision->words.");
            }
        }
        if ($undo->planVersion !== null) {
            $before = PlanVersion::query()
                ->where('case_id', $case->id)
                ->where('version', $undo->planVersion)
                ->firstOrFail();
            $newest = PlanVersion::query()->where('case_id', $case->id)->orderByDesc('version')->firstOrFail();
            PlanVersion::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'version' => $case->nextVersion(),
                // What the taken-back version asked for may be on a phone: it stays known.
                'content' => json_encode(
                    Plan::fromJson($before->content)->remembering(Plan::fromJson($newest->content))->toArray(),
                    JSON_THROW_ON_ERROR,
                ),
                'note' => "Taken back: $newest->note",
                'author_id' => $by->id,
                'created_at' => CarbonImmutable::now()->utc(),
            ]);
            $this->bringBack($case, $undo);
            PlanSessions::ahead($case);
        }
    }

    /** The version that waited when the decision was made waits again, with its changes of dose. */
    private function bringBack(CareCase $case, UndoData $undo): void
    {
        if ($undo->waiting === null) {
            return;
        }
        $waited = $case->planVersions()->where('version', $undo->waiting['version'])->firstOrFail();
        $waited
            ->replicate(['id'])
            ->forceFill(['version' => $case->nextVersion(), 'created_at' => CarbonImmutable::now()->utc()])
            ->save();
        foreach ($undo->waiting['changes'] as $change) {
            DoseChange::query()->create(['practice_id' => $case->practice_id, 'case_id' => $case->id] + $change);
        }
    }
}
