<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Acceptance\LoadSource;
use Rung\Core\Acceptance\NextLoad;
use Rung\Core\Decision\Asked;
use Rung\Core\Decision\Because;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Dose\Starts;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\SideSet;
use Rung\Core\Time\TimeWords;

/** A dose in words and signs that a practitioner would write on a sheet. */
final class DoseWords
{
    /** Repetitions that are left in reserve while a weight is looked for and the dose does not say. */
    private const USUAL_RESERVE = 2;

    /** @param bool $isMeasured whether a maximum was measured: only then is the intensity given as a share of it, otherwise as an effort */
    public static function describe(Prescription $prescription, bool $isMeasured = false): string
    {
        $dose = $prescription->dose;
        $main = match (true) {
            $prescription->mode === Mode::Isometric && $dose->hold_s !== null && $dose->reps > 1 => "$dose->sets × " .
                self::span($dose->reps, $dose->reps_to) .
                ' × ' .
                self::span($dose->hold_s, $dose->hold_to_s) .
                ' s',
            $prescription->mode === Mode::Isometric && $dose->hold_s !== null => "$dose->sets × " .
                self::span($dose->hold_s, $dose->hold_to_s) .
                ' s',
            $dose->work_s !== null => "$dose->sets × " . self::span($dose->work_s, $dose->work_to_s) . ' s',
            default => "$dose->sets × " . self::span($dose->reps, $dose->reps_to),
        };
        $more = array_filter([
            $dose->resistance !== null ? "with $dose->resistance" : null,
            $dose->height_cm !== null ? "$dose->height_cm cm high" : null,
            self::intensity($prescription, $isMeasured),
            $dose->rm !== null && $dose->rm !== $dose->reps ? "as {$dose->rm} RM" : null,
            $dose->rir !== null ? "$dose->rir in reserve" : null,
            $dose->range !== null ? "{$dose->range->from_deg}–{$dose->range->to_deg}°" : null,
        ]);

        $load = ($dose->load_kg ?? 0) > 0 ? " at $dose->load_kg kg" : '';

        return implode(', ', [$main . $load, ...$more]);
    }

    /** What the next session asks inside a corridor, and why; null where the dose has none. */
    public static function asked(Asked $asked, bool $isMeasured): ?string
    {
        $why = match ($asked->because) {
            Because::Fixed => null,
            Because::Start => 'begins at the lower end',
            Because::Eased => 'the last session was too much',
            Because::Short => 'the last session was not done in full',
            Because::Kept => 'as it was done last',
            Because::Capped => 'more failed before',
            Because::Full => 'the upper end is reached and settles',
            Because::Grown => 'the last session settled',
        };

        return $why === null
            ? null
            : 'Next session: ' . self::describe($asked->asPrescription(), $isMeasured) . " ($why)";
    }

    /** An effort of 7 out of ten stands for about 70 percent of a maximum. */
    private static function intensity(Prescription $prescription, bool $isMeasured): ?string
    {
        $dose = $prescription->dose;
        $effort = $dose->effort ?? ($dose->percent_mvc === null ? null : round($dose->percent_mvc / 10));

        return match (true) {
            $isMeasured && $dose->percent_mvc !== null => "$dose->percent_mvc % of maximum",
            $effort !== null => "effort $effort of 10",
            default => null,
        };
    }

    /** What to pick up where the dose does not say: what was lifted last, or how to find it. */
    public static function load(NextLoad $load, Prescription $prescription): string
    {
        if ($load->source === LoadSource::Lifted) {
            return "$load->kg kg, as last lifted" . ($load->on === null ? '' : ' on ' . TimeWords::day($load->on));
        }
        $dose = $prescription->dose;
        $asks = match (true) {
            $prescription->mode === Mode::Isometric => 'that you can hold to the last second at ' .
                (self::intensity($prescription, false) ?? 'effort 7 of 10'),
            $dose->rm !== null => "that you can lift $dose->rm times and no more",
            default => 'that leaves ' . ($dose->rir ?? self::USUAL_RESERVE) . ' more repetitions in you',
        };

        return "Load to be found: a weight $asks. Start light, three tries at most, and write down what it was.";
    }

