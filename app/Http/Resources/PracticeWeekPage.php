<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use App\Support\Clock;
use Illuminate\Support\Facades\DB;
use Rung\Core\Calendar\WeekCheck;
use Rung\Core\Time\Day;
use stdClass;

/** One week over all open cases: what stands on which day, what is due, and who is not planned to its end. */
final class PracticeWeekPage
{
    /** Cases beyond this many, the least urgent, are not looked at. */
    private const MOST = 300;

    /** Weeks before and after this one that can be looked at. */
    private const REACH = 52;

    /** @var list<string> */
    private array $shown = [];

    /** @return array<string, mixed> */
    public function present(User $for, ?string $practitioner, int $week): array
    {
        $today = Clock::today($for->practice->timezone);
        $monday = Day::fromNumber(WeekCheck::monday($today->number))->plus(
            7 * max(-self::REACH, min(self::REACH, $week)),
        );
        $sunday = $monday->plus(6);
        $rows = self::rows($for, $practitioner);
        $more = count($rows) > self::MOST;
        $rows = array_slice($rows, 0, self::MOST);
        $this->shown = array_map(static fn(stdClass $row): string => self::text($row, 'id'), $rows);
        $sessions = self::sessions($this->shown, $monday, $sunday, $today);
        $until = DB::table('planned_sessions')
            ->whereIn('case_id', $this->shown)
            ->where('withdrawn', false)
            ->selectRaw('case_id, max("on") as last')
            ->groupBy('case_id')
            ->pluck('last', 'case_id')
            ->all();
        $cases = array_map(
            fn(stdClass $row): array => self::line($row, $sessions, $until, $monday, $sunday, $today),
            $rows,
        );

        return [
            'today' => $today->toIso(),
            'from' => $monday->toIso(),
            'until' => $sunday->toIso(),
            'more' => $more,
            'counts' => self::counts($cases, $today),
            'cases' => $cases,
        ];
    }

    /** @return list<string> the ids of the cases that were shown */
    public function shown(): array
    {
        return $this->shown;
    }

    /** @return list<stdClass> most urgent first */
    private static function rows(User $for, ?string $practitioner): array
    {
        $query = DB::table('cases as c')
            ->join('athletes as a', 'a.id', '=', 'c.athlete_id')
            ->where('c.practice_id', $for->practice_id)
            ->whereNull('c.closed_on')
            ->orderBy('c.attention_rank')
            ->orderBy('a.name')
            ->orderBy('c.id')
            ->limit(self::MOST + 1)
            ->selectRaw(
                "c.id, a.name as athlete, c.structure_title, c.side, c.stage_title, c.review_on, c.events, c.blocked, (c.round_line->>'stopped' = 'true' or c.asked_at is not null and exists (select 1 from messages m where m.case_id = c.id and m.kind = 'flare' and m.seen_at is null and m.pain >= (c.response_rule->>'stop_at')::int)) as stopped, c.round_line->'tests_due' as tests_due",
            );
        if ($practitioner !== null) {
            $query->whereRaw('c.practitioner_id::text = ?', [$practitioner]);
        }

        return array_values($query->get()->all());
    }

    /**
     * @param list<string> $cases
     *
     * @return array<string, array<string, list<array<string, mixed>>>> by case and day
     */
    private static function sessions(array $cases, Day $monday, Day $sunday, Day $today): array
    {
        $titles = self::titles($cases);
        $rows = DB::table('planned_sessions as s')
            ->whereIn('s.case_id', $cases)
            ->where('s.withdrawn', false)
            ->whereBetween('s.on', [$monday->toIso(), $sunday->toIso()])
            ->orderBy('s.on')
            ->orderBy('s.slot')
            ->orderBy('s.number')
            ->selectRaw(
                's.case_id, s."on", s.stage, s.slot, s.number, exists (select 1 from training_sessions t where t.planned_id = s.id and not t.superseded) as done',
            )
            ->get();
        $found = [];
        foreach ($rows as $row) {
            [$case, $on] = [self::text($row, 'case_id'), self::text($row, 'on')];
            $slot = $titles[$case][self::text($row, 'stage')][self::text($row, 'slot')] ?? [
                'title' => self::text($row, 'slot'),
                'mode' => 'mixed',
                'times' => [],
            ];
            $at = $slot['times'][(is_int($row->number) ? $row->number : 1) - 1] ?? null;
            $found[$case][$on][] = [
                'title' => $slot['title'],
                'mode' => $slot['mode'],
                'at' => is_string($at) ? $at : null,
                'state' => match (true) {
                    $row->done === true => 'done',
                    $on < $today->toIso() => 'missed',
                    default => 'planned',
                },
            ];
        }

        return $found;
    }

