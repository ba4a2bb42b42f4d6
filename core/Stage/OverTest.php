<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Record\StrengthTest;

/** A criterion over a strength test. */
abstract readonly class OverTest extends ByHand
{
    public function __construct(public string $test, public ?int $within_days) {}

    /** The same criterion over another strength test. */
    abstract public function withTest(string $test): self;

    /** Days that a test counts, with the day on which it was taken. */
    public function countsForDays(): int
    {
        return $this->within_days ?? self::TEST_WITHIN_DAYS;
    }

    /** The newest test that still counts on a day. */
    protected function latest(Evidence $evidence, int $day): ?StrengthTest
    {
        $latest = null;
        foreach ($evidence->tests($day) as $test) {
            if (
                $test->test === $this->test &&
                $day - $test->on->number < $this->countsForDays() &&
                ($latest === null || $test->on->number >= $latest->on->number)
            ) {
                $latest = $test;
            }
        }

        return $latest;
    }

    protected function datedBy(Evidence $evidence, int $by): ?int
    {
        return $this->latest($evidence, $by)?->on->number;
    }

    /** The affected side's value; the smaller of the two where both are. */
    protected static function affected(StrengthTest $test, Evidence $evidence): int|float
    {
        return $evidence->isBothSides() ? min($test->affected, $test->unaffected) : $test->affected;
    }
}
