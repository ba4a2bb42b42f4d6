<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Attention\Attention;
use Rung\Core\Attention\AttentionReason;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Decision\Asked;
use Rung\Core\Decision\Because;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Number;
use Rung\Core\Record\Sign;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;
use Rung\Core\Response\VerdictReason;
use Rung\Core\Stage\CleanDays;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Stage\CriterionState;
use Rung\Core\Stage\DaysInStage;
use Rung\Core\Stage\ExercisePain;
use Rung\Core\Stage\LoadedPain;
use Rung\Core\Stage\OutcomeBound;
use Rung\Core\Stage\OutcomeGain;
use Rung\Core\Stage\Provocation;
use Rung\Core\Stage\Reached;
use Rung\Core\Stage\SessionsDone;
use Rung\Core\Stage\SportSessions;
use Rung\Core\Stage\Symmetry;
use Rung\Core\Stage\TestChange;
use Rung\Core\Stage\TestValue;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what an evaluation found in words for a practitioner, every number in its place. */
final class EvaluationWords
{
    /** What is proposed, as a headline. */
    public static function headline(Evaluation $evaluation, PlanStep $step, Catalogue $catalogue): string
    {
        $stage = static fn(?string $key): string => $key === null
            ? ''
            : $evaluation->log->file->stage($key)->title ?? $key;
        $notes = (new ChangeWords($catalogue))->step($step);

        return match ($evaluation->action->kind) {
            ActionKind::Stop => 'No loading until you have reviewed the stop',
            ActionKind::Gather => 'Gather answers before anything changes',
            ActionKind::Repeat => $evaluation->action->reason === ActionReason::Maintained
                ? 'Keep up the maintenance dose'
                : 'Repeat the dose as it is',
            ActionKind::Advance => 'Move on to ' .
                $stage($evaluation->nextStage) .
                ($notes === '' ? '' : ", with what was lifted: $notes"),
            ActionKind::Finish => $evaluation->action->reason === ActionReason::MaintenanceOver
                ? 'Ask whether it stays good: discharge, or keep the dose up'
                : 'Finish the programme and keep a maintenance dose',
            ActionKind::StepDown => match (true) {
                $step->enterStage !== null => 'Step back to ' . $stage($step->enterStage),
                $notes === '' => 'Step back: choose what is easier by hand',
                default => 'Step back: ' . $notes,
            },
            ActionKind::Ease => $evaluation->action->reason === ActionReason::SportOver || $notes === ''
                ? 'Ease the sport, keep the exercises'
                : 'Ease: ' . $notes,
            ActionKind::Progress => $notes === '' ? 'Progress: choose what grows' : 'Progress: ' . $notes,
            ActionKind::AddLoad => $notes === '' ? 'Add load: choose where' : 'Add load: ' . $notes,
        };
    }

    /** "It settles. The way back goes on by itself: step 4 of 6, With others: …" */
    public static function onTheWayBack(PracticeLadder $ladder): string
    {
        return 'It settles. The way back goes on by itself: step ' .
            ($ladder->at + 1) .
            ' of ' .
            count($ladder->steps) .
            ', ' .
            PlanWords::practice($ladder->step()) .
            '.';
    }

