<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Exercise;

/** The exercise with which a prescription of the plan begins, and why. */
final readonly class RungChoice
{
    /**
     * @param list<string> $reasons in words, the weightiest first
     * @param list<Exercise> $alternatives other rungs that could be taken, easier to harder
     */
    public function __construct(
        public Prescription $prescription,
        public Exercise $exercise,
        public array $reasons,
        public array $alternatives,
        /** The trial in the room that decided the rung; null where none did. */
        public ?Trial $tried = null,
    ) {}
}
