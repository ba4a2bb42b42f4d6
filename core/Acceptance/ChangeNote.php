<?php

declare(strict_types=1);

namespace Rung\Core\Acceptance;

use Rung\Core\Dose\Prescription;

/** What differs for one prescription, or for the whole stage (`before` null); `after` is null where nothing could be changed or it rests. */
final readonly class ChangeNote
{
    public function __construct(
        public ?Prescription $before,
        public ?Prescription $after,
        /** In words fit for the record and the athlete. */
        public string $words,
    ) {}
}
