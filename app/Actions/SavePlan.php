<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Decision;
use App\Models\User;
use App\Support\CatalogueShelf;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Time\TimeWords;
use Rung\Core\Words\StageChangeWords;

/** Puts a stage in force as it was prescribed by hand, from today or a later day. */
final class SavePlan
{
    public function __construct(
        private readonly WriteCase $write,
        private readonly RefreshStanding $standing,
        private readonly CatalogueShelf $shelf,
        private readonly PutInForce $force,
    ) {}

    /**
     * @throws InvalidInput
     * @throws StaleDecision
     */
    public function handle(CareCase $case, User $by, PlanData $request): Decision
    {
        return $this->write->run($case, $by, 'prescribed', function (CareCase $case) use ($by, $request): Decision {
            StaleDecision::unless($case, $request->revision);
            if ($case->closed_on !== null) {
                throw InvalidInput::at('/stage', 'cannot be prescribed: this case is closed');
            }
            $plan = $case->plan();
            $draft = $request->draft;
            $catalogue = $this->shelf->forCase($case, $plan);
            $change = StageChangeWords::describe($draft, $case->weekdays($plan), $catalogue);
            if ($change->isNone()) {
                throw InvalidInput::at('/prescriptions', 'must differ from what is in force');
            }
            $evaluation = $this->standing->evaluate($case);
            $note = $request->note ?? $change->note();
            // Doses of a stage that is not in force yet change nothing that is judged now.
            $named = $draft->stage->stage->key === $evaluation->log->stage->key ? array_keys($change->notes) : [];
            $step = new PlanStep(
                $draft->into($plan),
                array_map(
                    static fn(string $key): DoseChange => new DoseChange(
                        $evaluation->log->at,
                        DoseChangeKind::Manual,
                        $key,
                    ),
                    $named,
                ),
                [],
            );
            $undo = $this->force->handle($case, $by, $step, $evaluation, $note, $request->why, $draft->from);
            $later = $draft->from->isAfter($evaluation->log->today) ? ' from ' . TimeWords::day($draft->from) : '';

            return RecordDecision::record(
                $case,
                $by,
                'prescribe',
                "Prescribed$later: $note",
                $request->why,
                $evaluation,
                $undo,
            );
        });
    }
}
