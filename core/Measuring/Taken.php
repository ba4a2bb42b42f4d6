<?php

declare(strict_types=1);

namespace Rung\Core\Measuring;

use Rung\Core\Record\Outcome;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Time\Day;

/** The value of a measure on a day, of each side or of both together. */
final readonly class Taken
{
    private function __construct(
        public Day $on,
        /** Of the sore side, or of both together where there is no other value. */
        public int|float $affected,
        public int|float|null $unaffected,
    ) {}

    public static function ofTest(StrengthTest $test): self
    {
        return new self($test->on, $test->affected, $test->unaffected);
    }

    public static function ofOutcome(Outcome $outcome): self
    {
        return new self($outcome->on, $outcome->score, null);
    }

    /** The value that is followed: the sore side's, the smaller where both are affected. */
    public function followed(bool $bothSides): int|float
    {
        return $bothSides && $this->unaffected !== null ? min($this->affected, $this->unaffected) : $this->affected;
    }
}
