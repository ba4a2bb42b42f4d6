<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Resources\EvaluationPart;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\User;
use Carbon\CarbonImmutable;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Words\Ground;
use Rung\Core\Words\Grounds;
use Rung\Core\Words\ProposalWords;

/** Adds a row to the record of decisions, with the evidence as it was. Such a row is never changed. */
final class RecordDecision
{
    /** The responses that a decision rests on; the whole history stands in the log itself. */
    private const RESPONSES = 10;

    public static function record(
        CareCase $case,
        ?User $by,
        string $kind,
        string $words,
        ?string $reason,
        Evaluation $evaluation,
        ?UndoData $undo = null,
        ?string $undoes = null,
        ?string $id = null,
    ): Decision {
        $evidence = $evaluation->toArray();
        $evidence['sessions'] = array_map(
            static fn(SessionResponse $response): array => $response->toArray(),
            array_slice($evaluation->sessions, -self::RESPONSES),
        );
        $evidence['because'] = ProposalWords::because(ActionGrounds::fromEvaluation($evaluation, $case->plan()));
        $evidence['pegs'] = EvaluationPart::pegs($evaluation);
        $evidence['grounds'] = array_map(
            static fn(Ground $ground): array => $ground->toArray(),
            Grounds::fromEvaluation($evaluation),
        );

        return Decision::query()->create(
            ($id === null ? [] : ['id' => $id]) + [
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'at' => CarbonImmutable::now()->utc(),
                'user_id' => $by?->id,
                'kind' => $kind,
                'words' => $words,
                'reason' => $reason,
                'evidence' => $evidence,
                'plan_version' => $case->currentPlan()->version,
                'undo' => $undo?->toArray(),
                'undoes' => $undoes,
            ],
        );
    }
}
