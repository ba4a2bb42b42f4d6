<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Rung\Core\Evaluation\TrainingSummary;
use Rung\Core\Plan\Plan;
use Rung\Core\Prescribe\Preview;
use Rung\Core\Prescribe\StageDraft;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;
use Rung\Core\Words\PreviewWords;

/** What would follow from a stage as it is being prescribed, from what is kept with the case: the history is not read. */
final class PreviewPlan
{
    public function __construct(private readonly CatalogueShelf $shelf, private readonly RefreshStanding $standing) {}

    /** @return array<string, mixed> as the Prescribe screen shows it */
    public function preview(CareCase $case, Plan $plan, StageDraft $draft): array
    {
        $catalogue = $this->shelf->forCase($case, $plan);
        $summary =
            $case->course === null
                ? TrainingSummary::fromEvaluation($this->standing->evaluate($case))
                : TrainingSummary::fromJson($case->course);

        $preview = Preview::build(
            plan: $plan,
            draft: $draft,
            summary: $summary,
            catalogue: $catalogue,
            structure: $catalogue->structure(Structure::from($case->structure)),
            rule: $case->response_rule,
            blocked: $case->blocked,
            events: $case->events,
            loweringOnly: ($catalogue->programmes[$case->programme] ?? null)->lowering_only ?? false,
            sessionMinutes: $case->session_minutes,
            daysSinceOpened: Clock::today($case->practice->timezone)->daysSince(Day::fromIso($case->opened_on)),
            bothSides: $case->side === Side::Both->value,
        );

        return PreviewWords::present($preview, $case->weekdays($plan), $catalogue);
    }
}
