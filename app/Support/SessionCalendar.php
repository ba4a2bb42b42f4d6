<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use Carbon\CarbonImmutable;
use Rung\Core\Words\TodayWords;
use Sabre\VObject\Component\VCalendar;

/** An athlete's coming sessions, and the morning answer at its usual time, as iCalendar; under a stop that loading waits. */
final class SessionCalendar
{
    /** Where no morning was answered yet. */
    private const MORNING = '07:00';

    /** Days for which it is told that loading waits. */
    private const STOPPED_DAYS = 7;

    /** @param list<CareCase> $cases open ones of one athlete */
    public static function of(array $cases, string $zone): string
    {
        $now = CarbonImmutable::now($zone);
        $calendar = new VCalendar(['PRODID' => '-//Rung//Sessions//EN', 'X-WR-CALNAME' => 'Rung']);
        $mornings = [];
        foreach ($cases as $case) {
            if (($case->standing['stopped'] ?? false) === true) {
                self::day($calendar, "stopped-$case->id@rung", TodayWords::STOPPED, $now->format('Y-m-d'), self::STOPPED_DAYS);
                continue;
            }
            $plan = $case->plan();
            foreach ($case->plannedSessions()->where('on', '>=', $now->format('Y-m-d'))->get()->all() as $planned) {
                self::day($calendar, "$planned->id@rung", $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session', $planned->on);
            }
            $mornings[] = UsualMorning::of($case) ?? self::MORNING;
        }
        if ($mornings !== []) {
            $start = CarbonImmutable::parse($now->format('Y-m-d') . ' ' . min($mornings), $zone)->addDay();
            $daily = $calendar->createComponent('VEVENT', [
                'UID' => "morning-{$cases[0]->athlete_id}@rung",
                'SUMMARY' => 'Morning answer',
                'DTSTART' => $start->toDateTimeImmutable(),
                'DTEND' => $start->addMinutes(5)->toDateTimeImmutable(),
                'RRULE' => 'FREQ=DAILY',
            ]);
            $daily->add('VALARM', ['TRIGGER' => 'PT0M', 'ACTION' => 'DISPLAY', 'DESCRIPTION' => 'Morning answer']);
            $calendar->add($daily);
        }

        return $calendar->serialize();
    }

    private static function day(VCalendar $calendar, string $id, string $title, string $on, int $days = 1): void
    {
        $event = $calendar->createComponent('VEVENT', ['UID' => $id, 'SUMMARY' => $title, 'TRANSP' => 'TRANSPARENT']);
        $event->add('DTSTART', str_replace('-', '', $on), ['VALUE' => 'DATE']);
        if ($days > 1) {
            $event->add('DTEND', CarbonImmutable::parse($on)->addDays($days)->format('Ymd'), ['VALUE' => 'DATE']);
        }
        $calendar->add($event);
    }
}
