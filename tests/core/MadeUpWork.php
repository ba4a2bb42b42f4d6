<?php

declare(strict_types=1);

namespace Tests\Core;

use Rung\Core\Decision\WorkDone;
use Rung\Core\Dose\Prescription;
use Rung\Core\Record\LoggedSet;

/** Work that was done, given directly: in full, not changed lately, nothing in its way, unless said otherwise. */
final readonly class MadeUpWork implements WorkDone
{
    /** @param list<LoggedSet> $sets */
    public function __construct(
        private bool $done = true,
        private bool $waiting = false,
        private bool $changed = false,
        private bool $addedTwice = false,
        private int|float $base = 0,
        private int|float $heaviest = 0,
        private array $sets = [],
        private int $week = 1,
        private bool $raisedLast = false,
        private bool $hurtAtTheEnd = false,
        private bool $above = false,
        private bool $full = true,
        private int|float|null $mass = 64,
    ) {}

    public function presentLoadKg(Prescription $prescription): int|float
    {
        return $prescription->dose->load_kg ?? ($this->sets[0]->load_kg ?? 0);
    }

    public function isDone(Prescription $prescription): bool
    {
        return $this->done;
    }

    public function isWaiting(Prescription $prescription): bool
    {
        return $this->waiting;
    }

    public function changedThisWeek(Prescription $prescription): bool
    {
        return $this->changed;
    }

    public function addedTwiceThisWeek(Prescription $prescription): bool
    {
        return $this->addedTwice;
    }

    public function base(Prescription $prescription): int|float
    {
        return $this->base;
    }

    public function heaviestKg(Prescription $prescription): int|float
    {
        return $this->heaviest;
    }

    public function weekGrowthMaxPercent(): int
    {
        return 10;
    }

    public function bodyMassKg(): int|float|null
    {
        return $this->mass;
    }

    public function lastSets(Prescription $prescription): array
    {
        return $this->sets;
    }

    public function lastWasFull(Prescription $prescription): bool
    {
        return $this->full;
    }

    public function weekOfStage(): int
    {
        return $this->week;
    }

    public function wasRaisedLast(Prescription $prescription): bool
    {
        return $this->raisedLast;
    }

    public function hurtAtTheEnd(Prescription $prescription): bool
    {
        return $this->hurtAtTheEnd;
    }

    public function wasAboveLowerEnd(Prescription $prescription): bool
    {
        return $this->above;
    }
}
