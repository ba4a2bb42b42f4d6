<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;

/** A case that was opened, with what an athlete who is new signs in with: shown once, to be handed over. */
final readonly class OpenedCase
{
    /**
     * @param array{name: string, password: string}|null $signIn null where the athlete was known
     * @param bool $new false where the same opening had been sent before, and nothing was changed
     */
    public function __construct(public CareCase $case, public ?array $signIn, public bool $new = true) {}
}
