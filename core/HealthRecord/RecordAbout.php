<?php

declare(strict_types=1);

namespace Rung\Core\HealthRecord;

use Rung\Core\Time\Day;

/** What a health record holds beside the case file; all of it may be unknown. It is not read again. */
final readonly class RecordAbout
{
    public function __construct(
        public ?Day $bornOn = null,
        public ?Day $beganOn = null,
        public ?Day $closedOn = null,
        public ?Day $goalOn = null,
        public ?string $programme = null,
        public ?string $practitioner = null,
        public ?string $practice = null,
    ) {}
}
