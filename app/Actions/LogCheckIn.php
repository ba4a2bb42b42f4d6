<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CheckIn as CheckInRow;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\CaseFile\CheckIn;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Zone;

/** Stores a morning answer, once a day: of today, or late for the day before. */
final class LogCheckIn
{
    public function __construct(private readonly WriteCase $write) {}

    /**
     * @return bool whether it is new; false where this id was stored before, and nothing was changed
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, CheckIn $checkIn): bool
    {
        $zone = Zone::named($case->practice->timezone);
        $today = Clock::today($case->practice->timezone);
        $age = $today->daysSince($zone->dayOf($checkIn->at));
        if ($age < 0) {
            throw InvalidInput::at('/at', 'must not be tomorrow or later; answer on the morning itself');
        }
        if ($age > 1) {
            throw InvalidInput::at('/at', 'must be today or yesterday; older mornings cannot be filled in');
        }
        if ($checkIn->provocation === null && ($checkIn->signs ?? []) === []) {
            throw InvalidInput::at('/provocation', 'is needed: score the test from 0 to 10');
        }

        return $this->write->run($case, $by, 'answered the morning', static function (CareCase $case) use ($checkIn, $age): bool {
            if (CheckInRow::isStored($case, $checkIn->id)) {
                return false;
            }
            CheckInRow::query()->create([
                'id' => $checkIn->id,
                'practice_id' => $case->practice_id,
                'case_id' => $case->id,
                'at' => Clock::utc($checkIn->at),
                'provocation' => $checkIn->provocation,
                'stiffness_min' => $checkIn->stiffness_min,
                'signs' => array_column($checkIn->signs ?? [], 'value'),
                'late' => $age === 1,
                'notes' => $checkIn->notes,
                'created_at' => CarbonImmutable::now()->utc(),
            ]);

            return true;
        });
    }
}
