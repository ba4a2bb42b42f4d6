<?php

declare(strict_types=1);

namespace App\Support;

use App\Actions\RefreshStanding;
use App\Http\Resources\TodayPage;
use App\Models\CareCase;
use Carbon\CarbonImmutable;
use Sabre\VObject\Component\VCalendar;

/** A case's coming sessions, and the morning answer at its usual time, as iCalendar. */
final class SessionCalendar
{
    /** Where no morning was answered yet. */
    private const MORNING = '07:00';

    public function __construct(private readonly TodayPage $today, private readonly RefreshStanding $standing) {}

    public function of(CareCase $case): string
    {
        $zone = $case->practice->timezone;
        $now = CarbonImmutable::now($zone);
        $calendar = new VCalendar(['PRODID' => '-//Rung//Sessions//EN', 'X-WR-CALNAME' => 'Rung']);
        $titles = [];
        foreach ($case->plan()->stages as $stage) {
            foreach ($stage->slots as $slot) {
                $titles[$slot->key] ??= $slot->title ?? 'Session';
            }
        }
        foreach ($case->plannedSessions()->where('on', '>=', $now->format('Y-m-d'))->get()->all() as $planned) {
            $event = $calendar->createComponent('VEVENT', ['UID' => "$planned->id@rung", 'SUMMARY' => $titles[$planned->slot] ?? 'Session', 'TRANSP' => 'TRANSPARENT']);
            $event->add('DTSTART', str_replace('-', '', $planned->on), ['VALUE' => 'DATE']);
            $calendar->add($event);
        }
        $morning = $this->today->of($case, $this->standing->evaluate($case))['morning'];
        $usual = is_array($morning) && is_string($morning['usual']) ? $morning['usual'] : self::MORNING;
        $start = CarbonImmutable::parse($now->format('Y-m-d') . " $usual", $zone)->addDay();
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
