<?php

declare(strict_types=1);

namespace Rung\Core\CaseFile;

use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;

/** The person who is treated, as far as the rules need to know. */
final readonly class Athlete
{
    public function __construct(
        public string $name,
        /** Kilograms, 20–300. */
        public int|float|null $body_mass_kg,
        public Goal $goal,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->text('name'),
            $node->numberOrNull('body_mass_kg', DoseArithmetic::MIN_BODY_MASS_KG, DoseArithmetic::MAX_BODY_MASS_KG),
            $node->choice('goal', Goal::class),
        );
    }
}
