<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Moment;

/** That a dose was changed; of all prescriptions where it names none. */
final readonly class DoseChange
{
    public function __construct(public Moment $at, public DoseChangeKind $kind, public ?string $prescription = null) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->moment('at'),
            $node->choice('kind', DoseChangeKind::class),
            $node->textOrNull('prescription'),
        );
    }

    public function concerns(string $prescription): bool
    {
        return $this->prescription === null || $this->prescription === $prescription;
    }
}
