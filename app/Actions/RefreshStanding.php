<?php

declare(strict_types=1);

namespace App\Actions;

use App\Care\CaseHistory;
use App\Http\Resources\RoundStanding;
use App\Models\CareCase;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\KeepingUp;
use Rung\Core\Attention\AttentionGroup;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Snapshot\CaseSnapshot;

/**
 * Asks the core how a case stands and stores the answer with the case, in the transaction of the write that called for it:
 * a snapshot of codes, and the line that the Round draws of it. The Round passes that line on and never recomputes history.
 */
final class RefreshStanding
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly BeginWaiting $begin) {}

    /** @param bool $written whether something was written, so that what people look at is out of date */
    public function refresh(CareCase $case, bool $written = true): Evaluation
    {
        $case->refresh();
        $evaluation = $this->evaluate($case);
        if ($this->begin->handle($case, $evaluation)) {
            $written = true;
            $evaluation = $this->evaluate($case);
        }
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $snapshot = CaseSnapshot::take(
            $evaluation,
            Acceptance::accept($plan, $evaluation, $catalogue),
            $catalogue,
            $case->events,
        );
        $case
            ->forceFill([
                'snapshot' => $snapshot,
                'round_line' => RoundStanding::present($snapshot),
                'stage_title' => $evaluation->log->stage->title,
                'course' => json_encode(TrainingSummary::fromEvaluation($evaluation)->toArray(), JSON_THROW_ON_ERROR),
                'attention_group' => $evaluation->attention->group->value,
                'attention_rank' => array_search($evaluation->attention->group, AttentionGroup::cases(), true),
                // A closed case comes back to the Round only for a stop that nobody can have reviewed.
                'stopped_after_close' =>
                    $case->closed_on !== null &&
                    $evaluation->attention->group === AttentionGroup::StopReview &&
                    $case->entriesAfterClose() > 0,
                'evaluated_at' => CarbonImmutable::now()->utc(),
                'revision' => $case->revision + ($written ? 1 : 0),
            ])
            ->save();

        return $evaluation;
    }

    public function evaluate(CareCase $case): Evaluation
    {
        return KeepingUp::judged(
            $case->plan(),
            Evaluator::evaluate(CaseHistory::load($case), Clock::now($case->practice->timezone)),
        );
    }
}
