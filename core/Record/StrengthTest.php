<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A test of both sides, in the unit it names. */
final readonly class StrengthTest
{
    public function __construct(
        public string $test,
        public Day $on,
        public int|float $affected,
        public int|float $unaffected,
        public string $unit,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->text('test'),
            $node->day('on'),
            $node->number('affected'),
            $node->positive('unaffected'),
            $node->text('unit'),
        );
    }
}
