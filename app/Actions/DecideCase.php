<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\DoseChange;
use App\Models\PlanVersion;
use App\Models\Review;
use App\Models\SignOff;
use App\Models\StageEntry;
use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use App\Support\Standing;
use Carbon\CarbonImmutable;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Acceptance;
use Rung\Core\Plan\ChangeNote;
use Rung\Core\Plan\PlanStep;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Words\EvaluationWords;

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
    ) {}

    /**
     * @throws InvalidInput
     * @throws StaleDecision
     */
    public function handle(CareCase $case, User $by, DecisionRequest $request): Decision
    {
        return $this->write->run($case, $by, "decided: {$request->kind->value}", function (CareCase $case) use ($by, $request): Decision {
            if ($case->revision !== $request->revision) {
                throw new StaleDecision();
            }
            if ($case->closed_on !== null) {
                throw InvalidInput::at('/kind', 'cannot be decided: this case is closed');
            }
            $evaluation = $this->standing->evaluate($case);

            return match ($request->kind) {
                DecisionKind::Accept => $this->accept($case, $by, $request, $evaluation),
                DecisionKind::Change => $this->change($case, $by, $request, $evaluation),
                DecisionKind::Stage => $this->stage($case, $by, $request, $evaluation),
                DecisionKind::ClearStop => $this->clearStop($case, $by, $request, $evaluation),
                DecisionKind::SignOff => $this->signOff($case, $by, $request, $evaluation),
                DecisionKind::Keep => $this->record($case, $by, $request, $evaluation, 'Kept the dose as it is'),
            };
        });
    }

    private function accept(CareCase $case, User $by, DecisionRequest $request, Evaluation $evaluation): Decision
    {
        $plan = $case->plan();
        $step = Acceptance::of($plan, $evaluation, $this->shelf->forCase($case, $plan), $request->prescriptions);
        if (!$step->changesAnything()) {
            throw InvalidInput::at('/kind', 'has nothing to put in force: the proposal changes no dose and no stage');
        }
        $this->putInForce($case, $by, $step, $evaluation);
        if ($step->finish) {
            $case->forceFill(['closed_on' => $evaluation->log->today->toIso()])->save();
        }

        return $this->record($case, $by, $request, $evaluation, EvaluationWords::headline($evaluation, $step));
    }

    private function change(CareCase $case, User $by, DecisionRequest $request, Evaluation $evaluation): Decision
    {
        $known = array_column($evaluation->log->stage->prescriptions, 'key');
        foreach (array_keys($request->doses) as $i => $key) {
            if (!in_array($key, $known, true)) {
                throw InvalidInput::at("/doses/$i/prescription", 'must name an exercise of the present stage');
            }
        }
        $plan = $case->plan();
        $step = Acceptance::byHand($plan, $evaluation, $this->shelf->forCase($case, $plan), $request->doses);
        if (!$step->changesAnything()) {
            throw InvalidInput::at('/doses', 'must differ from the present doses');
        }
        $this->putInForce($case, $by, $step, $evaluation);

        return $this->record($case, $by, $request, $evaluation, 'Changed by hand: ' . self::words($step));
    }

    private function stage(CareCase $case, User $by, DecisionRequest $request, Evaluation $evaluation): Decision
    {
        $stage = $evaluation->log->file->stage((string) $request->stage);
        if ($stage === null || $stage->key === $evaluation->log->stage->key) {
            throw InvalidInput::at('/stage', 'must name another stage of the plan');
        }
        $this->putInForce($case, $by, new PlanStep($case->plan(), [], [], enterStage: $stage->key), $evaluation);

        return $this->record($case, $by, $request, $evaluation, "Moved by hand to $stage->title");
    }

    private function clearStop(CareCase $case, User $by, DecisionRequest $request, Evaluation $evaluation): Decision
    {
        $open = array_filter($evaluation->stops, static fn(StopSource $stop): bool => !$stop->cleared && $stop->id === $request->clears);
        if ($open === []) {
            throw InvalidInput::at('/clears', 'must name a stop that is still open');
        }
        Review::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'at' => Clock::utc($evaluation->log->at),
            'clears' => $request->clears,
        ]);

        return $this->record($case, $by, $request, $evaluation, 'Reviewed and cleared a stop');
    }

    private function signOff(CareCase $case, User $by, DecisionRequest $request, Evaluation $evaluation): Decision
    {
        SignOff::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'stage' => $evaluation->log->stage->key,
            'on' => $evaluation->log->today->toIso(),
        ]);

        return $this->record($case, $by, $request, $evaluation, "Signed off the technique of {$evaluation->log->stage->title}");
    }

    private function putInForce(CareCase $case, User $by, PlanStep $step, Evaluation $evaluation): void
    {
        $now = Clock::utc($evaluation->log->at);
        $content = json_encode($step->plan->keeping($this->shelf->of($case->practice_id))->toArray(), JSON_THROW_ON_ERROR);
        PlanVersion::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'version' => $case->currentPlan()->version + 1,
            'content' => $content,
            'note' => $step->enterStage === null
                ? self::words($step)
                : 'New stage: ' . Standing::stageTitle($evaluation, $step->enterStage),
            'author_id' => $by->id,
            'created_at' => $now,
        ]);
        foreach ($step->changes as $change) {
            DoseChange::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'at' => $now,
                'kind' => $change->kind->value,
                'prescription' => $change->prescription,
            ]);
        }
        if ($step->enterStage !== null) {
            if (!$evaluation->log->today->isAfter($evaluation->log->stageFrom)) {
                throw InvalidInput::at('/stage', 'cannot change again today: the present stage began today');
            }
            StageEntry::query()->create([
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'stage' => $step->enterStage,
                'from' => $evaluation->log->today->toIso(),
            ]);
            PlanSessions::ahead($case);
        }
    }

    private function record(CareCase $case, User $by, DecisionRequest $request, Evaluation $evaluation, string $words): Decision
    {
        $evidence = $evaluation->toArray();
        // The responses that the decision rests on; the whole history stands in the log itself.
        $evidence['sessions'] = array_map(
            static fn(SessionResponse $response): array => $response->toArray(),
            array_slice($evaluation->sessions, -10),
        );
        $evidence['because'] = EvaluationWords::because($evaluation);
        $evidence['pegs'] = Standing::pegs($evaluation);

        return Decision::query()->create([
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'at' => CarbonImmutable::now()->utc(),
            'user_id' => $by->id,
            'kind' => $request->kind->value,
            'words' => $words,
            'reason' => $request->reason,
            'evidence' => $evidence,
            'plan_version' => $case->currentPlan()->version,
        ]);
    }

    private static function words(PlanStep $step): string
    {
        return implode('; ', array_map(static fn(ChangeNote $note): string => $note->words, $step->notes));
    }
}
