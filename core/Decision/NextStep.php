<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Dose\Dose;

/** What the rules would do with one prescription: a change, with the dose and the exercise that it leads to. */
final readonly class NextStep
{
    private function __construct(
        public Change $change,
        /** Where the change is one of dose or takes one back, else null. */
        public ?Dose $dose = null,
        /** The exercise, where another one is meant and known. */
        public ?string $to = null,
    ) {}

    public static function dose(Dose $dose): self
    {
        return new self(Change::Dose, $dose);
    }

    public static function back(string $exercise, Dose $dose): self
    {
        return new self(Change::Back, $dose, $exercise);
    }

    /** @param string|null $exercise null where no ladder says it */
    public static function rung(Change $change, ?string $exercise): self
    {
        return new self($change, to: $exercise);
    }

    public static function none(Change $change): self
    {
        return new self($change);
    }
}
