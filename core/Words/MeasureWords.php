<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Catalogue\Measure;
use Rung\Core\Catalogue\MeasureRatio;
use Rung\Core\Dose\Prescription;
use Rung\Core\Measuring\Meaning;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Measuring\MeasureGate;
use Rung\Core\Number;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Strength\Tries;
use Rung\Core\Strength\TriesVerdict;
use Rung\Core\Time\TimeWords;

/** Says what was measured, how it changed, and what is due (docs/rules.md, "Measures over time"). */
final class MeasureWords
{
    /** How the followed value stands beside the first one. */
    public static function course(MeasureCourse $course): string
    {
        $latest = $course->latest();
        if ($latest === null) {
            return 'Not measured yet.';
        }
        $first = $course->points[0];
        if ($latest->change === null || $latest->meaning === null) {
            return 'Measured once, on ' . TimeWords::day($first->taken->on) . '.';
        }
        $which = $latest->taken->unaffected === null ? '' : ($course->bothSides ? 'Weaker side ' : 'Sore side ');
        $change =
            $latest->changePercent === null
                ? self::signed(Number::tenth($latest->change)) . " {$course->measure->unit}"
                : self::signed(Number::tenth($latest->changePercent)) . ' %';

        return "$which$change since " .
            TimeWords::day($first->taken->on) .
            ': ' .
            match ($latest->meaning) {
                Meaning::Better => 'better, by more than ' . self::noise($course->measure) . '.',
                Meaning::Worse => 'worse, by more than ' . self::noise($course->measure) . '.',
                Meaning::Noise => 'within ' . self::noise($course->measure) . ', so no change that matters.',
            };
    }

    /** The noise of a measure: "the noise of the measure (15 %)". */
    public static function noise(Measure $measure): string
    {
        return 'the noise of the measure (' .
            ($measure->smallestChange === null
                ? "$measure->smallestChangePercent %"
                : "$measure->smallestChange $measure->unit") .
            ')';
    }

    /** Why the gate needs a measure again; null where it does not. */
    public static function due(MeasureGate $gate): ?string
    {
        return $gate->isDue ? self::neededWithin($gate->daysAgo, $gate->criterion->countsForDays()) : null;
    }

    /** @param int|null $daysAgo since it was measured last; null where it never was */
    public static function neededWithin(?int $daysAgo, int $days): string
    {
        return $daysAgo === null
            ? "never measured; the gate needs one within $days days"
            : "last $daysAgo days ago; the gate needs one within $days";
    }

    /** How a measure is taken: "Each side, 3 tries with 60 s between, higher is better, changes under 15 % are noise". */
    public static function measure(Measure $measure): string
    {
        return implode(', ', [
            $measure->eachSide ? 'Each side' : 'Both sides together',
            $measure->tries === 1
                ? 'one try'
                : "$measure->tries tries" . ($measure->restS === 0 ? '' : " with $measure->restS s between"),
            $measure->higherIsBetter ? 'higher is better' : 'lower is better',
            'a change under ' .
            ($measure->smallestChange === null
                ? "$measure->smallestChangePercent %"
                : "$measure->smallestChange $measure->unit") .
            ' is noise',
        ]);
    }

    /** How much more one measure gives than another, beside what is usual. */
    public static function ratio(MeasureCourse $course, MeasureCourse $other, MeasureRatio $ratio): string
    {
        $percent = $course->percentOver($other);
        $usual = "$ratio->usualFrom to $ratio->usualTo % is usual";

        return $percent === null
            ? "Compared with {$other->measure->title}: $usual; both have to be measured."
            : self::signed(Number::tenth($percent)) . " % against {$other->measure->title}; $usual.";
    }

    /** What a measured maximum says about the load of an exercise. */
    public static function load(Prescription $prescription, int|float $load): string
    {
        $now = $prescription->dose->load_kg;

        return "$load kg for " .
            SuggestionWords::asked($prescription) .
            ($now === null ? '; no load is prescribed yet' : "; $now kg is prescribed");
    }

    /**
     * What it says about a hold at a share of it.
     *
     * @param array{value: int|float, low: int|float, high: int|float} $band
     */
    public static function band(Prescription $prescription, array $band, string $unit): string
    {
        return "hold at {$band['value']} $unit ({$band['low']} to {$band['high']}), {$prescription->dose->percent_mvc} % of it";
    }

    /**
     * The force to hold, in words for the athlete: "70 % of your maximum is 182 N; stay between 169 and 195".
     *
     * @param array{value: int|float, low: int|float, high: int|float} $band
     */
    public static function held(Prescription $prescription, StrengthTest $test, array $band): string
    {
        return "{$prescription->dose->percent_mvc} % of your maximum is {$band['value']} $test->unit; stay between {$band['low']} and {$band['high']}. Measured on " .
            TimeWords::day($test->on) .
            '.';
    }

    /**
     * The same as a practitioner reads it: "70 % of 260 N measured on Tue 14 Apr: 182 N (169 to 195)".
     *
     * @param array{value: int|float, low: int|float, high: int|float} $band
     */
    public static function shareOf(
        Prescription $prescription,
        int|float $maximum,
        StrengthTest $test,
        array $band,
    ): string {
        return "{$prescription->dose->percent_mvc} % of $maximum $test->unit measured on " .
            TimeWords::day($test->on) .
            ": {$band['value']} $test->unit ({$band['low']} to {$band['high']})";
    }

    /** What comes after a try. */
    public static function tries(Tries $tries, int $taken, int $asked): string
    {
        $spread = $tries->spreadPercent === null ? '' : Number::tenth($tries->spreadPercent) . ' %';

        return match ($tries->verdict) {
            TriesVerdict::Go => "Try $taken of $asked.",
            TriesVerdict::OnceMore => "The tries differ by $spread, over " . Tries::MOST_SPREAD . ' %: once more.',
            TriesVerdict::Done => $spread === '' ? 'Done.' : "The tries agree within $spread.",
            TriesVerdict::Unsteady
                => "The tries still differ by $spread. The best one stands; say so in a note, or measure again on another day.",
        };
    }

    private static function signed(int|float $number): string
    {
        return ($number > 0 ? '+' : '') . strtr((string) $number, ['-' => '−']);
    }
}
