<?php

declare(strict_types=1);

namespace Rung\Core\Table;

use InvalidArgumentException;
use Rung\Core\Time\Day;

/** In which order a spreadsheet writes a date. */
enum DateForm: string
{
    case YearFirst = 'ymd';
    case DayFirst = 'dmy';
    case MonthFirst = 'mdy';

    private const PARTS = '/^(\d{1,4})[.\/ -](\d{1,2})[.\/ -](\d{1,4})(?:[T ].*)?$/';

    /**
     * The forms in which every date makes sense, the likeliest first; none where there is none.
     *
     * @param list<string> $dates
     *
     * @return list<self>
     */
    public static function fitting(array $dates): array
    {
        return array_values(
            array_filter(
                self::cases(),
                static fn(self $form): bool => array_filter(
                    $dates,
                    static fn(string $date): bool => $form->day($date) === null,
                ) === [],
            ),
        );
    }

    /** Null where the text is no date of this form. A year of two digits is one of this century. */
    public function day(string $text): ?Day
    {
        if (preg_match(self::PARTS, trim($text), $part) !== 1) {
            return null;
        }
        [$year, $month, $day] = match ($this) {
            self::YearFirst => [$part[1], $part[2], $part[3]],
            self::DayFirst => [$part[3], $part[2], $part[1]],
            self::MonthFirst => [$part[3], $part[1], $part[2]],
        };
        if (strlen($year) === 2 && $this !== self::YearFirst) {
            $year = "20$year";
        }
        if (strlen($year) !== 4 || strlen($day) > 2) {
            return null;
        }
        try {
            return Day::fromIso(sprintf('%s-%02d-%02d', $year, $month, $day));
        } catch (InvalidArgumentException) {
            return null;
        }
    }
}
