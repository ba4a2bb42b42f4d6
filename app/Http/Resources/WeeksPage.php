<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Support\CaseWeeks;
use Rung\Core\Calendar\Booked;
use Rung\Core\Calendar\Slot;
use Rung\Core\Time\Day;

/** The weeks of a case as they are drawn: a week back, four ahead. */
final class WeeksPage
{
    /** @return array<string, mixed> */
    public static function of(CareCase $case): array
    {
        $weeks = CaseWeeks::of($case);
        $isStopped = $case->isStopped();
        $monday = $weeks->today->plus(-CaseWeeks::BACK_DAYS);
        $monday = $monday->plus(1 - $monday->weekday());

        return [
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'closed_on' => $case->closed_on,
            'stage' => $weeks->stage->stage->title ?? '',
            'stopped' => $isStopped,
            'today' => $weeks->today->toIso(),
            'from' => $monday->toIso(),
            'until' => $weeks->today->plus(CaseWeeks::AHEAD_DAYS - 1)->toIso(),
            'slots' => array_values(array_map(static fn(Slot $one): array => ['key' => $one->key, 'title' => $one->name(), 'mode' => $one->mode->value], array_intersect_key($weeks->slots, array_fill_keys(array_map(static fn(Booked $one): string => $one->slot, $weeks->booked), true)))),
            'sessions' => array_map(static fn(Booked $one): array => [
                'id' => $one->id,
                'on' => $one->on->toIso(),
                'slot' => $one->slot,
                'number' => $weeks->planned[$one->id]->number,
                'moved_from' => $weeks->planned[$one->id]->moved_from,
                'done' => in_array($one->id, $weeks->done, true),
                'open' => !$isStopped && $weeks->isOpen($one->id),
            ], $weeks->booked),
            'events' => array_map(static fn(Day $one): string => $one->toIso(), $case->eventDays()),
            'blocked' => array_map(static fn(Day $one): string => $one->toIso(), $case->blockedDays()),
            'clashes' => $weeks->clashes(),
        ];
    }

    /** @return array{breaks: list<array{session: string, on: string, key: string, words: string}>, mends: list<string>, stays: list<string>} */
    public static function change(CaseWeeks $before, CaseWeeks $after): array
    {
        [$was, $is] = [$before->clashes(), $after->clashes()];
        $known = array_column($was, 'words', 'key');
        $now = array_column($is, 'words', 'key');

        return [
            'breaks' => array_values(array_filter($is, static fn(array $one): bool => !isset($known[$one['key']]))),
            'mends' => array_values(array_diff_key($known, $now)),
            'stays' => array_values(array_intersect_key($now, $known)),
        ];
    }
}
