<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Attention\Attention;
use Rung\Core\Attention\AttentionReason;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Number;
use Rung\Core\Response\ResponseFigures;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\AttentionGrounds;
use Rung\Core\Snapshot\DueTest;
use Rung\Core\Snapshot\PracticeProgress;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Snapshot\ReportedStop;
use Rung\Core\Snapshot\WeeklyMeans;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what is proposed and why, every number in its place, from the codes of a snapshot. */
final class ProposalWords
{
    /** What is proposed, as a headline. */
    public static function headline(ProposedStep $proposed): string
    {
        $notes = (new ChangeWords($proposed->titles))->notes($proposed->notes);
        $reason = $proposed->action->reason;

        return match ($proposed->action->kind) {
            ActionKind::Stop => 'No loading until you have reviewed the stop',
            ActionKind::Gather => 'Gather answers before anything changes',
            ActionKind::Repeat => $reason === ActionReason::Maintained
                ? 'Keep up the maintenance dose'
                : 'Repeat the dose as it is',
            ActionKind::Advance => "Move on to $proposed->stage" .
                ($notes === '' ? '' : ", with what was lifted: $notes"),
            ActionKind::Finish => $reason === ActionReason::MaintenanceOver
                ? 'Ask whether it stays good: discharge, or keep the dose up'
                : 'Finish the programme and keep a maintenance dose',
            ActionKind::StepDown => match (true) {
                $proposed->stage !== null => "Step back to $proposed->stage",
                $notes === '' => 'Step back: choose what is easier by hand',
                default => "Step back: $notes",
            },
            ActionKind::Ease => $reason === ActionReason::SportOver || $notes === ''
                ? 'Ease the sport, keep the exercises'
                : "Ease: $notes",
            ActionKind::Progress => $notes === '' ? 'Progress: choose what grows' : "Progress: $notes",
            ActionKind::AddLoad => $notes === '' ? 'Add load: choose where' : "Add load: $notes",
        };
    }

    /** Why, in a sentence or two. Where no dose has a next step and the way back goes on, it says so. */
    public static function because(ActionGrounds $grounds): string
    {
        $answers = self::count($grounds->progressAfter, 'answer');

        return match ($grounds->reason) {
            ActionReason::UnclearedStop => self::stops($grounds->stops),
            ActionReason::LongBreak => 'No session for more than 14 days: begin again a rung lower.',
            ActionReason::NoRecentAnswers => 'No session of the last 14 days has its next-morning answer yet.',
            ActionReason::AnswersMissing => 'At least two sessions since the last judged one have no answer.',
            ActionReason::AlreadyEased
                => 'The last answer was too much, and the dose was eased since: see how that is tolerated.',
            ActionReason::SportOver => 'Only the sport was over its limit, not the exercises: ' .
                self::answer($grounds->worst),
            ActionReason::TwoOver => 'Two answers in a row were too much. ' . self::answer($grounds->worst),
            ActionReason::OneOver => $grounds->isAfterStop
                ? 'A stop was reported and you have reviewed it: begin again easier. ' . self::answer($grounds->worst)
                : 'The last answer was too much. ' . self::answer($grounds->worst),
            ActionReason::TwoWatch => 'Two small reactions in a row. ' . self::answer($grounds->worst),
            ActionReason::Creeping => 'A small reaction while the weekly mean creeps up. ' .
                self::means($grounds->means),
            ActionReason::SmallRise => 'A small reaction: one is no reason to change. ' . self::answer($grounds->worst),
            ActionReason::GateOpen => "Every criterion of the gate is met, and the last $answers settled.",
            ActionReason::TooFewSettled => 'Fewer than ' .
                self::count($grounds->progressAfter, 'settled answer') .
                ' in a row since the last change.',
            ActionReason::AlreadyAdded => 'Load was added since the last answer: see how it is tolerated.',
            ActionReason::BelowTargetPain => 'Pain stayed under what this programme asks for.',
            ActionReason::SettledRun => "The last $answers settled on this dose.",
            ActionReason::RecentStop => 'A stop was cleared less than 7 days ago: nothing grows yet.',
            ActionReason::StaleAnswers => 'The last answer is more than 7 days old.',
            ActionReason::TestOverLimit => "Settled, but the morning test is still over $grounds->nextDayMax.",
            ActionReason::CreepingTwoWeeks => 'The weekly mean has crept up two weeks running. ' .
                self::means($grounds->means),
            ActionReason::CreepingBaseline => 'The weekly mean is creeping up. ' . self::means($grounds->means),
            ActionReason::Growing => 'It settles, and sessions still grow by themselves within what is prescribed.',
            ActionReason::NotDone => 'It settles, but what is prescribed has not been done in full yet.',
            ActionReason::FailedBefore => 'This step failed before: it waits for a longer run of settled answers.',
            ActionReason::HeldAtCap => 'It settles, and this week has grown as much as the school allows.',
            ActionReason::NothingToRaise => $grounds->practice === null
                ? 'It settles, and nothing in the plan has a next step: choose one by hand.'
                : self::onTheWayBack($grounds->practice),
            ActionReason::Maintained => 'The programme is finished, and its doses are kept up.',
            ActionReason::MaintenanceOver
                => 'The doses were kept up for the weeks agreed, and nothing speaks against an end.',
            ActionReason::TryAgain => 'Even the easiest was too much. It has rested: try it again.',
        };
    }

