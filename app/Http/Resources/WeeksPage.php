<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\PlanSessions;
use App\Models\CareCase;
use App\Support\CaseWeeks;
use App\Support\Standing;
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
    public static function of(CareCase $case, Evaluation $evaluation, int $ahead): array
    {
        $weeks = CaseWeeks::of($case);
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
            'slots' => array_values(array_map(static fn(Slot $one): array => ['key' => $one->key, 'title' => $one->name(), 'mode' => $one->mode->value, 'work' => self::work($weeks, $one->key)], array_intersect_key($weeks->slots, $shown))),
            'sessions' => self::sessions($weeks, $evaluation, $isStopped),
            'later' => array_map(static fn(Booked $one): array => ['on' => $one->on->toIso(), 'slot' => $one->slot], $later),
            'beside' => self::beside($weeks, $evaluation, $monday),
            'recovery' => $isStopped ? [] : array_map(static fn(Recovery $one): array => ['on' => $one->on->toIso(), 'words' => $words->recovery($one)], Recovery::of($weeks->booked, $weeks->rules, $weeks->slots)),
            'goal_on' => $case->goal_on,
            'events' => array_map(static fn(Day $one): string => $one->toIso(), $case->eventDays()),
            'blocked' => array_map(static fn(Day $one): string => $one->toIso(), $case->blockedDays()),
            'sport' => array_map(static fn(ExpectedSport $one): array => $one->toArray(), $case->expectedSport()),
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
    public static function change(CareCase $case, Evaluation $evaluation, CaseWeeks $before, CaseWeeks $after, int $ahead): array
    {
        $last = $before->today->plus(7 * $ahead - 1);
        [$was, $is] = [$before->clashes(), $after->clashes()];
        $known = array_column($was, 'words', 'key');
        $now = array_column($is, 'words', 'key');

        return [
            'breaks' => array_values(array_filter($is, static fn(array $one): bool => !isset($known[$one['key']]))),
            'mends' => array_values(array_diff_key($known, $now)),
            'stays' => array_values(array_intersect_key($now, $known)),
            'sums' => self::sums($after, $evaluation, $case, self::later($case, $after, $last, false), $last, false),
        ];
    }

    /** @return list<array{mode: string, dose: array<string, mixed>}> what a session of the present stage asks for, in its order; of another stage nothing is drawn */
    private static function work(CaseWeeks $weeks, string $slot): array
    {
        $asked = array_filter($weeks->stage->stage->prescriptions ?? [], static fn(Prescription $one): bool => $one->slot === $slot);

        return array_values(array_map(static fn(Prescription $one): array => ['mode' => $one->mode->value, 'dose' => $one->dose->toArray()], $asked));
    }

    /** @return list<array<string, mixed>> */
    private static function sessions(CaseWeeks $weeks, Evaluation $evaluation, bool $isStopped): array
    {
        $hooks = Standing::hooksByPlanned($evaluation, $weeks->doneAs);
        $steps = $isStopped ? [] : PracticeLadder::byBooked($weeks->stage, $evaluation, array_values(array_filter($weeks->booked, static fn(Booked $one): bool => $weeks->isOpen($one->id))));

        return array_map(static fn(Booked $one): array => [
            'id' => $one->id,
            'on' => $one->on->toIso(),
            'slot' => $one->slot,
            'number' => $weeks->planned[$one->id]->number,
            'at' => $weeks->slots[$one->slot]->timeOf($weeks->planned[$one->id]->number)?->toText(),
            'practice' => isset($steps[$one->id]) ? $steps[$one->id]->toArray() : null,
            'moved_from' => $weeks->planned[$one->id]->moved_from,
            'state' => match (true) {
                in_array($one->id, $weeks->done, true) => 'done',
                $weeks->today->isAfter($one->on) => 'missed',
                default => 'planned',
            },
            'hook' => $hooks[$one->id] ?? null,
            'missed_why' => $weeks->planned[$one->id]->missed_why,
            'open' => !$isStopped && $weeks->isOpen($one->id),
        ], $weeks->booked);
    }

    /** @return list<Booked> what the plan would ask for after the days that are planned, as things stand */
    private static function later(CareCase $case, CaseWeeks $weeks, Day $last, bool $isStopped): array
    {
        $from = $weeks->today->plus(CaseWeeks::AHEAD_DAYS);
        $places = $isStopped || $from->isAfter($last) ? [] : PlanSessions::asked($case, $from, $last->plus(1));

        return array_values(array_map(static fn(Placed $one, int $i): Booked => new Booked("later-$i", $one->on, $one->slot), $places, array_keys($places)));
    }

    /** @return list<array<string, mixed>> what was done beside the plan */
    private static function beside(CaseWeeks $weeks, Evaluation $evaluation, Day $monday): array
    {
        $beside = array_filter($evaluation->log->ended, static fn(Session $one): bool => $one->planned === null && !isset($weeks->doneAs[$one->id]) && !$monday->isAfter($evaluation->log->dayOf($one)));

        return array_values(array_map(static fn(Session $one): array => [
            'on' => $evaluation->log->dayOf($one)->toIso(),
            'words' => $one->kind === SessionKind::Sport ? 'Sport' . ($one->minutes === null ? '' : " $one->minutes min") : 'Beside the plan',
        ], $beside));
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
    private static function sums(CaseWeeks $weeks, Evaluation $evaluation, CareCase $case, array $later, Day $last, bool $isStopped): array
    {
        $open = $isStopped ? [] : array_values(array_filter([...$weeks->booked, ...$later], static fn(Booked $one): bool => !$weeks->today->isAfter($one->on) && !in_array($one->id, $weeks->done, true)));
        $monday = self::monday($weeks);
        $count = intdiv($last->daysSince($monday), 7) + 1;

        return array_map(static fn(WeekSum $one): array => ['from' => $one->monday->toIso(), 'figures' => WeekSumWords::figures($one)], WeekSums::of($evaluation, $case->plan(), $open, $weeks->slots, $case->expectedSport(), $monday, max(1, $count)));
    }
}
