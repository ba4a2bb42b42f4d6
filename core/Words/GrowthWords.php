<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Block;
use Rung\Core\Dose\Lever;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Phase;
use Rung\Core\Dose\Prescription;
use Rung\Core\Number;

/** Says in which order a dose grows (docs/rules.md, "The next dose"). */
final class GrowthWords
{
    /** "sets to 4, then 2.5 kg more at a time"; null where nothing grows. */
    public static function describe(Prescription $prescription, Catalogue $catalogue): ?string
    {
        $progression = $prescription->progression;
        if ($progression?->blocks !== null) {
            return implode(
                '; ',
                array_map(
                    static fn(Block $block, int $i): string => self::block(
                        $block,
                        $progression->blocks[$i + 1] ?? null,
                    ),
                    $progression->blocks,
                    array_keys($progression->blocks),
                ),
            );
        }
        // Sets that are there already only come back after an ease.
        $growing = array_filter(
            $progression->levers ?? [],
            static fn(Lever $lever): bool => $lever->kind !== LeverKind::Sets || $lever->to > $prescription->dose->sets,
        );
        $levers = array_map(static fn(Lever $lever): string => self::lever($lever, $catalogue), $growing);

        return $levers === [] ? null : implode(', then ', $levers);
    }

    private static function block(Block $block, ?Block $next): string
    {
        $last = $next === null ? null : $next->from_week - 1;
        $weeks = match (true) {
            $last === null => "from week $block->from_week",
            $last === $block->from_week => "week $last",
            default => "weeks {$block->from_week}–$last",
        };

        return "$weeks: $block->sets × $block->reps" . ($block->reps_to === null ? '' : "–$block->reps_to");
    }

    private static function lever(Lever $lever, Catalogue $catalogue): string
    {
        $to = $lever->to === null ? '' : Number::clean($lever->to);
        $increment = $lever->increment_kg === null ? '' : Number::clean($lever->increment_kg) . ' kg more at a time';

        return match ($lever->kind) {
            LeverKind::Hold => "hold to $to s",
            LeverKind::Work => "work to $to s",
            LeverKind::Height => "height to $to cm",
            LeverKind::Reps => "repetitions to $to",
            LeverKind::Sets => "sets to $to",
            LeverKind::Percent => "to $to % of maximum",
            LeverKind::Range => "range to {$to}°",
            LeverKind::RepetitionMaximum => "heavier for fewer repetitions, to $to RM",
            LeverKind::Resistance => 'resistance ' . implode(' → ', $lever->steps ?? []),
            LeverKind::Load => $increment . ($to === '' ? '' : ", to $to kg"),
            LeverKind::Rung => $lever->exercise === null
                ? 'up the ladder'
                : "up the ladder to {$catalogue->titleOf($lever->exercise)}",
            LeverKind::Tempo => match ($lever->phase) {
                Phase::Lift => "lifting in $to s",
                Phase::Lower => "lowering in $to s",
                default => "pause of $to s",
            },
        };
    }
}
