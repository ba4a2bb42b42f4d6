<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\CheckIn as CheckInRow;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Record\CheckIn;
use Rung\Core\Time\Moment;

/**
 * Stores a morning answer, once a morning: of the day on which it was made, or late for the day before. It may have
 * waited on the phone for a while; a day is the athlete's own, wherever that was.
 */
final class LogCheckIn
{
    /** Days that an answer may have waited on a phone. */
    private const WAITED_DAYS = 30;

    private const MOST_A_DAY = 24;

    public function __construct(private readonly WriteCase $write) {}

    /**
     * @param Moment $made when it was entered on the phone
     *
     * @return bool whether it is new; false where this id was stored before, and nothing was changed
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, CheckIn $checkIn, Moment $made): bool
    {
        $for = self::localDay($checkIn->at);
        $late = self::localDay($made)->diffInDays($for) * -1;
        $now = Clock::now($case->practice->timezone);
        if ($late < 0 || $made->micros > $now->micros + (5 * Moment::HOUR) / 60) {
            throw InvalidInput::at('/at', 'must not be tomorrow or later; answer on the morning itself');
        }
        if ($late > 1) {
            throw InvalidInput::at('/at', 'must be today or yesterday; older mornings cannot be filled in');
        }
        if ($now->micros - $made->micros > self::WAITED_DAYS * 24 * Moment::HOUR) {
            throw InvalidInput::at(
                '/at',
                'has waited on this phone for more than ' . self::WAITED_DAYS . ' days; tell your practitioner instead',
            );
        }
        self::checkScore($checkIn);

        return $this->store($case, $by, $checkIn, (int) $late, $for, $made);
    }

    /**
     * An answer that the athlete gave on paper or by telephone, as a practitioner enters it: of any morning since the case
     * was opened. Where the athlete answered it too, what is entered last counts.
     *
     * @return bool whether it is new
     *
     * @throws InvalidInput
     */
    public function forAthlete(CareCase $case, User $by, CheckIn $checkIn): bool
    {
        $now = Clock::now($case->practice->timezone);
        $for = self::localDay($checkIn->at);
        if ($checkIn->at->micros > $now->micros || $for->format('Y-m-d') < $case->opened_on) {
            throw InvalidInput::at('/at', 'must lie between the day the case was opened and now');
        }
        self::checkScore($checkIn);

        return $this->store($case, $by, $checkIn, 0, $for, $now);
    }

    /** @throws InvalidInput */
    private static function checkScore(CheckIn $checkIn): void
    {
        if ($checkIn->provocation === null && ($checkIn->signs ?? []) === []) {
            throw InvalidInput::at('/provocation', 'is needed: score the test from 0 to 10');
        }
    }

    private function store(
        CareCase $case,
        User $by,
        CheckIn $checkIn,
        int $late,
        CarbonImmutable $for,
        Moment $made,
    ): bool {
        return $this->write->run(
            $case,
            $by,
            'answered the morning',
            static fn(CareCase $case): bool => self::put($case, $by, $checkIn, $late, $for, $made),
        );
    }

    /**
     * Within a write to the case.
     *
     * @throws InvalidInput
     */
    public static function put(
        CareCase $case,
        User $by,
        CheckIn $checkIn,
        int $late,
        CarbonImmutable $for,
        Moment $made,
    ): bool {
        if (CheckInRow::isStored($case, $checkIn->id)) {
            return false;
        }
        if ($case->checkIns()->where('local_on', $for->format('Y-m-d'))->count() >= self::MOST_A_DAY) {
            throw InvalidInput::at(
                '/at',
                'is of a day that has ' . self::MOST_A_DAY . ' answers already; tell your practitioner the rest',
            );
        }
        $signs = array_column($checkIn->signs ?? [], 'value');
        [$signs, $isLast] =
            $checkIn->provocation === null ? [$signs, true] : self::inOrder($case, $for, $signs, Clock::utc($made));
        CheckInRow::query()->create([
            'id' => $checkIn->id,
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'at' => Clock::utc($checkIn->at),
            'local_on' => $for->format('Y-m-d'),
            'provocation' => $checkIn->provocation,
            'stiffness_min' => $checkIn->stiffness_min,
            'signs' => $signs,
            'late' => $late > 0,
            'made_at' => Clock::utc($made),
            'superseded' => !$isLast,
            'after_close' => $case->closed_on !== null,
            'entered_by' => $by->role->treats() ? $by->id : null,
            'notes' => $checkIn->notes,
            'created_at' => CarbonImmutable::now()->utc(),
        ]);

        return true;
    }

    /**
     * Of the answers for one morning the one that was entered last counts, whichever comes in last; the signs of all of
     * them stay with it, so that a morning never counts twice and a sign is never lost.
     *
     * @param list<string> $signs
     *
     * @return array{list<string>, bool} the signs of the new answer, and whether it is the one that counts
     */
    private static function inOrder(CareCase $case, CarbonImmutable $for, array $signs, CarbonImmutable $made): array
    {
        foreach (
            $case->checkIns()->where('local_on', $for->format('Y-m-d'))->whereNotNull('provocation')->get()->all()
            as $before
        ) {
            $all = array_values(array_unique([...$signs, ...$before->signs]));
            if ($before->made_at->greaterThan($made)) {
                $before->update(['signs' => $all]);

                return [$signs, false];
            }
            $signs = $all;
            $before->update(['superseded' => true]);
        }

        return [$signs, true];
    }

    /** The date by the offset that a moment was written with. */
    private static function localDay(Moment $moment): CarbonImmutable
    {
        return CarbonImmutable::parse(substr($moment->toIso(), 0, 10), 'UTC');
    }
}