    /** Why, in a sentence with its numbers. */
    public static function because(Evaluation $evaluation): string
    {
        $rule = $evaluation->log->file->response_rule;
        $last = $evaluation->last()->responses ?? [];
        $worst = self::worst($last);

        return match ($evaluation->action->reason) {
            ActionReason::UnclearedStop => self::stops($evaluation),
            ActionReason::LongBreak => 'No session for more than 14 days: begin again a rung lower.',
            ActionReason::NoRecentAnswers => 'No session of the last 14 days has its next-morning answer yet.',
            ActionReason::AnswersMissing => 'At least two sessions since the last judged one have no answer.',
            ActionReason::AlreadyEased
                => 'The last answer was too much, and the dose was eased since: see how that is tolerated.',
            ActionReason::SportOver => 'Only the sport was over its limit, not the exercises: ' . $worst,
            ActionReason::TwoOver => 'Two answers in a row were too much. ' . $worst,
            ActionReason::OneOver => self::isStopped($last)
                ? 'A stop was reported and you have reviewed it: begin again easier. ' . $worst
                : 'The last answer was too much. ' . $worst,
            ActionReason::TwoWatch => 'Two small reactions in a row. ' . $worst,
            ActionReason::Creeping => 'A small reaction while the weekly mean creeps up. ' . self::creep($evaluation),
            ActionReason::SmallRise => 'A small reaction: one is no reason to change. ' . $worst,
            ActionReason::GateOpen => 'Every criterion of the gate is met, and the last ' .
                self::count($rule->progress_after, 'answer') .
                ' settled.',
            ActionReason::TooFewSettled => 'Fewer than ' .
                self::count($rule->progress_after, 'settled answer') .
                ' in a row since the last change.',
            ActionReason::AlreadyAdded => 'Load was added since the last answer: see how it is tolerated.',
            ActionReason::BelowTargetPain => 'Pain stayed under what this programme asks for.',
            ActionReason::SettledRun => 'The last ' .
                self::count($rule->progress_after, 'answer') .
                ' settled on this dose.',
            ActionReason::RecentStop => 'A stop was cleared less than 7 days ago: nothing grows yet.',
            ActionReason::StaleAnswers => 'The last answer is more than 7 days old.',
            ActionReason::TestOverLimit => "Settled, but the morning test is still over $rule->next_day_max.",
            ActionReason::CreepingTwoWeeks => 'The weekly mean has crept up two weeks running. ' .
                self::creep($evaluation),
            ActionReason::CreepingBaseline => 'The weekly mean is creeping up. ' . self::creep($evaluation),
            ActionReason::Growing => 'It settles, and sessions still grow by themselves within what is prescribed.',
            ActionReason::NotDone => 'It settles, but what is prescribed has not been done in full yet.',
            ActionReason::FailedBefore => 'This step failed before: it waits for a longer run of settled answers.',
            ActionReason::HeldAtCap => 'It settles, and this week has grown as much as the school allows.',
            ActionReason::NothingToRaise => 'It settles, and nothing in the plan has a next step: choose one by hand.',
            ActionReason::Maintained => 'The programme is finished, and its doses are kept up.',
            ActionReason::MaintenanceOver
                => 'The doses were kept up for the weeks agreed, and nothing speaks against an end.',
            ActionReason::TryAgain => 'Even the easiest was too much. It has rested: try it again.',
        };
    }

    /** What the next session asks inside a corridor, and why; null where the dose has none. */
    public static function asked(Asked $asked, bool $isMeasured): ?string
    {
        $why = match ($asked->because) {
            Because::Fixed => null,
            Because::Start => 'begins at the lower end',
            Because::Eased => 'the last session was too much',
            Because::Short => 'the last session was not done in full',
            Because::Kept => 'as it was done last',
            Because::Capped => 'more failed before',
            Because::Full => 'the upper end is reached and settles',
            Because::Grown => 'the last session settled',
        };

        return $why === null
            ? null
            : 'Next session: ' . DoseWords::of($asked->asPrescription(), $isMeasured) . " ($why)";
    }

    /** One response: what was done to the baseline, and the verdict's reasons. */
    public static function response(SessionResponse $response): string
    {
        $parts = [];
        if ($response->during !== null) {
            $parts[] = "pain $response->during of 10 during";
        }
        if ($response->answer !== null) {
            $parts[] =
                'next morning ' .
                $response->answer->provocation .
                ($response->baseline === null ? '' : ' against ' . Number::tenth($response->baseline));
        }

        return ucfirst(implode(', ', $parts)) . ($parts === [] ? '' : '.');
    }

    /** The same with the verdict's reasons. */
    public static function verdict(SessionResponse $response): string
    {
        return trim(self::response($response) . ' ' . ucfirst(implode(', ', self::reasons($response))));
    }

