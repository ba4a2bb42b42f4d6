<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Attention\WeekLoad;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Response\Log;
use Rung\Core\Time\Day;

/** Sums the weeks of a case (docs/rules.md, "A week's sums"). */
final class WeekSums
{
    private const WEEKS_BEFORE = 2;

    /** Practices that the usual one is found from. */
    private const PRACTICES = 5;

    /**
     * @param list<Booked> $open planned and not done, in any order
     * @param array<string, Slot> $slots by key
     * @param list<ExpectedSport> $expected beside the plan
     * @param Day $from any day of the first week
     * @param positive-int $weeks
     *
     * @return list<WeekSum>
     */
    public static function forWeeks(
        Evaluation $evaluation,
        Plan $plan,
        array $open,
        array $slots,
        array $expected,
        Day $from,
        int $weeks,
    ): array {
        $usual = self::usualPractice($evaluation->log);
        $log = $evaluation->log;
        $practised = array_fill_keys(
            array_map(
                static fn(Session $session): int => $log->dayOf($session)->number,
                array_filter($log->ended, static fn(Session $session): bool => $session->kind === SessionKind::Sport),
            ),
            true,
        );
        // Practice that has taken place is in the log; a planned day that has passed without it was not done.
        $expected = array_filter(
            $expected,
            static fn(ExpectedSport $sport): bool => !$log->today->isAfter($sport->on) &&
                !isset($practised[$sport->on->number]),
        );
        $days = array_fill_keys(array_map(static fn(ExpectedSport $sport): int => $sport->on->number, $expected), true);
        // Where a practice of the plan falls on such a day, it is that one.
        $open = array_values(
            array_filter(
                $open,
                static fn(Booked $booked): bool => ($slots[$booked->slot]->mode ?? null) !== Mode::Sport ||
                    !isset($days[$booked->on->number]),
            ),
        );
        $practices = self::practicesAhead($evaluation, $plan, $open);
        $monday = Day::fromNumber(WeekCheck::monday($from->number));
        $found = [];
        for ($i = -self::WEEKS_BEFORE; $i < $weeks; $i++) {
            $first = $monday->plus(7 * $i);
            $found[] = new WeekSum(
                $first,
                array_map(
                    static fn(Session $session): WeekLoad => WeekLoad::ofSessions($evaluation->log, [$session]),
                    array_values(
                        array_filter(
                            $evaluation->log->ended,
                            static fn(Session $session): bool => self::isIn($first, $evaluation->log->dayOf($session)),
                        ),
                    ),
                ),
                [
                    ...array_map(
                        static fn(Booked $booked): WeekLoad => ($slots[$booked->slot]->mode ?? null) === Mode::Sport
                            ? $practices[$booked->id] ?? $usual
                            : self::ahead($evaluation, $plan, $booked),
                        array_values(
                            array_filter($open, static fn(Booked $booked): bool => self::isIn($first, $booked->on)),
                        ),
                    ),
                    ...array_map(
                        static fn(ExpectedSport $sport): WeekLoad => WeekLoad::ofPractice(
                            $sport->minutes,
                            $sport->effort,
                        ),
                        array_values(
                            array_filter(
                                $expected,
                                static fn(ExpectedSport $sport): bool => self::isIn($first, $sport->on),
                            ),
                        ),
                    ),
                ],
                array_slice($found, -self::WEEKS_BEFORE),
                $evaluation->log->file->response_rule->week_growth_max_percent,
            );
        }

        return array_slice($found, self::WEEKS_BEFORE);
    }

    /**
     * What practices on the way back to sport ask for, if each is well tolerated.
     *
     * @param list<Booked> $open
     *
     * @return array<string, WeekLoad> by id
     */
    private static function practicesAhead(Evaluation $evaluation, Plan $plan, array $open): array
    {
        return array_map(
            static fn(PracticeStep $step): WeekLoad => WeekLoad::ofPractice($step->minutes, $step->effort),
            PracticeLadder::byBooked($plan->stage($evaluation->log->stage->key), $evaluation, $open),
        );
    }

    /** The middle one of the latest practices, by minutes and by effort; nothing where none was logged. */
    private static function usualPractice(Log $log): WeekLoad
    {
        $latest = array_slice(
            array_values(
                array_filter(
                    $log->ended,
                    static fn(Session $session): bool => $session->kind === SessionKind::Sport &&
                        ($session->minutes ?? 0) > 0,
                ),
            ),
            -self::PRACTICES,
        );
        $middle = static function (array $values): int|float {
            sort($values);
            $middle = $values[intdiv(count($values), 2)] ?? 0;

            return is_int($middle) || is_float($middle) ? $middle : 0;
        };

        return WeekLoad::ofPractice(
            $middle(array_map(static fn(Session $session): int|float => $session->minutes ?? 0, $latest)),
            $middle(array_map(static fn(Session $session): int => $session->effort ?? 0, $latest)),
        );
    }

    private static function isIn(Day $monday, Day $day): bool
    {
        return !$monday->isAfter($day) && $day->daysSince($monday) < 7;
    }

    private static function ahead(Evaluation $evaluation, Plan $plan, Booked $booked): WeekLoad
    {
        $next = $evaluation->askedByPrescription();
        $asked = [];
        foreach ($evaluation->log->stage->prescriptions as $prescription) {
            if ($prescription->slot === $booked->slot && !$plan->rests($prescription->key, $booked->on)) {
                $asked[] = [self::withLoad($next[$prescription->key]->asPrescription(), $evaluation), 1];
            }
        }

        return WeekLoad::ofDoses($asked, 1, $evaluation->log->file->athlete->body_mass_kg);
    }

    /** With what was lifted last, where the dose leaves the load open. */
    private static function withLoad(Prescription $prescription, Evaluation $evaluation): Prescription
    {
        $load = $evaluation->work->presentLoadKg($prescription);

        return $prescription->dose->load_kg !== null || $load == 0
            ? $prescription
            : $prescription->withDose($prescription->dose->with(['load_kg' => $load]));
    }
}