    /** @return list<string> why somebody has to look at the case */
    public static function attention(AttentionGrounds $attention): array
    {
        $since = static fn(?Day $day): string => $day === null ? '' : ' since ' . TimeWords::day($day);
        $unsettled =
            $attention->easedDays === null
                ? []
                : ["unsettled: eased on $attention->easedDays days of the last " . Attention::UNSETTLED_DAYS];

        return [
            ...$unsettled,
            ...array_map(
                static fn(AttentionReason $reason): string => match ($reason) {
                    AttentionReason::NoScores => 'no morning answer for three days',
                    AttentionReason::SessionsMissed => 'the last two sessions were missed',
                    AttentionReason::LongBreak => 'no session for two weeks',
                    AttentionReason::TooTimid => 'nothing grew for three weeks though all settled',
                    AttentionReason::ReviewDue => 'review due' . $since($attention->reviewOn),
                    AttentionReason::NoImprovement => 'no better after six weeks: look again, and refer if it stays so',
                    AttentionReason::FailedTwice
                        => 'the same step has failed twice: look at how it is done, or take another one',
                    AttentionReason::TestHigh => 'settled, but the morning test stays over the limit: look again',
                    AttentionReason::Plateau => 'nothing changed for three weeks: change one thing',
                },
                $attention->reasons,
            ),
        ];
    }

    /** "Calf strength: last 40 days ago; the gate needs one within 28" */
    public static function dueTest(DueTest $test): string
    {
        return "$test->title: " . MeasureWords::neededWithin($test->daysAgo, $test->withinDays);
    }

    /** "It settles. The way back goes on by itself: step 4 of 6, With others: …" */
    public static function onTheWayBack(PracticeProgress $practice): string
    {
        return "It settles. The way back goes on by itself: step $practice->number of $practice->rungs, " .
            PlanWords::practice($practice->step) .
            '.';
    }

    private static function answer(?ResponseFigures $worst): string
    {
        return $worst === null ? '' : rtrim(ResponseWords::verdict($worst), '.') . '.';
    }

    /** @param list<ReportedStop> $stops */
    private static function stops(array $stops): string
    {
        return 'Reported: ' .
            implode('; ', array_map(ResponseWords::stop(...), $stops)) .
            '. Stop and see before any loading.';
    }

    private static function means(WeeklyMeans $means): string
    {
        $words = static fn(int|float|null $mean): string => $mean === null
            ? 'unknown'
            : (string) Number::hundredth($mean);

        return "Mean test {$words(
            $means->thisWeek,
        )} over the last 7 days, {$words($means->lastWeek)} over the 7 before, {$words($means->lowest)} in the best of the four weeks before.";
    }

    private static function count(int $number, string $what): string
    {
        return "$number $what" . ($number === 1 ? '' : 's');
    }
}
