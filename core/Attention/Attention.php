<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

use Rung\Core\Decision\Action;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\ActionReason;
use Rung\Core\Number;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Response\Creep;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;

/** Which decision a case needs, and how soon (docs/rules.md, "The week's load, and who needs attention"). */
final readonly class Attention
{
    private const SILENT_DAYS = 3;

    private const NO_IMPROVEMENT_AFTER_DAYS = 42;

    private const UNCHANGED_DAYS = 21;

    private const TEST_HIGH_AFTER_DAYS = 14;

    private const TIMID_SESSIONS = 6;

    private const DONE_PERCENT = 60;

    private const READINGS = 3;

    /** So many eases within so many days are no course: the case is unsettled. */
    private const UNSETTLED_EASES = 3;

    public const UNSETTLED_DAYS = 14;

    /** @param list<AttentionReason> $reasons */
    private function __construct(public AttentionGroup $group, public array $reasons) {}

    /** @param list<SessionResponse> $responses of the log */
    public static function judge(
        Log $log,
        array $responses,
        Action $action,
        Adherence $fortnight,
        bool $failedTwice,
    ): self {
        $silent = self::silent($log, $action);
        $unchanged = self::unchanged($log, $fortnight);
        $stalled = self::that([
            [AttentionReason::ReviewDue, self::reviewDue($log)],
            [AttentionReason::NoImprovement, self::isNotImproving($log)],
            [AttentionReason::FailedTwice, $failedTwice],
            [AttentionReason::TestHigh, self::isTestHigh($log, $action)],
            [AttentionReason::Plateau, $unchanged],
        ]);
        $timid = self::that([
            [AttentionReason::TooTimid, self::isTooTimid($log, $responses, $fortnight)],
            [AttentionReason::FailedTwice, $failedTwice],
        ]);

        return match (true) {
            $action->kind === ActionKind::Stop => new self(AttentionGroup::StopReview, []),
            $action->kind === ActionKind::StepDown && $action->reason === ActionReason::TwoOver => new self(
                AttentionGroup::OverTwice,
                [],
            ),
            $action->kind === ActionKind::Ease => new self(AttentionGroup::Over, []),
            $silent !== [] => new self(AttentionGroup::Silent, $silent),
            in_array($action->kind, [ActionKind::Advance, ActionKind::Finish], true) => new self(
                AttentionGroup::ReadyStage,
                [],
            ),
            in_array($action->kind, [ActionKind::Progress, ActionKind::AddLoad], true) => new self(
                AttentionGroup::ReadyProgress,
                $timid,
            ),
            $stalled !== [] => new self(AttentionGroup::Stalled, $stalled),
            default => new self(AttentionGroup::OnCourse, []),
        };
    }

    /** The same where a finished programme's doses are kept up: nobody is asked every morning, and nothing is raised. */
    public function whereMaintained(bool $isOver): self
    {
        if (
            in_array($this->group, [AttentionGroup::StopReview, AttentionGroup::OverTwice, AttentionGroup::Over], true)
        ) {
            return $this;
        }
        $missed = array_values(
            array_filter(
                $this->reasons,
                static fn(AttentionReason $attentionReason): bool => $attentionReason ===
                    AttentionReason::SessionsMissed,
            ),
        );

        return match (true) {
            $missed !== [] => new self(AttentionGroup::Silent, $missed),
            $isOver => new self(AttentionGroup::ReadyStage, []),
            in_array(AttentionReason::ReviewDue, $this->reasons, true) => new self(AttentionGroup::Stalled, [
                AttentionReason::ReviewDue,
            ]),
            default => new self(AttentionGroup::OnCourse, []),
        };
    }

    /**
     * Whether nothing was changed for three weeks though every answer settled.
     *
     * @param list<SessionResponse> $responses of the log
     */
    public static function isTooTimid(Log $log, array $responses, Adherence $fortnight): bool
    {
        return self::unchanged($log, $fortnight) && self::allWellTolerated($log, $responses);
    }

    /** How often a dose was eased lately, where that is so often that the case is unsettled, whatever its group; else null. */
    public static function unsettledBy(Log $log): ?int
    {
        $days = [];
        foreach ([...$log->doseChanges, ...$log->withinChanges] as $change) {
            if (
                in_array(
                    $change->kind,
                    [DoseChangeKind::Ease, DoseChangeKind::StepDown, DoseChangeKind::Within],
                    true,
                ) &&
                $change->at->withinHoursBefore($log->at, 24 * self::UNSETTLED_DAYS)
            ) {
                // Several exercises eased by one decision are one ease.
                $days[$log->file->timezone->dayOf($change->at)->number] = true;
            }
        }

        return count($days) >= self::UNSETTLED_EASES ? count($days) : null;
    }

    /** @return array{group: string, reasons: list<string>} */
    public function toArray(): array
    {
        return [
            'group' => $this->group->value,
            'reasons' => array_map(static fn(AttentionReason $reason): string => $reason->value, $this->reasons),
        ];
    }

    /** @return list<AttentionReason> */
    private static function silent(Log $log, Action $action): array
    {
        $details = $log->file->case;
        $openLongEnough = $log->today->daysSince($details->opened_on) >= self::SILENT_DAYS;

        return self::that([
            [
                AttentionReason::NoScores,
                $openLongEnough && !$details->isPrevention() && $log->scores(self::SILENT_DAYS) === [],
            ],
            [AttentionReason::SessionsMissed, $openLongEnough && Adherence::latestTwoMissed($log)],
            [AttentionReason::LongBreak, $action->reason === ActionReason::LongBreak],
        ]);
    }

    private static function isTestHigh(Log $log, Action $action): bool
    {
        return $action->kind === ActionKind::Repeat &&
            $action->reason === ActionReason::TestOverLimit &&
            $log->today->daysSince($log->file->case->opened_on) >= self::TEST_HIGH_AFTER_DAYS;
    }

    private static function reviewDue(Log $log): bool
    {
        $review = $log->file->case->review_on;

        return $review !== null && !$review->isAfter($log->today);
    }

    /** Whether the test is no better after six weeks than in the first. */
    public static function isNotImproving(Log $log): bool
    {
        $details = $log->file->case;
        $first = $log->firstScoreOn();
        if (
            $details->isPrevention() ||
            $first === null ||
            $log->today->daysSince($details->opened_on) < self::NO_IMPROVEMENT_AFTER_DAYS ||
            $first->number + 6 >= $log->today->number - 6
        ) {
            return false;
        }
        $then = $log->scoresBetween($first->number, $first->number + 6);
        $now = $log->scores(7);
        if (count($then) < self::READINGS || count($now) < self::READINGS) {
            return false;
        }
        $mean = Creep::mean($now);

        return Number::over($mean, 1) && Number::atLeast($mean, Creep::mean($then));
    }

    /** Nothing was changed for three weeks though the sessions were done. */
    private static function unchanged(Log $log, Adherence $fortnight): bool
    {
        if (
            $log->today->daysSince($log->stageFrom) < self::UNCHANGED_DAYS ||
            ($fortnight->percent ?? 0) < self::DONE_PERCENT
        ) {
            return false;
        }
        foreach ($log->doseChanges as $change) {
            if ($log->today->daysSince($log->file->timezone->dayOf($change->at)) < self::UNCHANGED_DAYS) {
                return false;
            }
        }

        return true;
    }

    /** @param list<SessionResponse> $responses */
    private static function allWellTolerated(Log $log, array $responses): bool
    {
        $judged = 0;
        foreach ($responses as $response) {
            if (
                $response->verdict->isJudged() &&
                $log->inStage($response->session) &&
                $log->inLastDays($response->session, self::UNCHANGED_DAYS)
            ) {
                if (!$response->verdict->isWellTolerated()) {
                    return false;
                }
                $judged++;
            }
        }

        return $judged >= self::TIMID_SESSIONS;
    }

    /**
     * @param list<array{AttentionReason, bool}> $checks
     *
     * @return list<AttentionReason>
     */
    private static function that(array $checks): array
    {
        return array_column(array_filter($checks, static fn(array $check): bool => $check[1]), 0);
    }
}
