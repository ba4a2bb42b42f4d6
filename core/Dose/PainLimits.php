<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** A prescription's own bounds on pain, 0–10: what is wanted at least, what is allowed at most. */
final readonly class PainLimits
{
    public function __construct(public ?int $min = null, public ?int $max = null) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->wholeOrNull('min', 0, 10), $node->wholeOrNull('max', 0, 10));
    }

    /** @return array<string, int> */
    public function toArray(): array
    {
        return array_filter(
            ['min' => $this->min, 'max' => $this->max],
            static fn(?int $bound): bool => $bound !== null,
        );
    }
}