    /**
     * @param list<string> $cases
     *
     * @return array<string, array<string, array<string, array{title: string, mode: string, times: list<mixed>}>>> by case, stage and slot, of the newest version
     */
    private static function titles(array $cases): array
    {
        $rows = DB::table('plan_versions')
            ->whereIn('case_id', $cases)
            ->selectRaw('distinct on (case_id) case_id, content')
            ->orderBy('case_id')
            ->orderByDesc('version')
            ->get();
        $titles = [];
        foreach ($rows as $row) {
            $content = json_decode(self::text($row, 'content'), true);
            foreach (self::list(is_array($content) ? $content['stages'] ?? [] : []) as $stage) {
                foreach (self::list($stage['slots'] ?? []) as $slot) {
                    $titles[self::text($row, 'case_id')][self::word($stage, 'key')][self::word($slot, 'key')] = [
                        'title' => self::word($slot, 'title'),
                        'mode' => self::word($slot, 'mode'),
                        'times' => array_values(is_array($slot['times'] ?? null) ? $slot['times'] : []),
                    ];
                }
            }
        }

        return $titles;
    }

    /**
     * @param array<string, array<string, list<array<string, mixed>>>> $sessions
     * @param array<mixed> $until
     *
     * @return array<string, mixed>
     */
    private static function line(
        stdClass $row,
        array $sessions,
        array $until,
        Day $monday,
        Day $sunday,
        Day $today,
    ): array {
        $id = self::text($row, 'id');
        $events = array_filter((array) json_decode(self::text($row, 'events'), true), is_string(...));
        $blocked = array_filter((array) json_decode(self::text($row, 'blocked'), true), is_string(...));
        $isStopped = $row->stopped === true;
        $last = $until[$id] ?? null;
        $review = self::text($row, 'review_on');

        return [
            'id' => $id,
            'athlete' => self::text($row, 'athlete'),
            'structure' => self::text($row, 'structure_title'),
            'side' => self::text($row, 'side'),
            'stage' => self::text($row, 'stage_title'),
            'stopped' => $isStopped,
            // What was due before this week is still due on its first day that is left.
            'review_on' => $review === '' || $review > $sunday->toIso() ? null : $review,
            'tests_due' => array_values(
                array_filter((array) json_decode(self::text($row, 'tests_due'), true), is_string(...)),
            ),
            'planned_until' =>
                is_string($last) && $last < $sunday->toIso() && !$isStopped && !$today->isAfter($sunday) ? $last : null,
            'unplanned' => !is_string($last) && !$isStopped,
            'days' => array_map(static function (int $i) use (
                $monday,
                $sessions,
                $id,
                $events,
                $blocked,
                $isStopped,
                $today,
            ): array {
                $on = $monday->plus($i)->toIso();
                $there = $sessions[$id][$on] ?? [];

                return [
                    'on' => $on,
                    'event' => in_array($on, $events, true),
                    'blocked' => in_array($on, $blocked, true),
                    // Under a stop nothing is asked for.
                    'sessions' => $isStopped && $on >= $today->toIso() ? [] : $there,
                ];
            }, range(0, 6)),
        ];
    }

    /**
     * @param list<array<string, mixed>> $cases
     *
     * @return list<array{key: string, title: string, cases: list<string>}>
     */
    private static function counts(array $cases, Day $today): array
    {
        $kinds = [
            'stopped' => ['Stopped', static fn(array $row): bool => $row['stopped'] === true],
            'late' => [
                'Review overdue',
                static fn(array $row): bool => is_string($row['review_on']) && $row['review_on'] < $today->toIso(),
            ],
            'review' => [
                'Review due in the week',
                static fn(array $row): bool => is_string($row['review_on']) && $row['review_on'] >= $today->toIso(),
            ],
            'tests' => ['A test due', static fn(array $row): bool => $row['tests_due'] !== []],
            'shows' => [
                'A show in the week',
                static fn(array $row): bool => is_array($row['days']) &&
                    in_array(true, array_column($row['days'], 'event'), true),
            ],
            'unplanned' => [
                'Not planned to the end of the week',
                static fn(array $row): bool => $row['planned_until'] !== null || $row['unplanned'] === true,
            ],
        ];

        return array_map(
            static fn(string $key): array => [
                'key' => $key,
                'title' => $kinds[$key][0],
                'cases' => array_values(
                    array_filter(
                        array_map(
                            static fn(array $case): ?string => $kinds[$key][1]($case) && is_string($case['id'])
                                ? $case['id']
                                : null,
                            $cases,
                        ),
                    ),
                ),
            ],
            array_keys($kinds),
        );
    }

    /** @return list<array<mixed>> */
    private static function list(mixed $value): array
    {
        return array_values(array_filter(is_array($value) ? $value : [], is_array(...)));
    }

    /** @param array<mixed> $of */
    private static function word(array $of, string $field): string
    {
        $value = $of[$field] ?? '';

        return is_string($value) ? $value : '';
    }

    private static function text(stdClass $row, string $column): string
    {
        $value = $row->{$column};

        return is_scalar($value) ? (string) $value : '';
    }
}
