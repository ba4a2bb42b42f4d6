<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanStage;

/** Every dose of another stage before it is entered, beside what is asked for now; nothing is put in force. */
final readonly class StageMove
{
    /**
     * @param list<array{before: Prescription|null, after: Prescription}> $doses of the stage that is entered, in its order
     * @param list<Prescription> $left what is asked for now and no more then
     */
    private function __construct(public PlanStage $stage, public array $doses, public array $left) {}

    /** Null where the plan has no such stage. */
    public static function toStage(Plan $plan, Evaluation $evaluation, Catalogue $catalogue, string $stage): ?self
    {
        $entered = (new CarriedLoads($evaluation))->into($plan, $stage)->plan->stage($stage);
        if ($entered === null) {
            return null;
        }
        $now = $evaluation->log->stage->prescriptions;
        $doses = [];
        foreach ($entered->stage->prescriptions as $after) {
            $before = self::beside($after, $now, $catalogue);
            $now = array_values(
                array_filter($now, static fn(Prescription $prescription): bool => $prescription !== $before),
            );
            $doses[] = ['before' => $before, 'after' => $after];
        }

        return new self($entered, $doses, $now);
    }

    /**
     * What a dose takes the place of: the same exercise, else another rung of its ladder.
     *
     * @param list<Prescription> $now
     */
    private static function beside(Prescription $after, array $now, Catalogue $catalogue): ?Prescription
    {
        $rungs = $catalogue->ladderOf($after->exercise)?->exercises() ?? [];
        foreach ([[$after->exercise], $rungs] as $exercises) {
            foreach ($now as $prescription) {
                if (in_array($prescription->exercise, $exercises, true)) {
                    return $prescription;
                }
            }
        }

        return null;
    }
}
