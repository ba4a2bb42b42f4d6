<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use Rung\Core\Acceptance\Beginning;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Words\ChangeWords;

/**
 * Lets begin what a plan let wait, once its condition has come. A practitioner prescribed it together with its condition;
 * nobody decides anything on that day, and the record says so.
 */
final class BeginWaiting
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly PutInForce $force) {}

    /** Whether anything began. */
    public function handle(CareCase $case, Evaluation $evaluation): bool
    {
        // A version that waits for its day was written without knowing of this, and would take it back.
        if ($case->closed_on !== null || $case->isStopped() || $case->waitingPlan() !== null) {
            return false;
        }
        $plan = $case->plan();
        $step = Beginning::begin($plan, $evaluation, $case->intake->found);
        if (!$step->changesAnything()) {
            return false;
        }
        $words = (new ChangeWords($this->shelf->forCase($case, $plan)))->step($step);
        $this->force->handle($case, null, $step, $evaluation, $words, '');
        RecordDecision::record($case, null, 'begins', $words, null, $evaluation);

        return true;
    }
}
