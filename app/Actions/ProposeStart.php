<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Lint\Linter;
use Rung\Core\Lint\LintSubject;
use Rung\Core\Plan\Plan;
use Rung\Core\Plan\PlanCalendar;
use Rung\Core\Record\Side;
use Rung\Core\Screening\FoundRisk;
use Rung\Core\Screening\FoundSign;
use Rung\Core\Start\RungLevel;
use Rung\Core\Start\SeverityScore;
use Rung\Core\Start\StartAdvisor;
use Rung\Core\Start\StartPlan;
use Rung\Core\Start\StartProposal;
use Rung\Core\Start\StartStage;
use Rung\Core\Start\Trials;
use Rung\Core\Time\Day;

/** Where the programme would have an athlete begin, from what was found, and what that looks like. Nothing is stored. */
final class ProposeStart
{
    public const SHOWN_DAYS = 14;

    /** @throws InvalidInput */
    public static function propose(OpeningData $opening, Catalogue $catalogue, Day $today): ProposedStart
    {
        $programme =
            $catalogue->programmes[$opening->programme] ??
            throw InvalidInput::at('/programme', 'must name a programme of the library');
        if (!in_array($opening->structure, $programme->structures, true)) {
            throw InvalidInput::at('/programme', 'is not meant for this structure; choose another');
        }
        $rule =
            $catalogue->schools[$opening->rule ?? $programme->rule] ??
            throw InvalidInput::at('/rule', 'must name a response rule of the library');
        $structure = $catalogue->structure($opening->structure);
        $proposal = self::proposal($opening, $programme);
        $key = $opening->stage ?? $proposal->stage;
        $level =
            $opening->stage !== null && $opening->stage !== $proposal->stage
                ? RungLevel::Easiest
                : $proposal->level($opening->purpose, self::isAtRisk($opening));
        if ($proposal->blocked || $key === null) {
            return new ProposedStart(
                $catalogue,
                $structure,
                $programme,
                $rule->rule,
                $proposal,
                null,
                $level,
                null,
                [],
                [],
            );
        }
        if ($programme->plan->stage($key)?->stage->appliesTo($opening->goal) !== true) {
            throw InvalidInput::at('/stage', 'must name a stage of the programme that applies to the goal');
        }
        $irritable = $proposal->isIrritable($opening->purpose, self::isAtRisk($opening));
        $plan = StartPlan::build(
            $programme,
            $catalogue,
            $structure,
            $key,
            $level,
            $irritable,
            $opening->equipment,
            $opening->exercises,
            new Trials($opening->trials, $rule->rule->during_max),
            $opening->goal,
            $opening->found,
        );
        if ($opening->side === Side::Both) {
            $plan = $plan->onBothSides();
        }
        $stage = $plan->plan->stage($key);
        assert($stage !== null);
        $calendar = PlanCalendar::asked(
            $plan->plan,
            $stage,
            $today,
            $today,
            self::SHOWN_DAYS,
            $opening->available,
            [],
            $opening->events,
        );

        return new ProposedStart(
            $catalogue,
            $structure,
            $programme,
            $rule->rule,
            $proposal,
            $stage,
            $level,
            $plan,
            $calendar,
            Linter::lint(
                new LintSubject(
                    catalogue: $catalogue,
                    structure: $structure,
                    rule: $rule->rule,
                    stage: $stage,
                    irritable: $irritable,
                    loweringOnly: $programme->lowering_only,
                    calendar: $calendar,
                    events: $opening->events,
                    sessionMinutes: $opening->sessionMinutes,
                    bodyMassKg: $opening->athlete->bodyMassKg,
                ),
            ),
        );
    }

    private static function isAtRisk(OpeningData $opening): bool
    {
        return array_filter($opening->risks, static fn(FoundRisk $risk): bool => $risk->counts($opening->beganOn)) !==
            [];
    }

    public static function proposal(OpeningData $opening, Programme $programme): StartProposal
    {
        return StartAdvisor::propose(
            $opening->findings,
            $opening->goal,
            array_map(StartStage::fromStage(...), $programme->plan->caseStages()),
            self::isAtRisk($opening),
            array_filter($opening->signs, static fn(FoundSign $sign): bool => $sign->blocks()) !== [],
        );
    }

    /**
     * The plan as the case gets it: its severity criteria over the chosen score, copies of the
     * practice's own exercises kept with it.
     *
     * @throws InvalidInput where a stage is left without a gate
     */
    public static function planFor(ProposedStart $start, ?SeverityScore $severity): Plan
    {
        $plan = SeverityScore::into($severity, $start->plan->plan ?? new Plan([]))->keeping(
            $start->catalogue->ownExercises(),
        );
        foreach ($plan->stages as $stage) {
            if ($stage->stage->gate === []) {
                throw InvalidInput::at(
                    '/severity',
                    "is needed: the gate of {$stage->stage->title} looks at nothing else",
                );
            }
        }

        return $plan;
    }
}
