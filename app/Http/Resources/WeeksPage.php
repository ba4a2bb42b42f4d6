<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\PlanSessions;
use App\Models\CareCase;
use App\Support\CaseWeeks;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Calendar\Placed;
use Rung\Core\Calendar\Recovery;
use Rung\Core\Calendar\Slot;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Evaluation\WeekSum;
use Rung\Core\Evaluation\WeekSums;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Time\Day;
use Rung\Core\Words\WeekSumWords;
use Rung\Core\Words\WeekWords;

/** The weeks of a case as they are drawn: a week back, and so many ahead as are asked for. */
final class WeeksPage
{
    /**
     * @param positive-int $ahead weeks
     *
     * @return array<string, mixed>
     */
    public static function present(CareCase $case, Evaluation $evaluation, int $ahead): array
    {
        $weeks = CaseWeeks::forCase($case);
        $isStopped = $case->isStopped();
        $monday = self::monday($weeks);
        $last = $weeks->today->plus(7 * $ahead - 1);
        $later = self::later($case, $weeks, $last, $isStopped);
        $words = new WeekWords($weeks->slots, $weeks->booked, $weeks->rules);
        $shown = array_fill_keys(array_column([...$weeks->booked, ...$later], 'slot'), true);

        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'closed_on' => $case->closed_on,
            'stage' => $weeks->stage->stage->title ?? '',
            'stopped' => $isStopped,
            'today' => $weeks->today->toIso(),
            'from' => $monday->toIso(),
            'last' => $last->toIso(),
            'until' => $weeks->today->plus(CaseWeeks::AHEAD_DAYS - 1)->toIso(),
            'slots' => array_values(
                array_map(
                    static fn(Slot $slot): array => [
                        'key' => $slot->key,
                        'title' => $slot->name(),
                        'mode' => $slot->mode->value,
                        'work' => self::work($weeks, $slot->key),
                    ],
                    array_intersect_key($weeks->slots, $shown),
                ),
            ),
            'sessions' => self::sessions($weeks, $evaluation, $isStopped),
            'later' => array_map(
                static fn(Booked $booked): array => ['on' => $booked->on->toIso(), 'slot' => $booked->slot],
                $later,
            ),
            'beside' => self::beside($weeks, $evaluation, $monday),
            'recovery' => $isStopped
                ? []
                : array_map(
                    static fn(Recovery $recovery): array => [
                        'on' => $recovery->on->toIso(),
                        'words' => $words->recovery($recovery),
                    ],
                    Recovery::among($weeks->booked, $weeks->rules, $weeks->slots),
                ),
            'goal_on' => $case->goal_on,
            'events' => array_map(static fn(Day $day): string => $day->toIso(), $case->events),
            'blocked' => array_map(static fn(Day $day): string => $day->toIso(), $case->blocked),
            'sport' => array_map(static fn(ExpectedSport $sport): array => $sport->toArray(), $case->expected_sport),
            'clashes' => $weeks->clashes(),
            'sums' => self::sums($weeks, $evaluation, $case, $later, $last, $isStopped),
        ];
    }

    /**
     * What moves would do.
     *
     * @param positive-int $ahead weeks
     *
     * @return array<string, mixed>
     */
    public static function change(
        CareCase $case,
        Evaluation $evaluation,
        CaseWeeks $before,
        CaseWeeks $after,
        int $ahead,
    ): array {
        $last = $before->today->plus(7 * $ahead - 1);
        [$was, $is] = [$before->clashes(), $after->clashes()];
        $known = array_column($was, 'words', 'key');
        $now = array_column($is, 'words', 'key');

        return [
            'breaks' => array_values(array_filter($is, static fn(array $row): bool => !isset($known[$row['key']]))),
            'fixes' => array_values(array_diff_key($known, $now)),
            'stays' => array_values(array_intersect_key($now, $known)),
            'sums' => self::sums($after, $evaluation, $case, self::later($case, $after, $last, false), $last, false),
        ];
    }

    /** @return list<array{mode: string, dose: array<string, mixed>}> what a session of the present stage asks for, in its order; of another stage nothing is drawn */
    private static function work(CaseWeeks $weeks, string $slot): array
    {
        $asked = array_filter(
            $weeks->stage->stage->prescriptions ?? [],
            static fn(Prescription $prescription): bool => $prescription->slot === $slot,
        );

        return array_values(
            array_map(
                static fn(Prescription $prescription): array => [
                    'mode' => $prescription->mode->value,
                    'dose' => $prescription->dose->toArray(),
                ],
                $asked,
            ),
        );
    }

    /** @return list<array<string, mixed>> */
    private static function sessions(CaseWeeks $weeks, Evaluation $evaluation, bool $isStopped): array
    {
        $hooks = EvaluationPart::hooksByPlanned($evaluation, $weeks->doneAs);
        $steps = $isStopped
            ? []
            : PracticeLadder::byBooked(
                $weeks->stage,
                $evaluation,
                array_values(
                    array_filter($weeks->booked, static fn(Booked $booked): bool => $weeks->isOpen($booked->id)),
                ),
            );

        return array_map(
            static fn(Booked $booked): array => [
                'id' => $booked->id,
                'on' => $booked->on->toIso(),
                'slot' => $booked->slot,
                'number' => $weeks->planned[$booked->id]->number,
                'at' => $weeks->slots[$booked->slot]->timeOf($weeks->planned[$booked->id]->number)?->toText(),
                'practice' => isset($steps[$booked->id]) ? $steps[$booked->id]->toArray() : null,
                'moved_from' => $weeks->planned[$booked->id]->moved_from,
                'state' => match (true) {
                    in_array($booked->id, $weeks->done, true) => 'done',
                    $weeks->today->isAfter($booked->on) => 'missed',
                    default => 'planned',
                },
                'hook' => $hooks[$booked->id] ?? null,
                'missed_why' => $weeks->planned[$booked->id]->missed_why,
                'open' => !$isStopped && $weeks->isOpen($booked->id),
            ],
            $weeks->booked,
        );
    }

    /** @return list<Booked> what the plan would ask for after the days that are planned, as things stand */
    private static function later(CareCase $case, CaseWeeks $weeks, Day $last, bool $isStopped): array
    {
        $from = $weeks->today->plus(CaseWeeks::AHEAD_DAYS);
        $places = $isStopped || $from->isAfter($last) ? [] : PlanSessions::asked($case, $from, $last->plus(1));

        return array_values(
            array_map(
                static fn(Placed $placed, int $i): Booked => new Booked("later-$i", $placed->on, $placed->slot),
                $places,
                array_keys($places),
            ),
        );
    }

    /** @return list<array<string, mixed>> what was done beside the plan */
    private static function beside(CaseWeeks $weeks, Evaluation $evaluation, Day $monday): array
    {
        $beside = array_filter(
            $evaluation->log->ended,
            static fn(Session $session): bool => $session->planned === null &&
                !isset($weeks->doneAs[$session->id]) &&
                !$monday->isAfter($evaluation->log->dayOf($session)),
        );

        return array_values(
            array_map(
                static fn(Session $session): array => [
                    'on' => $evaluation->log->dayOf($session)->toIso(),
                    'words' =>
                        $session->kind === SessionKind::Sport
                            ? 'Sport' . ($session->minutes === null ? '' : " $session->minutes min")
                            : 'Beside the plan',
                ],
                $beside,
            ),
        );
    }

    /** The first day that is shown. */
    private static function monday(CaseWeeks $weeks): Day
    {
        return Day::fromNumber(WeekCheck::monday($weeks->today->number - CaseWeeks::BACK_DAYS));
    }

    /**
     * @param list<Booked> $later
     *
     * @return list<array<string, mixed>>
     */
    private static function sums(
        CaseWeeks $weeks,
        Evaluation $evaluation,
        CareCase $case,
        array $later,
        Day $last,
        bool $isStopped,
    ): array {
        $open = $isStopped
            ? []
            : array_values(
                array_filter(
                    [...$weeks->booked, ...$later],
                    static fn(Booked $booked): bool => !$weeks->today->isAfter($booked->on) &&
                        !in_array($booked->id, $weeks->done, true),
                ),
            );
        $monday = self::monday($weeks);
        $count = intdiv($last->daysSince($monday), 7) + 1;

        return array_map(
            static fn(WeekSum $weekSum): array => [
                'from' => $weekSum->monday->toIso(),
                'figures' => WeekSumWords::figures($weekSum),
            ],
            WeekSums::forWeeks(
                $evaluation,
                $case->plan(),
                $open,
                $weeks->slots,
                $case->expected_sport,
                $monday,
                max(1, $count),
            ),
        );
    }
}
