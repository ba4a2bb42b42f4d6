<?php

declare(strict_types=1);

namespace Rung\Core\Prescribe;

use Rung\Core\Decision\NextStep;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Time\Day;

/** A number that follows from what was tested or logged, offered for a field of a dose. */
final readonly class Suggestion
{
    /** @param array{value: int|float, low: int|float, high: int|float}|null $target in the unit of the test */
    public function __construct(
        public SuggestionKind $kind,
        /** Kilograms, or an effort out of ten; null where there is no number. */
        public int|float|null $value = null,
        /** The field of the dose that the value is for; null where it is only for information. */
        public ?string $field = null,
        /** The set that it rests on, and its day. */
        public ?LoggedSet $set = null,
        public ?Day $on = null,
        public ?StrengthTest $test = null,
        public ?array $target = null,
        public ?NextStep $step = null,
        /** The measured maximum that it is worked out from, in the unit of the test. */
        public int|float|null $maximum = null,
    ) {}
}
