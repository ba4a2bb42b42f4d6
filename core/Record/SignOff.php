<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A practitioner's word that a stage's work is sound. */
final readonly class SignOff
{
    public function __construct(public string $stage, public Day $on) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->text('stage'), $node->day('on'));
    }
}
