<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\CareCase;
use App\Models\User;
use Sabre\VObject\Component\VCalendar;

/**
 * A practitioner's days as iCalendar: reviews that are due, and the shows of the athletes whom they treat. Whoever has the
 * address can read it, so athletes stand there by their initials, and nothing is said of how they are.
 */
final class WorkCalendar
{
    private const SHOW_DAYS = 120;

    /** @return array{string, list<CareCase>} the file, and the cases in it */
    public static function forPractitioner(User $practitioner): array
    {
        $zone = $practitioner->practice->timezone;
        $today = Clock::today($zone);
        $calendar = new VCalendar(['PRODID' => '-//Rung//Work//EN', 'X-WR-CALNAME' => 'Rung: reviews and shows']);
        TimezonePart::add($calendar, $zone);
        $cases = array_values(
            CareCase::query()
                ->with('athlete')
                ->where('practitioner_id', $practitioner->id)
                ->whereNull('closed_on')
                ->orderBy('opened_on')
                ->get()
                ->all(),
        );
        foreach ($cases as $case) {
            $who = self::initials($case->athlete->name);
            if ($case->review_on !== null) {
                SessionCalendar::day(
                    $calendar,
                    "review-$case->id@rung",
                    "Review: $who",
                    max($case->review_on, $today->toIso()),
                );
            }
            foreach ($case->events as $event) {
                if (!$today->isAfter($event) && $event->daysSince($today) <= self::SHOW_DAYS) {
                    SessionCalendar::day(
                        $calendar,
                        "show-$case->id-{$event->toIso()}@rung",
                        "Show: $who",
                        $event->toIso(),
                    );
                }
            }
        }

        return [$calendar->serialize(), $cases];
    }

    private static function initials(string $name): string
    {
        return implode(
            ' ',
            array_map(
                static fn(string $part): string => mb_substr($part, 0, 1) . '.',
                preg_split('/\s+/u', trim($name), -1, PREG_SPLIT_NO_EMPTY) ?: [],
            ),
        );
    }
}
