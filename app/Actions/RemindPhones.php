<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Consent;
use App\Models\ConsentPurpose;
use App\Models\PlannedSession;
use App\Models\PushPhone;
use App\Push\PushReminder;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Collection;
use Rung\Core\Time\Day;

/** Tells the phones of the current practice what is still open, at the times that their owners chose. */
final class RemindPhones
{
    public function __construct(private readonly PushReminder $push) {}

    /** @return int how many reminders are new */
    public function handle(): int
    {
        $sent = 0;
        foreach (PushPhone::query()->with('user.practice')->get() as $phone) {
            $athlete = $phone->user->athlete_id;
            if ($athlete === null || Consent::isRefused($athlete, ConsentPurpose::Messages)) {
                continue;
            }
            $zone = $phone->user->practice->timezone;
            $now = CarbonImmutable::now($zone);
            $today = Clock::today($zone);
            /** @var Collection<int, CareCase> $cases */
            $cases = CareCase::query()->where('athlete_id', $athlete)->whereNull('closed_on')->get();
            $going = $cases->reject(static fn(CareCase $case): bool => $case->isStopped());
            $due = $phone
                ->reminders()
                ->due(
                    $now->hour * 60 + $now->minute,
                    $going->contains(static fn(CareCase $case): bool => self::morningIsOpen($case, $today)),
                    (int) $going->sum(static fn(CareCase $case): int => self::openSessions($case, $today)),
                    $going->isEmpty(),
                );
            foreach ($due as $kind) {
                $sent += $this->push->handle($phone, $kind, $today->toIso()) ? 1 : 0;
            }
        }

        return $sent;
    }

    private static function morningIsOpen(CareCase $case, Day $today): bool
    {
        $sessions = $case
            ->plannedSessions()
            ->whereIn('on', [$today->plus(-1)->toIso(), $today->toIso()])
            ->where('withdrawn', false)
            ->get()
            ->mapWithKeys(static fn(PlannedSession $planned): array => [$planned->on => $planned->slot])
            ->all();
        $zone = $case->practice->timezone;
        $from = CarbonImmutable::parse($today->toIso(), $zone)->utc();

        return $case->plan()->asksMorning($sessions, $today) &&
            !$case->checkIns()->whereNotNull('provocation')->where('at', '>=', $from)->exists();
    }

    private static function openSessions(CareCase $case, Day $today): int
    {
        return $case
            ->plannedSessions()
            ->where('on', $today->toIso())
            ->where('withdrawn', false)
            ->whereNotIn('id', $case->trainingSessions()->whereNotNull('planned_id')->select('planned_id'))
            ->count();
    }
}
