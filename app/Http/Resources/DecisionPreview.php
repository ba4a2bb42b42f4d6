<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\PreviewData;
use App\Models\CareCase;
use App\Support\CatalogueShelf;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\Acceptance\Flare;
use Rung\Core\Acceptance\KeepingUp;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\Plan;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\ProposalWords;

/** What a decision would do, before it is made: every dose of the stage old and new, and how the case would be judged. */
final class DecisionPreview
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public function present(CareCase $case, Evaluation $evaluation, PreviewData $asked): array
    {
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        if ($asked->rule !== null) {
            return ['doses' => [], 'judged' => self::judged($plan, $evaluation, $catalogue, $asked->rule)];
        }
        $step = Acceptance::flare($plan, $evaluation, $catalogue, $asked->flare ?? Flare::easingAlone());

        return ['doses' => self::doses($plan, $step, $evaluation, $catalogue), 'judged' => null];
    }

    /** @return list<array<string, mixed>> of the present stage, in its order */
    private static function doses(Plan $plan, PlanStep $step, Evaluation $evaluation, Catalogue $catalogue): array
    {
        $today = $evaluation->log->today;
        $stage = $evaluation->log->stage->key;
        $measured = $evaluation->isMeasured();
        $words = static fn(?Prescription $prescription): ?string => $prescription === null
            ? null
            : DoseWords::describe($prescription, $measured);

        return array_map(static function (Prescription $after) use (
            $plan,
            $step,
            $stage,
            $today,
            $words,
            $catalogue,
        ): array {
            $before = $plan->stage($stage)?->stage->prescription($after->key);
            $rests = $step->plan->restsUntil($after->key, $today);

            return [
                'title' => $catalogue->titleOf($after->exercise),
                'before' => $words($before),
                'after' => $words($after),
                'rests' => $rests === null ? null : 'rests until ' . TimeWords::day($rests),
            ];
        }, $step->plan->stage($stage)->stage->prescriptions ?? []);
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    private static function judged(Plan $plan, Evaluation $evaluation, Catalogue $catalogue, string $rule): array
    {
        $school =
            $catalogue->schools[$rule] ?? throw InvalidInput::at('/rule', 'must name a response rule of the library');
        $other = KeepingUp::judged(
            $plan,
            Evaluator::evaluate($evaluation->log->file->underRule($school->rule), $evaluation->log->at),
        );
        $differs = 0;
        foreach ($other->sessions as $i => $response) {
            $differs += $response->verdict === $evaluation->sessions[$i]->verdict ? 0 : 1;
        }

        return [
            'headline' => ProposalWords::headline(
                ProposedStep::fromStep($other, Acceptance::accept($plan, $other, $catalogue), $catalogue),
            ),
            'because' => ProposalWords::because(ActionGrounds::fromEvaluation($other, $plan)),
            'now' => ProposalWords::headline(
                ProposedStep::fromStep($evaluation, Acceptance::accept($plan, $evaluation, $catalogue), $catalogue),
            ),
            'sessions' => count($other->sessions),
            'differs' => $differs,
            'gate_open' => $other->gate->isOpen(),
        ];
    }
}
