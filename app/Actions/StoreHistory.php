<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CheckIn;
use App\Models\Decision;
use App\Models\DoseChange;
use App\Models\Outcome;
use App\Models\PlannedSession;
use App\Models\PlanVersion;
use App\Models\SignOff;
use App\Models\StageEntry;
use App\Models\StrengthTest;
use App\Models\TrainingSession;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\PlannedSession as Planned;
use Rung\Core\Record\Record;
use Rung\Core\Record\Session;
use Rung\Core\Record\StageEntry as Entered;
use Rung\Core\Simulation\SimulatedHistory;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Words\ChangeWords;
use Rung\Core\Words\ProposalWords;

/** Stores a simulated history as the rows that people would have made. */
final class StoreHistory
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function handle(CareCase $case, Plan $begun, SimulatedHistory $history, User $by): void
    {
        $catalogue = $this->shelf->shipped();
        $own = ['practice_id' => $case->practice_id, 'case_id' => $case->id];
        $file = $history->file;
        $openedAt = CarbonImmutable::parse($case->opened_on . ' 09:00', $case->practice->timezone)->utc();

        PlanVersion::query()->create(
            $own + [
                'version' => 1,
                'content' => self::json($begun),
                'note' => 'Programme taken from the catalogue',
                'author_id' => $by->id,
                'created_at' => $openedAt,
            ],
        );
        foreach ($history->decisions as $i => $decision) {
            $at = Clock::utc($decision->evaluation->log->at);
            $words = ProposalWords::headline(
                ProposedStep::fromStep($decision->evaluation, $decision->step, $catalogue),
            );
            PlanVersion::query()->create(
                $own + [
                    'version' => $i + 2,
                    'content' => self::json($decision->step->plan),
                    'note' => (new ChangeWords($catalogue))->step($decision->step) ?: $words,
                    'why' => ProposalWords::because(
                        ActionGrounds::fromEvaluation($decision->evaluation, $decision->step->plan),
                    ),
                    'author_id' => $by->id,
                    'created_at' => $at,
                ],
            );
            Decision::query()->create(
                $own + [
                    'at' => $at,
                    'user_id' => $by->id,
                    'kind' => 'accept',
                    'words' => $words,
                    'reason' => null,
                    'evidence' => [
                        'action' => $decision->evaluation->action->toArray(),
                        'gate' => $decision->evaluation->gate->toArray(),
                        'because' => ProposalWords::because(
                            ActionGrounds::fromEvaluation($decision->evaluation, $decision->step->plan),
                        ),
                    ],
                    'plan_version' => $i + 2,
                ],
            );
        }
        foreach ($file->stage_history as $entry) {
            StageEntry::query()->create($own + Record::toArray($entry));
        }
        $ids = [];
        foreach ($file->planned as $planned) {
            $ids[$planned->id] = (string) Str::uuid7();
        }
        PlannedSession::query()->insert(
            array_map(
                static fn(Planned $planned): array => $own + [
                    'id' => $ids[$planned->id],
                    'on' => $planned->on->toIso(),
                    'stage' => Entered::stageOn($file->stage_history, $planned->on),
                    'slot' => $planned->slot,
                    'number' => (int) Str::afterLast($planned->id, '-'),
                ],
                $file->planned,
            ),
        );
        foreach ($file->sessions as $session) {
            TrainingSession::query()->create($own + self::session($session, $ids, $history));
        }
        foreach ($file->check_ins as $checkIn) {
            CheckIn::query()->create(
                $own + [
                    'made_at' => Clock::utc($checkIn->at),
                    'at' => Clock::utc($checkIn->at),
                    'local_on' => substr($checkIn->at->toIso(), 0, 10),
                    'provocation' => $checkIn->provocation,
                    'stiffness_min' => $checkIn->stiffness_min,
                    'signs' => array_column($checkIn->signs ?? [], 'value'),
                    'created_at' => Clock::utc($checkIn->at),
                ],
            );
        }
        foreach ($file->tests as $test) {
            StrengthTest::query()->create($own + Record::toArray($test) + ['created_at' => $openedAt]);
        }
        foreach ($file->outcomes as $outcome) {
            Outcome::query()->create($own + Record::toArray($outcome) + ['created_at' => $openedAt]);
        }
        foreach ($file->sign_offs as $signOff) {
            SignOff::query()->create($own + Record::toArray($signOff));
        }
        foreach ($file->dose_changes as $change) {
            DoseChange::query()->create(
                $own + [
                    'at' => Clock::utc($change->at),
                    'kind' => $change->kind->value,
                    'prescription' => $change->prescription,
                ],
            );
        }
    }

    /**
     * @param array<string, string> $ids
     *
     * @return array<string, mixed>
     */
    private static function session(Session $session, array $ids, SimulatedHistory $history): array
    {
        $version = 1;
        foreach ($history->decisions as $decision) {
            $version += $session->started_at->after($decision->evaluation->log->at) ? 1 : 0;
        }

        return TrainingSession::fieldsOf($session) + [
            'planned_id' => $session->planned === null ? null : $ids[$session->planned],
            'plan_version' => $version,
            'created_at' => Clock::utc($session->ended_at),
        ];
    }

    private static function json(Plan $plan): string
    {
        return json_encode($plan->toArray(), JSON_THROW_ON_ERROR);
    }
}
