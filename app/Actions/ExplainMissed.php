<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\User;
use App\Support\Clock;
use Rung\Core\Input\InvalidInput;

/** Why a planned session was not done, in the athlete's words; empty takes it back. */
final class ExplainMissed
{
    public function __construct(private readonly WriteCase $write) {}

    /** @throws InvalidInput where it lies ahead or was done */
    public function handle(CareCase $case, User $by, PlannedSession $planned, string $why): void
    {
        $today = Clock::today($case->practice->timezone)->toIso();
        if ($planned->on > $today) {
            throw InvalidInput::at('/why', 'can be given from the day of the session on');
        }
        $this->write->run($case, $by, 'reported a missed session', static function (CareCase $case) use (
            $planned,
            $why,
        ): bool {
            if (trim($why) !== '' && $case->trainingSessions()->where('planned_id', $planned->id)->exists()) {
                throw InvalidInput::at('/why', 'is not needed: that session was done');
            }
            $why = trim($why) === '' ? null : trim($why);

            return $planned->missed_why !== $why && $planned->update(['missed_why' => $why]);
        });
    }
}
