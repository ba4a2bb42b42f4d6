<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** How much more a measure usually gives than another one, in percent (docs/rules.md, "Measures"). */
final readonly class MeasureRatio
{
    private function __construct(
        /** The key of the measure that it is compared with. */
        public string $to,
        public int|float $usualFrom,
        public int|float $usualTo,
    ) {}

    public static function read(ObjectNode $node): self
    {
        [$from, $to] = [$node->number('usual_from', -100, 1000), $node->number('usual_to', -100, 1000)];
        if ($to < $from) {
            $node->fault('usual_to', 'must not be under usual_from');
        }

        return new self($node->key('to'), $from, $to);
    }

    /** @return array{to: string, usual_from: int|float, usual_to: int|float} */
    public function toArray(): array
    {
        return ['to' => $this->to, 'usual_from' => $this->usualFrom, 'usual_to' => $this->usualTo];
    }
}
