<?php

declare(strict_types=1);

namespace App\Actions;

use App\Http\Resources\EvaluationPart;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\MessageKind;
use App\Models\Review;
use App\Models\SignOff;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\CarriedLoads;
use Rung\Core\Acceptance\Flare;
use Rung\Core\Acceptance\KeepingUp;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\ChangeWords;
use Rung\Core\Words\ProposalWords;

/**
 * Puts a practitioner's decision in force and keeps it with the evidence as it was: the plan gets a
 * new version, the calendar follows, the record grows by one row that is never changed.
 */
final class DecideCase
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly CatalogueShelf $shelf,
        private readonly PutInForce $force,
        private readonly WriteMessage $message,
    ) {}

    /**
     * @throws InvalidInput
     * @throws StaleDecision
     */
    public function handle(CareCase $case, User $by, DecisionData $request): Decision
    {
        return $this->write->run($case, $by, "decided: {$request->kind->value}", function (CareCase $case) use (
            $by,
            $request,
        ): Decision {
            // A note answers nothing that was on the page, so nothing that came in meanwhile stands against it.
            if ($request->kind !== DecisionKind::Note) {
                StaleDecision::unless($case, $request->revision);
            }
            if (
                $case->closed_on !== null &&
                !in_array($request->kind, [DecisionKind::Note, DecisionKind::ClearStop, DecisionKind::Reopen], true)
            ) {
                throw InvalidInput::at('/kind', 'cannot be decided: this case is closed');
            }
            if ($case->closed_on === null && $request->kind === DecisionKind::Reopen) {
                throw InvalidInput::at('/kind', 'cannot be decided: this case is open');
            }
            $evaluation = $this->standing->evaluate($case);
            [$words, $undo] = match ($request->kind) {
                DecisionKind::Accept => $this->accept($case, $by, $request, $evaluation),
                DecisionKind::Stage => $this->stage($case, $by, $request, $evaluation),
                DecisionKind::ClearStop => $this->clearStop($case, $request, $evaluation),
                DecisionKind::SignOff => $this->signOff($case, $evaluation),
                DecisionKind::Rule => $this->rule($case, $request),
                DecisionKind::Flare => $this->flare($case, $by, $request, $evaluation),
                DecisionKind::Review => $this->review($case, $request, $evaluation),
                DecisionKind::Keep => $evaluation->isStopped()
                    ? throw InvalidInput::at(
                        '/kind',
                        'cannot be decided while a stop waits for your review: clear it, or refer',
                    )
                    : ['Kept the dose as it is', null],
                DecisionKind::Close => $this->close($case, $request, $evaluation),
                DecisionKind::Reopen => $this->reopen($case, $by, $evaluation),
                DecisionKind::Note => ['Note', null],
            };

            return RecordDecision::record(
                $case,
                $by,
                $request->kind->value,
                $words,
                $request->reason,
                $evaluation,
                $undo,
            );
        });
    }

    /** @return array{string, UndoData} */
    private function accept(CareCase $case, User $by, DecisionData $request, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $step = Acceptance::accept($plan, $evaluation, $this->shelf->forCase($case, $plan), $request->prescriptions);
        if (!$step->changesAnything()) {
            throw InvalidInput::at('/kind', 'has nothing to put in force: the proposal changes no dose and no stage');
        }
        if ($step->finish) {
            return $this->finish($case, $by, $request, $evaluation);
        }
        $undo = $this->putInForce(
            $case,
            $by,
            $step,
            $evaluation,
            ProposalWords::because(ActionGrounds::fromEvaluation($evaluation, $plan)),
        );

        return [
            ProposalWords::headline(ProposedStep::fromStep($evaluation, $step, $this->shelf->forCase($case, $plan))),
            $undo,
        ];
    }

    /**
     * After the last stage the doses are kept up for some weeks, or the athlete is discharged.
     *
     * @return array{string, UndoData}
     */
    private function finish(CareCase $case, User $by, DecisionData $request, Evaluation $evaluation): array
    {
        if ($request->maintenance === null) {
            throw InvalidInput::at('/maintenance', 'is needed: keep the doses up once or twice a week, or discharge');
        }
        if ($request->maintenance === 0) {
            return ['Finished: discharged', $this->end($case, $evaluation)];
        }
        $step = KeepingUp::finish($case->plan(), $evaluation, $request->maintenance);

        return [
            $this->words($case, $step),
            $this->putInForce(
                $case,
                $by,
                $step,
                $evaluation,
                ProposalWords::because(ActionGrounds::fromEvaluation($evaluation, $step->plan)),
            ),
        ];
    }

    /** Closes the case: what was planned is asked for no more. */
    private function end(CareCase $case, Evaluation $evaluation): UndoData
    {
        $case->forceFill(['closed_on' => $evaluation->log->today->toIso()])->save();
        PlanSessions::ahead($case);

        return new UndoData(case: ['closed_on' => null]);
    }

    /** @return array{string, UndoData} */
    private function stage(CareCase $case, User $by, DecisionData $request, Evaluation $evaluation): array
    {
        $plan = $case->plan();
        $stage = $plan->stage((string) $request->stage)?->stage;
        if ($stage !== null && $stage->key === $evaluation->log->stage->key && $plan->maintenance !== null) {
            $undo = $this->putInForce(
                $case,
                $by,
                new PlanStep($plan->goingOn(), [], []),
                $evaluation,
                '',
                'The programme goes on',
            );

            return ["The programme goes on: $stage->title", $undo];
        }
        if ($stage === null || $stage->key === $evaluation->log->stage->key) {
            throw InvalidInput::at('/stage', 'must name another stage of the plan');
        }
        $step = (new CarriedLoads($evaluation))->into($plan, $stage->key);
        $undo = $this->putInForce($case, $by, $step, $evaluation, '');

        return [
            implode(
                ', with what was lifted: ',
                array_filter(["Moved by hand to $stage->title", $this->words($case, $step)]),
            ),
            $undo,
        ];
    }

    /** @return array{string, UndoData} */
    private function clearStop(CareCase $case, DecisionData $request, Evaluation $evaluation): array
    {
        $open = array_filter(
            $evaluation->stops,
            static fn(StopSource $stop): bool => !$stop->isCleared() && $stop->id === $request->clears,
        );
        if ($open === []) {
            throw InvalidInput::at('/clears', 'must name a stop that is still open');
        }
        $review = Review::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'at' => Clock::utc($evaluation->log->at),
            'clears' => $request->clears,
        ]);

        return ['Reviewed and cleared a stop', new UndoData(review: $review->id)];
    }

    /** @return array{string, UndoData} */
    private function signOff(CareCase $case, Evaluation $evaluation): array
    {
        $signOff = SignOff::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'stage' => $evaluation->log->stage->key,
            'on' => $evaluation->log->today->toIso(),
        ]);

        return ["Signed off the technique of {$evaluation->log->stage->title}", new UndoData(signOff: $signOff->id)];
    }

    /** @return array{string, UndoData} */
    private function rule(CareCase $case, DecisionData $request): array
    {
        $schools = $this->shelf->forPractice($case->practice_id)->schools;
        $school =
            $schools[(string) $request->rule] ??
            throw InvalidInput::at('/rule', 'must name a response rule of the library');
        if ($school->rule == $case->response_rule) {
            throw InvalidInput::at('/rule', 'must be another than the present one');
        }
        $name = $case->response_rule->name;
        $before = $name === null ? 'its own rule' : $schools[$name]->title ?? $name;
        $undo = new UndoData(case: ['response_rule' => $case->response_rule->toArray()]);
        $case->forceFill(['response_rule' => $school->rule])->save();

        return ["Changed the school: $before → $school->title", $undo];
    }

    /** @return array{string, UndoData} */
    private function flare(CareCase $case, User $by, DecisionData $request, Evaluation $evaluation): array
    {
        assert($request->flare !== null);
        $plan = $case->plan();
        $step = Acceptance::flare($plan, $evaluation, $this->shelf->forCase($case, $plan), $request->flare);
        $advice = trim($request->flare->advice ?? '');
        $undo = $step->changesAnything()
            ? $this->putInForce($case, $by, $step, $evaluation, 'A flare: less for now, so that it can settle.')
            : new UndoData();
        if ($advice !== '') {
            $this->message->handle($case, $by, MessageKind::Advice, $advice);
        }

        return [
            'Flare plan: ' .
            implode('; ', array_filter([$this->words($case, $step), $advice === '' ? '' : 'advice sent'])),
            $undo,
        ];
    }

    /**
     * Ends the case. While a stop waits, it ends only by handing the athlete on.
     *
     * @return array{string, UndoData}
     */
    private function close(CareCase $case, DecisionData $request, Evaluation $evaluation): array
    {
        if ($request->ending !== CaseEnding::Referred && $evaluation->isStopped()) {
            throw InvalidInput::at(
                '/ending',
                'must be referred while a stop waits for a review; or clear the stop first',
            );
        }
        return [
            match ($request->ending) {
                CaseEnding::Referred => "Closed: referred to $request->referTo",
                CaseEnding::Stopped => 'Closed: stopped',
                default => 'Closed: discharged',
            },
            $this->end($case, $evaluation),
        ];
    }

    /**
     * Opens the case again where it was, every dose one step easier: nobody knows how much the tissue lost in the meantime.
     *
     * @return array{string, UndoData}
     */
    private function reopen(CareCase $case, User $by, Evaluation $evaluation): array
    {
        self::refuseSecond($case);
        $closed = $case->closed_on;
        $plan = $case->plan();
        $step = Acceptance::flare($plan, $evaluation, $this->shelf->forCase($case, $plan), Flare::easingAlone());
        $case->forceFill(['closed_on' => null])->save();
        if ($plan->maintenance !== null) {
            $step = new PlanStep($step->plan->goingOn(), $step->changes, $step->notes);
        }
        $undo = $step->changesAnything()
            ? $this->putInForce($case, $by, $step, $evaluation, 'You begin again one step lower.')
            : new UndoData();
        PlanSessions::ahead($case);

        return ['Reopened, one step lower: ' . $this->words($case, $step), $undo->withCase(['closed_on' => $closed])];
    }

    /** @throws InvalidInput where the athlete has another open case of the same structure and side */
    private static function refuseSecond(CareCase $case): void
    {
        if (CareCase::sameOpen($case->athlete_id, $case->structure, $case->side) !== null) {
            throw InvalidInput::at(
                '/kind',
                'cannot be decided: this athlete has another open case of the same structure; go on there',
            );
        }
    }

    /** @return array{string, UndoData} */
    private function review(CareCase $case, DecisionData $request, Evaluation $evaluation): array
    {
        $on = $request->reviewOn;
        if ($on !== null && !$on->isAfter($evaluation->log->today)) {
            throw InvalidInput::at('/review_on', 'must lie after today; leave it empty to plan none');
        }
        $undo = new UndoData(case: ['review_on' => $case->review_on]);
        $case->forceFill(['review_on' => $on?->toIso()])->save();

        return [$on === null ? 'No review is planned any more' : 'Planned a review on ' . TimeWords::day($on), $undo];
    }

    /**
     * @param string $why in words for the athlete; a reason for the record alone is never passed here
     * @param string $else the message where no dose and no stage changes
     */
    private function putInForce(
        CareCase $case,
        User $by,
        PlanStep $step,
        Evaluation $evaluation,
        string $why,
        string $else = 'The programme is finished',
    ): UndoData {
        $entered =
            $step->enterStage === null
                ? []
                : ['New stage: ' . EvaluationPart::stageTitle($evaluation, $step->enterStage)];
        $note = implode('; ', array_filter([...$entered, $this->words($case, $step)]));

        return $this->force->handle($case, $by, $step, $evaluation, $note === '' ? $else : $note, $why);
    }

    private function words(CareCase $case, PlanStep $step): string
    {
        return (new ChangeWords($this->shelf->forCase($case, $step->plan)))->step($step);
    }
}
