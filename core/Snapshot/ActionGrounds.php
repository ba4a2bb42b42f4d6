<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Decision\ActionReason;
use Rung\Core\Decision\StopSource;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Plan\Plan;
use Rung\Core\Response\ResponseFigures;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Response\Verdict;

/** Why an action is proposed: its reason, with every number that the reason speaks of (docs/rules.md, "What to do next"). */
final readonly class ActionGrounds
{
    /** @param list<ReportedStop> $stops not cleared yet, oldest first */
    private function __construct(
        public ActionReason $reason,
        /** Settled answers in a row that the rule asks for before load is added. */
        public int $progressAfter,
        /** The rule's limit of the next morning's test, 0–10. */
        public int $nextDayMax,
        /** The worst answer of the newest bout; null where nothing was judged. */
        public ?ResponseFigures $worst,
        /** Whether that bout held a stop. */
        public bool $isAfterStop,
        public WeeklyMeans $means,
        public array $stops,
        /** Where the way back to sport goes on though no dose has a next step. */
        public ?PracticeProgress $practice,
    ) {}

    public static function fromEvaluation(Evaluation $evaluation, Plan $plan): self
    {
        $rule = $evaluation->log->file->response_rule;
        $last = $evaluation->last()->responses ?? [];
        $isNothingToRaise = $evaluation->action->reason === ActionReason::NothingToRaise;
        $ladder = $isNothingToRaise
            ? PracticeLadder::inStage($plan->stage($evaluation->log->stage->key), $evaluation)
            : null;

        return new self(
            $evaluation->action->reason,
            $rule->progress_after,
            $rule->next_day_max,
            self::worst($last),
            array_filter($last, static fn(SessionResponse $response): bool => $response->verdict === Verdict::Stop) !==
                [],
            WeeklyMeans::fromCreep($evaluation->creep),
            array_map(
                static fn(StopSource $stop): ReportedStop => ReportedStop::fromSource($stop, $rule->stop_at),
                array_values(
                    array_filter($evaluation->stops, static fn(StopSource $stop): bool => !$stop->isCleared()),
                ),
            ),
            $ladder === null ? null : PracticeProgress::fromLadder($ladder),
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('reason', ActionReason::class),
            $node->whole('progress_after', 1),
            $node->whole('next_day_max', 0, 10),
            $node->childOrNull('worst', ResponseFigures::read(...)),
            $node->flag('after_stop'),
            $node->child('means', WeeklyMeans::read(...)),
            $node->each('stops', ReportedStop::read(...)),
            $node->childOrNull('practice', PracticeProgress::read(...)),
        );
    }

    /** Whether a stop waits for a review. */
    public function isStopped(): bool
    {
        return $this->stops !== [];
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'reason' => $this->reason->value,
            'progress_after' => $this->progressAfter,
            'next_day_max' => $this->nextDayMax,
            'worst' => $this->worst?->toArray(),
            'after_stop' => $this->isAfterStop,
            'means' => (object) $this->means->toArray(),
            'stops' => array_map(static fn(ReportedStop $stop): array => $stop->toArray(), $this->stops),
            'practice' => $this->practice?->toArray(),
        ];
    }

    /** @param list<SessionResponse> $responses */
    private static function worst(array $responses): ?ResponseFigures
    {
        $worst = null;
        foreach ($responses as $response) {
            if ($worst === null || $response->verdict->severity() > $worst->verdict->severity()) {
                $worst = $response;
            }
        }

        return $worst?->figures();
    }
}
