<?php

declare(strict_types=1);

namespace App\Access;

use App\Models\Invitation;
use App\Models\Practice;
use App\Support\CurrentPractice;
use Illuminate\Support\Facades\Cache;

/** The code with which the first owner makes the first practice: printed where the server runs, valid once and only as long as there is no practice. */
final class SetupCode
{
    private const KEY = 'setup-code';

    public function __construct(private readonly CurrentPractice $practice) {}

    /** @return string|null a new code in place of any before; null where there is a practice already */
    public function make(): ?string
    {
        if (!$this->isWanted()) {
            return null;
        }
        $code = Invitation::code();
        Cache::forever(self::KEY, Invitation::hash($code));

        return $code;
    }

    public function isWanted(): bool
    {
        return $this->practice->across(static fn(): bool => Practice::query()->doesntExist());
    }

    public function fits(string $typed): bool
    {
        $kept = Cache::get(self::KEY);

        return is_string($kept) && hash_equals($kept, Invitation::hash($typed)) && $this->isWanted();
    }

    public function forget(): void
    {
        Cache::forget(self::KEY);
    }
}
