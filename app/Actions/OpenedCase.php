<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;

/** A case that was opened, with the first password of an athlete who is new: shown once, to be handed over. */
final readonly class OpenedCase
{
    /** @param bool $new false where the same opening had been sent before, and nothing was changed */
    public function __construct(public CareCase $case, public ?string $password, public bool $new = true) {}
}
