<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use Carbon\CarbonImmutable;
use Sabre\VObject\Component\VCalendar;

/** A case's coming sessions, and the morning answer at its usual time, as iCalendar. */
final class SessionCalendar
{
    /** Where no morning was answered yet. */
    private const MORNING = '07:00';

    public static function of(CareCase $case): string
    {
        $zone = $case->practice->timezone;
        $now = CarbonImmutable::now($zone);
        $calendar = new VCalendar(['PRODID' => '-//Rung//Sessions//EN', 'X-WR-CALNAME' => 'Rung']);
        $plan = $case->plan();
        foreach ($case->plannedSessions()->where('on', '>=', $now->format('Y-m-d'))->get()->all() as $planned) {
            $title = $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session';
            $event = $calendar->createComponent('VEVENT', ['UID' => "$planned->id@rung", 'SUMMARY' => $title, 'TRANSP' => 'TRANSPARENT']);
            $event->add('DTSTART', str_replace('-', '', $planned->on), ['VALUE' => 'DATE']);
            $calendar->add($event);
        }
        $start = CarbonImmutable::parse($now->format('Y-m-d') . ' ' . (UsualMorning::of($case) ?? self::MORNING), $zone)->addDay();
        $daily = $calendar->createComponent('VEVENT', [
            'UID' => "morning-$case->id@rung",
            'SUMMARY' => 'Morning answer',
            'DTSTART' => $start->toDateTimeImmutable(),
            'DTEND' => $start->addMinutes(5)->toDateTimeImmutable(),
            'RRULE' => 'FREQ=DAILY',
        ]);
        $daily->add('VALARM', ['TRIGGER' => 'PT0M', 'ACTION' => 'DISPLAY', 'DESCRIPTION' => 'Morning answer']);
        $calendar->add($daily);

        return $calendar->serialize();
    }
}