    private static function span(int|float $from, int|float|null $to): string
    {
        return $to === null ? (string) $from : "{$from}–{$to}";
    }

    /** What differs between two doses of an exercise, each with its old and new value. */
    public static function difference(Prescription $before, Prescription $after): string
    {
        [$old, $new] = [$before->dose, $after->dose];
        $fields = [
            ['sets', $old->sets, $new->sets, ''],
            ['reps', $old->reps, $new->reps, ''],
            ['reps up to', $old->reps_to, $new->reps_to, ''],
            ['hold', $old->hold_s, $new->hold_s, ' s'],
            ['hold up to', $old->hold_to_s, $new->hold_to_s, ' s'],
            ['work', $old->work_s, $new->work_s, ' s'],
            ['work up to', $old->work_to_s, $new->work_to_s, ' s'],
            ['grows by', $old->grow_by, $new->grow_by, ''],
            ['grows after so many settled sessions', $old->grow_after, $new->grow_after, ''],
            [
                'load',
                $old->load_kg ?? self::asFound($old),
                $new->load_kg ?? self::asFound($new),
                $new->load_kg === null ? '' : ' kg',
            ],
            ['band', $old->resistance, $new->resistance, ''],
            ['height', $old->height_cm, $new->height_cm, ' cm'],
            ['in reserve', $old->rir, $new->rir, ''],
            ['RM aimed at', $old->rm, $new->rm, ''],
            ['effort', $old->effort, $new->effort, ' of 10'],
            ['body part lifted', $old->body_fraction, $new->body_fraction, ''],
            ['landings a repetition', $old->contacts_per_rep, $new->contacts_per_rep, ''],
            ['intensity', $old->percent_mvc, $new->percent_mvc, ' %'],
            ['range from', $old->range?->from_deg, $new->range?->from_deg, '°'],
            ['range to', $old->range?->to_deg, $new->range?->to_deg, '°'],
            ['lift', $old->tempo?->lift_s, $new->tempo?->lift_s, ' s'],
            ['pause at the top', $old->tempo?->top_s, $new->tempo?->top_s, ' s'],
            ['lower', $old->tempo?->lower_s, $new->tempo?->lower_s, ' s'],
            ['pause at the bottom', $old->tempo?->bottom_s, $new->tempo?->bottom_s, ' s'],
            ['first phase', $old->tempo?->starts->value, $new->tempo?->starts->value, ''],
            ['beats a minute', $old->beats_per_min, $new->beats_per_min, ''],
            ['times a day', $old->times_per_day, $new->times_per_day, ''],
            ['rest', $old->rest_s, $new->rest_s, ' s'],
        ];
        $changed = array_filter($fields, static fn(array $row): bool => $row[1] != $row[2]);

        return implode(
            ', ',
            array_map(
                static fn(array $row): string => $row[0] .
                    ' ' .
                    ($row[1] ?? 'none') .
                    ' → ' .
                    ($row[2] ?? 'none') .
                    $row[3],
                $changed,
            ),
        );
    }

    /** A repetition maximum without its weight leaves it to be found: that is not the same as no weight. */
    private static function asFound(Dose $dose): ?string
    {
        return $dose->rm === null ? null : 'as found';
    }

    /** One set as it was done: "8 at 40 kg, 2 in reserve". */
    public static function set(LoggedSet $set): string
    {
        $main =
            $set->left === null && $set->right === null
                ? self::amount($set)
                : 'left ' .
                    self::amount(SideSet::shareOf($set->left, $set->right)) .
                    ', right ' .
                    self::amount(SideSet::shareOf($set->right, $set->left));

        return $main .
            (($set->load_kg ?? 0) > 0 ? " at $set->load_kg kg" : '') .
            ($set->rir === null ? '' : ", $set->rir in reserve") .
            ($set->pain === null ? '' : ", pain $set->pain");
    }

    private static function amount(LoggedSet|SideSet $set): string
    {
        return match (true) {
            $set->hold_s !== null && ($set->reps ?? 1) > 1 => "$set->reps × $set->hold_s s",
            $set->hold_s !== null => "$set->hold_s s",
            $set->work_s !== null => "$set->work_s s",
            default => (string) ($set->reps ?? 0),
        };
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
