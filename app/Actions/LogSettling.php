<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\TrainingSession;
use App\Models\User;

/** Stores how long it took until pain was back to how it was before a session. */
final class LogSettling
{
    public function __construct(private readonly WriteCase $write) {}

    public function handle(TrainingSession $session, User $by, float $minutes): void
    {
        $this->write->run($session->case, $by, 'reported when a session settled', static function () use (
            $session,
            $minutes,
        ): bool {
            $stored = TrainingSession::query()->whereKey($session->id)->firstOrFail();
            if ($stored->settled_min === $minutes) {
                return false;
            }

            return $stored->update(['settled_min' => $minutes]);
        });
    }
}