    /** @return list<string> the verdict's reasons, in words */
    public static function reasons(SessionResponse $response): array
    {
        return array_map(static function (string $code): string {
            if (str_starts_with($code, 'sign:')) {
                return self::sign(Sign::from(substr($code, 5)));
            }

            return match (VerdictReason::from($code)) {
                VerdictReason::PainAtStopLevel => 'pain at the stop level',
                VerdictReason::DuringOverMax => 'pain during was over the limit',
                VerdictReason::SlowToSettle => 'slow to settle',
                VerdictReason::NextDayOverMax => 'next morning over the limit',
                VerdictReason::NextDayRise => 'next morning clearly up on baseline',
                VerdictReason::StiffnessRise => 'stiffer next morning',
                VerdictReason::NightAche => 'ached in the night',
                VerdictReason::SecondDayRise => 'still up on the second morning',
                VerdictReason::AwaitingAnswer => 'waiting for the next morning',
                VerdictReason::NoPainLogged => 'no pain logged',
                VerdictReason::NoBaseline => 'no baseline before it',
                VerdictReason::NoAnswer => 'no answer next morning',
                VerdictReason::SmallNextDayRise => 'slightly up next morning',
                VerdictReason::ExercisePainRise => 'an exercise hurt 2 points more than before',
                VerdictReason::RetestWorse => 'the test was worse after an exercise',
                VerdictReason::BelowTargetPain => 'under the pain asked for',
            };
        }, $response->reasons);
    }

    public static function sign(Sign $sign): string
    {
        return match ($sign) {
            Sign::SuddenPop => 'a sudden pop',
            Sign::LossOfFunction => 'loss of function',
            Sign::Swelling => 'swelling',
            Sign::Fever => 'warmth or fever',
            Sign::NightPain => 'unexplained pain at night',
            Sign::Numbness => 'numbness or weakness',
            Sign::GivingWay => 'giving way',
            Sign::Locking => 'locking',
            Sign::Trauma => 'a fall or blow',
            Sign::NightAche => 'aching in the night after loading',
        };
    }

    /** What was reported: "swelling, pain 8 of 10". */
    public static function stop(StopSource $stop, Evaluation $evaluation): string
    {
        $what = array_map(self::sign(...), $stop->signs);
        if ($stop->level !== null && $stop->level >= $evaluation->log->file->response_rule->stop_at) {
            $what[] = "pain $stop->level of 10";
        }

        return implode(', ', $what);
    }

    /** @return list<string> */
    public static function attention(Evaluation $evaluation): array
    {
        $since = static fn(?Day $day): string => $day === null ? '' : ' since ' . TimeWords::day($day);

        $eases = Attention::unsettledBy($evaluation->log);
        $unsettled =
            $eases === null ? [] : ["unsettled: eased on $eases days of the last " . Attention::UNSETTLED_DAYS];

        return [
            ...$unsettled,
            ...array_map(
                static fn(AttentionReason $reason): string => match ($reason) {
                    AttentionReason::NoScores => 'no morning answer for three days',
                    AttentionReason::SessionsMissed => 'the last two sessions were missed',
                    AttentionReason::LongBreak => 'no session for two weeks',
                    AttentionReason::TooTimid => 'nothing grew for three weeks though all settled',
                    AttentionReason::ReviewDue => 'review due' . $since($evaluation->log->file->case->review_on),
                    AttentionReason::NoImprovement => 'no better after six weeks: look again, and refer if it stays so',
                    AttentionReason::FailedTwice
                        => 'the same step has failed twice: look at how it is done, or take another one',
                    AttentionReason::TestHigh => 'settled, but the morning test stays over the limit: look again',
                    AttentionReason::Plateau => 'nothing changed for three weeks: change one thing',
                },
                $evaluation->attention->reasons,
            ),
        ];
    }

    /** A criterion with its value and what is needed, units included. */
    public static function criterion(CriterionResult $result): string
    {
        $criterion = $result->criterion;
        $value = $result->value === null ? 'no value yet' : (string) Number::tenth($result->value);
        $need = (string) $criterion->needed();
        $words = match (true) {
            $criterion instanceof DaysInStage => self::count($value, 'day') . " in the stage, at least $need",
            $criterion instanceof ExercisePain
                => "worst pain in exercise over {$criterion->days} days: $value, at most $need",
            $criterion instanceof Provocation
                => "worst morning test over {$criterion->days} days: $value, at most $need",
            $criterion instanceof CleanDays => self::count($value, 'day') .
                " without too strong an answer, at least $need",
            $criterion instanceof Symmetry => 'symmetry of ' .
                self::plain($criterion->test) .
                ": $value %, at least $need %",
            $criterion instanceof TestValue => self::plain($criterion->test) . ": $value, at least $need",
            $criterion instanceof Reached => 'sets of ' .
                PlanWords::set($criterion) .
                " well tolerated: $value, at least $need",
            $criterion instanceof SportSessions => self::count($value, 'full practice') .
                " well tolerated, at least $need",
            $criterion instanceof SessionsDone => "$value % of planned sessions done, at least $need %",
            $criterion instanceof OutcomeBound => self::plain($criterion->measure) .
                ": $value, " .
                ($criterion->min === null ? 'at most' : 'at least') .
                " $need",
            $criterion instanceof LoadedPain
                => "worst pain with at least {$criterion->min_load_kg} kg over {$criterion->days} days: $value, at most $need",
            $criterion instanceof TestChange => self::plain($criterion->test) .
                " since the first test: $value %, at least $need %",
            $criterion instanceof OutcomeGain => self::plain($criterion->measure) .
                ": better by $value, at least $need",
            default => $result->state === CriterionState::Met
                ? 'signed off by you'
                : 'waits for your sign-off of technique',
        };

        return $result->state === CriterionState::NoData && $result->value !== null
            ? "$words (too few readings)"
            : $words;
    }

