<?php

declare(strict_types=1);

namespace Rung\Core\Response;

use Rung\Core\CaseFile\Record;
use Rung\Core\Input\ObjectNode;

/** The limits by which a school judges a response (docs/rules.md, "The 24-hour response"). */
final readonly class ResponseRule
{
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
        /** Bouts that must be well borne, one after the other, before anything grows. */
        public int $progress_after,
        public int|float $week_growth_max_percent,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->textOrNull('name'),
            $node->whole('during_max', 0, 10),
            $node->number('settle_within_min'),
            $node->whole('next_day_max', 0, 10),
            $node->whole('rise_watch_from', 0),
            $node->whole('rise_over_from', 0),
            $node->numberOrNull('stiffness_rise_max_min'),
            $node->whole('stop_at', 0, 10),
            $node->whole('progress_after', 0),
            $node->number('week_growth_max_percent'),
        );
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
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return Record::of($this);
    }
}
