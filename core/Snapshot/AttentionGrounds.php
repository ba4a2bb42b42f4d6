<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Attention\Attention;
use Rung\Core\Attention\AttentionGroup;
use Rung\Core\Attention\AttentionReason;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/**
 * Under which decision a case stands on the Round, and why (docs/rules.md, "The week's load, and who needs attention").
 */
final readonly class AttentionGrounds
{
    /** @param list<AttentionReason> $reasons */
    private function __construct(
        public AttentionGroup $group,
        public array $reasons,
        /** Days of the last two weeks on which something was eased, where they are so many that it is no course. */
        public ?int $easedDays,
        /** The day that the next review is planned for. */
        public ?Day $reviewOn,
    ) {}

    public static function fromEvaluation(Evaluation $evaluation): self
    {
        return new self(
            $evaluation->attention->group,
            $evaluation->attention->reasons,
            Attention::unsettledBy($evaluation->log),
            $evaluation->log->file->case->review_on,
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choice('group', AttentionGroup::class),
            $node->choicesOrNull('reasons', AttentionReason::class) ?? [],
            $node->wholeOrNull('eased_days', 1, Attention::UNSETTLED_DAYS),
            $node->dayOrNull('review_on'),
        );
    }

    /** @return array{group: string, reasons: list<string>, eased_days: int|null, review_on: string|null} */
    public function toArray(): array
    {
        return [
            'group' => $this->group->value,
            'reasons' => array_map(static fn(AttentionReason $reason): string => $reason->value, $this->reasons),
            'eased_days' => $this->easedDays,
            'review_on' => $this->reviewOn?->toIso(),
        ];
    }
}
