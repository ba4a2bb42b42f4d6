<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Dose\Starts;

/** A dose in words and signs that a practitioner would write on a sheet. */
final class DoseWords
{
    public static function of(Prescription $prescription): string
    {
        $dose = $prescription->dose;
        $main = match (true) {
            $prescription->mode === Mode::Isometric && $dose->hold_s !== null && $dose->reps > 1 => "$dose->sets × $dose->reps × $dose->hold_s s",
            $prescription->mode === Mode::Isometric && $dose->hold_s !== null => "$dose->sets × $dose->hold_s s",
            $dose->work_s !== null => "$dose->sets × $dose->work_s s",
            default => "$dose->sets × $dose->reps",
        };
        $more = array_filter([
            ($dose->load_kg ?? 0) > 0 ? "at $dose->load_kg kg" : null,
            $dose->resistance !== null ? "with $dose->resistance" : null,
            $dose->percent_mvc !== null ? "$dose->percent_mvc % of maximum" : null,
            $dose->rm !== null ? "({$dose->rm} RM)" : null,
            $dose->range !== null ? "{$dose->range->from_deg}–{$dose->range->to_deg}°" : null,
        ]);

        return trim($main . ' ' . implode(', ', $more));
    }

    /** How a repetition is paced, in the order in which its phases come. */
    public static function tempo(Prescription $prescription): ?string
    {
        $tempo = $prescription->dose->tempo;
        if ($tempo === null) {
            return null;
        }
        $lift = ["lift $tempo->lift_s s", $tempo->top_s > 0 ? "hold $tempo->top_s s" : null];
        $lower = ["lower $tempo->lower_s s", $tempo->bottom_s > 0 ? "pause $tempo->bottom_s s" : null];
        $order = $tempo->starts === Starts::Lift ? [...$lift, ...$lower] : [...$lower, ...$lift];

        return implode(' · ', array_filter($order));
    }

    public static function limbs(Limbs $limbs): string
    {
        return match ($limbs) {
            Limbs::Affected => 'the sore side',
            Limbs::Each => 'each side',
            Limbs::Together => 'both together',
        };
    }
}
