<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Plan\Plan;
use Rung\Core\Record\DoseChange;

/** What a decision does to a plan: computed first, shown, and put in force only by a practitioner. */
final readonly class PlanStep
{
    /**
     * @param list<DoseChange> $changes as they go into the record
     * @param list<ChangeNote> $notes
     */
    public function __construct(
        public Plan $plan,
        public array $changes,
        public array $notes,
        /** The stage that is entered, if another one is. */
        public ?string $enterStage = null,
        /** Whether the programme is finished. */
        public bool $finish = false,
    ) {}

    public function changesAnything(): bool
    {
        return $this->changes !== [] || $this->enterStage !== null || $this->finish;
    }
}
