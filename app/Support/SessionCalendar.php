<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\PlannedSession;
use App\Models\TrainingSession;
use Carbon\CarbonImmutable;
use Rung\Core\Calendar\Slot;
use Rung\Core\Words\TodayWords;
use Sabre\VObject\Component\VCalendar;
use Sabre\VObject\Component\VEvent;

/** An athlete's coming sessions, and the morning answer at its usual time, as iCalendar; under a stop that loading waits. */
final class SessionCalendar
{
    /** Where no morning was answered yet. */
    private const MORNING = '07:00';

    /** Where nothing was trained yet. */
    private const TRAINING = '17:00';

    /** Latest sessions that the usual time is found from. */
    private const STARTS = 9;

    private const SESSION_MIN = 30;

    /** Days for which the calendar says that loading waits. */
    private const STOPPED_DAYS = 7;

    /** @param list<CareCase> $cases open ones of one athlete */
    public static function forCases(array $cases, string $zone): string
    {
        $now = CarbonImmutable::now($zone);
        $calendar = new VCalendar(['PRODID' => '-//Rung//Sessions//EN', 'X-WR-CALNAME' => 'Rung']);
        TimezonePart::add($calendar, $zone);
        $mornings = [];
        foreach ($cases as $case) {
            if ($case->isStopped()) {
                self::day(
                    $calendar,
                    "stopped-$case->id@rung",
                    TodayWords::STOPPED,
                    $now->format('Y-m-d'),
                    self::STOPPED_DAYS,
                );
                continue;
            }
            $plan = $case->plan();
            $usual = self::usualStart($case, $zone);
            foreach ($case->plannedSessions()->where('on', '>=', $now->format('Y-m-d'))->get()->all() as $planned) {
                $slot = $plan->stage($planned->stage)?->slot($planned->slot);
                self::timed(
                    $calendar,
                    "$planned->id@rung",
                    $slot?->name() ?? 'Session',
                    self::start($planned, $slot, $usual, $zone),
                    self::SESSION_MIN,
                );
            }
            $mornings[] = UsualMorning::forCase($case) ?? self::MORNING;
        }
        if ($mornings !== []) {
            $start = CarbonImmutable::parse($now->format('Y-m-d') . ' ' . min($mornings), $zone)->addDay();
            self::timed($calendar, "morning-{$cases[0]->athlete_id}@rung", 'Morning answer', $start, 5)->add(
                'RRULE',
                'FREQ=DAILY',
            );
        }

        return $calendar->serialize();
    }

    /** At the time that the practice set; else when the athlete usually trains, several of a day shared out over it. */
    private static function start(PlannedSession $planned, ?Slot $slot, string $usual, string $zone): CarbonImmutable
    {
        $set = $slot?->timeOf($planned->number);

        return $set === null
            ? CarbonImmutable::parse("$planned->on $usual", $zone)->addHours(
                ($planned->number - 1) * TodayWords::leastHours($slot->times_per_day ?? 1),
            )
            : CarbonImmutable::parse("$planned->on {$set->toText()}", $zone);
    }

    /** When the athlete usually trains: the middle one of the latest starts. */
    private static function usualStart(CareCase $case, string $zone): string
    {
        $starts = $case
            ->trainingSessions()
            ->reorder('started_at', 'desc')
            ->limit(self::STARTS)
            ->get()
            ->map(
                static fn(TrainingSession $session): string => $session->started_at->setTimezone($zone)->format('H:i'),
            )
            ->sort()
            ->values()
            ->all();

        return $starts[intdiv(count($starts), 2)] ?? self::TRAINING;
    }

    private static function timed(
        VCalendar $calendar,
        string $id,
        string $title,
        CarbonImmutable $start,
        int $minutes,
    ): VEvent {
        $event = $calendar->createComponent('VEVENT', [
            'UID' => $id,
            'SUMMARY' => $title,
            'DTSTART' => $start->toDateTimeImmutable(),
            'DTEND' => $start->addMinutes($minutes)->toDateTimeImmutable(),
        ]);
        assert($event instanceof VEvent);
        $event->add('VALARM', ['TRIGGER' => 'PT0M', 'ACTION' => 'DISPLAY', 'DESCRIPTION' => $title]);
        $calendar->add($event);

        return $event;
    }

    /** A day, or several, that block no time. */
    public static function day(VCalendar $calendar, string $id, string $title, string $on, int $days = 1): void
    {
        $event = $calendar->createComponent('VEVENT', ['UID' => $id, 'SUMMARY' => $title, 'TRANSP' => 'TRANSPARENT']);
        $event->add('DTSTART', str_replace('-', '', $on), ['VALUE' => 'DATE']);
        if ($days > 1) {
            $event->add('DTEND', CarbonImmutable::parse($on)->addDays($days)->format('Ymd'), ['VALUE' => 'DATE']);
        }
        $calendar->add($event);
    }
}
