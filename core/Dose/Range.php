<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** A range of movement in degrees; either end may be negative. */
final readonly class Range
{
    public function __construct(public int|float $from_deg, public int|float $to_deg) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->number('from_deg', -ObjectNode::LARGEST), $node->number('to_deg', -ObjectNode::LARGEST));
    }

    public function width(): int|float
    {
        return $this->to_deg - $this->from_deg;
    }

    public function endingAt(int|float $to_deg): self
    {
        return new self($this->from_deg, $to_deg);
    }

    /** @return array{from_deg: int|float, to_deg: int|float} */
    public function toArray(): array
    {
        return ['from_deg' => $this->from_deg, 'to_deg' => $this->to_deg];
    }
}
