<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Time\Day;

/** The weight of the next session, where the dose leaves it to be found (docs/rules.md, "Loads to be found"). */
final readonly class NextLoad
{
    private function __construct(
        public LoadSource $source,
        /** What was lifted last, in kilograms; null where it is still to be found. */
        public int|float|null $kg = null,
        /** The day on which it was lifted. */
        public ?Day $on = null,
    ) {}

    /** Null where the dose says the weight, or none is lifted. */
    public static function forPrescription(
        Prescription $prescription,
        Evaluation $evaluation,
        Catalogue $catalogue,
    ): ?self {
        $exercise = $catalogue->exercises[$prescription->exercise] ?? null;
        if ($exercise === null || !$exercise->loadIsFound || $prescription->dose->load_kg !== null) {
            return null;
        }
        // What was lifted on another rung is no measure for this one.
        $change = $evaluation->log->latestChange($prescription->key);
        $changesRung =
            $change !== null &&
            ($change->kind === DoseChangeKind::StepDown ||
                ($prescription->before !== null && $prescription->before->exercise !== $prescription->exercise));
        foreach (array_reverse($evaluation->sessions) as $response) {
            $session = $response->session;
            if (
                $session->stage !== $evaluation->log->stage->key ||
                ($changesRung && !$session->started_at->after($change->at))
            ) {
                continue;
            }
            $load = $session->leastLoadOf($prescription->key);
            if ($load !== null) {
                return new self(
                    LoadSource::Lifted,
                    $load,
                    $evaluation->log->file->timezone->dayOf($session->started_at),
                );
            }
        }

        return new self(LoadSource::ToFind);
    }
}
