<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A score of a severity questionnaire or another measure. */
final readonly class Outcome
{
    public function __construct(public string $measure, public Day $on, public int|float $score) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->text('measure'), $node->day('on'), $node->number('score', -ObjectNode::LARGEST));
    }
}
