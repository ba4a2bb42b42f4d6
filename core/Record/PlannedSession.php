<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A session that the calendar asks for. */
final readonly class PlannedSession
{
    public function __construct(public string $id, public Day $on, public string $slot) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('id'), $node->day('on'), $node->text('slot'));
    }
}
