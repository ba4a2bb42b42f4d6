<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** What was asked before the latest raise: an exercise and its dose. */
final readonly class RungDose
{
    public function __construct(public string $exercise, public Dose $dose) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('exercise'), $node->child('dose', Dose::read(...)));
    }

    /** @return array{exercise: string, dose: array<string, mixed>} */
    public function toArray(): array
    {
        return ['exercise' => $this->exercise, 'dose' => $this->dose->toArray()];
    }
}