    /** How far a criterion is from being met, and what has to happen; null where it is met. */
    public static function distance(CriterionOutlook $outlook): ?string
    {
        if ($outlook->result->state === CriterionState::Met) {
            return null;
        }
        $criterion = $outlook->result->criterion;
        $short = $outlook->distance();
        $far = $short === null ? '' : (string) Number::tenth($short);

        return match (true) {
            $criterion instanceof DaysInStage, $criterion instanceof CleanDays => $outlook->result->state ===
            CriterionState::NoData
                ? 'too few judged sessions yet'
                : self::count($far, 'day') . ' to go',
            $criterion instanceof ExercisePain,
            $criterion instanceof Provocation,
            $criterion instanceof LoadedPain
                => match (true) {
                $short === null => 'no reading yet',
                $outlook->result->state === CriterionState::NoData => 'too few readings yet',
                default => self::count($far, 'point') . ' over',
            },
            $criterion instanceof Symmetry => $short === null
                ? 'needs a test of both sides'
                : "$far % short, then a new test",
            $criterion instanceof TestValue => $short === null ? 'needs a test' : "$far short, then a new test",
            $criterion instanceof Reached => $short === null
                ? 'not done and well tolerated yet'
                : self::count($far, 'set') . ' short',
            $criterion instanceof SportSessions => self::count($far, 'session') . ' to go',
            $criterion instanceof SessionsDone => $short === null ? 'nothing was due yet' : "$far % short",
            $criterion instanceof OutcomeBound => $short === null ? 'needs a score' : "$far short, then a new score",
            $criterion instanceof TestChange => $short === null
                ? 'needs a first test and a recent one'
                : "$far % short, then a new test",
            $criterion instanceof OutcomeGain => $short === null
                ? 'needs a first score and a later one'
                : "$far short, then a new score",
            default => 'yours to give',
        };
    }

    /** @param list<SessionResponse> $responses */
    private static function worst(array $responses): string
    {
        $worst = null;
        foreach ($responses as $response) {
            if ($worst === null || $response->verdict->severity() > $worst->verdict->severity()) {
                $worst = $response;
            }
        }

        return $worst === null
            ? ''
            : trim(self::response($worst) . ' ' . ucfirst(implode(', ', self::reasons($worst))) . '.');
    }

    /** @param list<SessionResponse> $responses */
    private static function isStopped(array $responses): bool
    {
        foreach ($responses as $response) {
            if ($response->verdict === Verdict::Stop) {
                return true;
            }
        }

        return false;
    }

    private static function stops(Evaluation $evaluation): string
    {
        $open = array_filter($evaluation->stops, static fn(StopSource $stop): bool => !$stop->isCleared());
        $words = array_map(static fn(StopSource $stop): string => self::stop($stop, $evaluation), $open);

        return 'Reported: ' . implode('; ', $words) . '. Stop and see before any loading.';
    }

    private static function creep(Evaluation $evaluation): string
    {
        $words = static fn(int|float|null $mean): string => $mean === null
            ? 'unknown'
            : (string) Number::hundredth($mean);

        return "Mean test {$words(
            $evaluation->creep->thisWeek,
        )} over the last 7 days, {$words($evaluation->creep->lastWeek)} over the 7 before, {$words($evaluation->creep->lowest)} in the best of the four weeks before.";
    }

    private static function count(int|string $number, string $what): string
    {
        return "$number $what" . ((string) $number === '1' ? '' : 's');
    }

    private static function plain(?string $key): string
    {
        return strtr((string) $key, '_', ' ');
    }
}
