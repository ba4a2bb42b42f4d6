<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Record\Sign;
use Rung\Core\Response\ResponseFigures;
use Rung\Core\Response\VerdictReason;
use Rung\Core\Snapshot\ReportedStop;

/** Says what a session was answered with, and what was reported that asks for a stop. */
final class ResponseWords
{
    private const SIGN = 'sign:';

    /** One response: what was done to the baseline. */
    public static function response(ResponseFigures $figures): string
    {
        $parts = [];
        if ($figures->during !== null) {
            $parts[] = "pain $figures->during of 10 during";
        }
        if ($figures->nextDay !== null) {
            $parts[] =
                "next morning $figures->nextDay" .
                ($figures->baseline === null ? '' : ' against ' . $figures->roundedBaseline());
        }

        return ucfirst(implode(', ', $parts)) . ($parts === [] ? '' : '.');
    }

    /** The same with the verdict's reasons. */
    public static function verdict(ResponseFigures $figures): string
    {
        return trim(self::response($figures) . ' ' . ucfirst(implode(', ', self::reasons($figures))));
    }

    /** @return list<string> the verdict's reasons, in words */
    public static function reasons(ResponseFigures $figures): array
    {
        return array_map(
            static fn(string $code): string => str_starts_with($code, self::SIGN)
                ? self::sign(Sign::from(substr($code, strlen(self::SIGN))))
                : self::reason(VerdictReason::from($code)),
            $figures->reasons,
        );
    }

    public static function sign(Sign $sign): string
    {
        return match ($sign) {
            Sign::SuddenPop => 'a sudden pop',
            Sign::LossOfFunction => 'loss of function',
            Sign::Swelling => 'swelling',
            Sign::Fever => 'warmth or fever',
            Sign::NightPain => 'unexplained pain at night',
            Sign::Numbness => 'numbness or weakness',
            Sign::GivingWay => 'giving way',
            Sign::Locking => 'locking',
            Sign::Trauma => 'a fall or blow',
            Sign::NightAche => 'aching in the night after loading',
        };
    }

    /** What was reported: "swelling, pain 8 of 10". */
    public static function stop(ReportedStop $stop): string
    {
        return implode(', ', [
            ...array_map(self::sign(...), $stop->signs),
            ...$stop->level === null ? [] : ["pain $stop->level of 10"],
        ]);
    }

    private static function reason(VerdictReason $reason): string
    {
        return match ($reason) {
            VerdictReason::PainAtStopLevel => 'pain at the stop level',
            VerdictReason::DuringOverMax => 'pain during was over the limit',
            VerdictReason::SlowToSettle => 'slow to settle',
            VerdictReason::NextDayOverMax => 'next morning over the limit',
            VerdictReason::NextDayRise => 'next morning clearly up on baseline',
            VerdictReason::StiffnessRise => 'stiffer next morning',
            VerdictReason::NightAche => 'ached in the night',
            VerdictReason::SecondDayRise => 'still up on the second morning',
            VerdictReason::AwaitingAnswer => 'waiting for the next morning',
            VerdictReason::NoPainLogged => 'no pain logged',
            VerdictReason::NoBaseline => 'no baseline before it',
            VerdictReason::NoAnswer => 'no answer next morning',
            VerdictReason::SmallNextDayRise => 'slightly up next morning',
            VerdictReason::ExercisePainRise => 'an exercise hurt 2 points more than before',
            VerdictReason::RetestWorse => 'the test was worse after an exercise',
            VerdictReason::BelowTargetPain => 'under the pain asked for',
        };
    }
}
