<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** That a stage was entered on a date. */
final readonly class StageEntry
{
    public function __construct(public string $stage, public Day $from) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->text('stage'), $node->day('from'));
    }
}
