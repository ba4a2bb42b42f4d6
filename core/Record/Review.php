<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Moment;

/** That a practitioner has looked at a stop and cleared it. */
final readonly class Review
{
    public function __construct(
        public Moment $at,
        /** The id of the session or check-in that is cleared. */
        public string $clears,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->moment('at'), $node->text('clears'));
    }
}
