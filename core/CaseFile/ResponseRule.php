<?php

declare(strict_types=1);

namespace Rung\Core\CaseFile;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Record;

/** The limits by which a school judges a response (docs/rules.md, "The 24-hour response"). */
final readonly class ResponseRule
{
    private const USUAL_REST_DAYS = 7;

    private const LONG_REST_DAYS = 14;

    public function __construct(
        public ?string $name,
        /** Pain during exercise, 0–10, that is still accepted. */
        public int $during_max,
        /** Minutes within which pain must be back to how it was. */
        public int|float $settle_within_min,
        /** Test score of the next day, 0–10, that is still accepted. */
        public int $next_day_max,
        /** Rise of the test score over its baseline that asks for a second look. */
        public int $rise_watch_from,
        /** Rise of the test score over its baseline that was too much. */
        public int $rise_over_from,
        /** Minutes by which morning stiffness may grow; null where it is not judged. */
        public int|float|null $stiffness_rise_max_min,
        /** Pain or test score, 0–10, at which loading stops. */
        public int $stop_at,
        /** Bouts that must be well tolerated, one after the other, before anything grows. */
        public int $progress_after,
        public int|float $week_growth_max_percent,
        /** Days for which an exercise rests that is too much even at its easiest: 7 or 14; null counts as 7. */
        public ?int $rest_days = null,
    ) {}

    public function restDays(): int
    {
        return $this->rest_days ?? self::USUAL_REST_DAYS;
    }

    public static function read(ObjectNode $node): self
    {
        $rule = new self(
            $node->textOrNull('name'),
            $node->whole('during_max', 0, 10),
            $node->number('settle_within_min'),
            $node->whole('next_day_max', 0, 10),
            $node->whole('rise_watch_from', 0, 10),
            $node->whole('rise_over_from', 0, 10),
            $node->numberOrNull('stiffness_rise_max_min'),
            $node->whole('stop_at', 1, 10),
            $node->whole('progress_after', 1),
            $node->number('week_growth_max_percent'),
            $node->wholeOrNull('rest_days'),
        );
        if (
            $rule->rise_over_from < $rule->rise_watch_from &&
            !$node->isFaulty('rise_over_from') &&
            !$node->isFaulty('rise_watch_from')
        ) {
            $node->fault('rise_over_from', 'must not be under rise_watch_from');
        }
        if (
            $rule->rest_days !== null &&
            !in_array($rule->rest_days, [self::USUAL_REST_DAYS, self::LONG_REST_DAYS], true)
        ) {
            $node->fault('rest_days', 'must be 7 or 14');
        }

        return $rule;
    }

    public function named(string $name): self
    {
        return new self(
            $name,
            $this->during_max,
            $this->settle_within_min,
            $this->next_day_max,
            $this->rise_watch_from,
            $this->rise_over_from,
            $this->stiffness_rise_max_min,
            $this->stop_at,
            $this->progress_after,
            $this->week_growth_max_percent,
            $this->rest_days,
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return Record::toArray($this);
    }
}
