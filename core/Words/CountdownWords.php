<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Simulation\Countdown;
use Rung\Core\Simulation\CountdownStage;
use Rung\Core\Simulation\Pace;
use Rung\Core\Time\Day;
use Rung\Core\Time\TimeWords;

/** Says what a day that is to be kept asks of the stages before it (docs/rules.md, "Ready by a day"). */
final class CountdownWords
{
    public const NOTE = 'Worked out from the gates, and from how the programme goes for two made-up athletes: a steady one, and one who misses a session in four and flares four times. It is no forecast for a person, and no reason to go on before a gate is open.';

    /** "Springs must begin by Sun 20 Dec. As things stand it begins between Tue 15 Dec and Tue 29 Dec." */
    public static function stage(CountdownStage $stage, string $title): string
    {
        return "$title must begin by " .
            TimeWords::day($stage->mustBegin) .
            '. As things stand it begins ' .
            self::span($stage->soonest, $stage->latest) .
            '.';
    }

    /** "Ready between Mon 18 Jan and Mon 8 Feb: by Sun 24 Jan only where all goes well." */
    public static function ready(Countdown $countdown): string
    {
        if ($countdown->soonest === null) {
            return 'The end of the last stage cannot be estimated.';
        }
        $by = TimeWords::day($countdown->by);

        return 'Ready ' .
            self::span($countdown->soonest, $countdown->latest) .
            match ($countdown->pace()) {
                Pace::Enough => ": by $by there is time.",
                Pace::Tight => ": by $by only where all goes well.",
                default => ': ' . $countdown->soonest->daysSince($countdown->by) . " days after $by at the soonest.",
            };
    }

    private static function span(Day $soonest, ?Day $latest): string
    {
        return match (true) {
            $latest === null => 'on ' . TimeWords::day($soonest) . ' at the soonest',
            $latest->number === $soonest->number => 'on ' . TimeWords::day($soonest),
            default => 'between ' . TimeWords::day($soonest) . ' and ' . TimeWords::day($latest),
        };
    }
}
