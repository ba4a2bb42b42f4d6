<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

/** A criterion that looks at one prescription of its stage. */
interface OverPrescription
{
    public function prescription(): string;
}
