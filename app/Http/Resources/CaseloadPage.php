<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Rung\Core\Attention\Attention;
use Rung\Core\Attention\AttentionGroup;
use Rung\Core\Time\Day;
use stdClass;

/** All open cases of a practice at a glance: each number with the cases it counts, and how the last weeks went. */
final class CaseloadPage
{
    /** Cases beyond this many, the latest opened, are not looked at. */
    private const MOST = 1000;

    /** Under this share of what was planned in two weeks, little was done. */
    private const LITTLE_PERCENT = 60;

    private const WEEKS = 12;

    private const FLARE_DAYS = 90;

    /** @var list<string> */
    private array $shown = [];

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function present(User $for, ?string $practitioner): array
    {
        $today = Clock::today($for->practice->timezone);
        $catalogue = $this->shelf->forPractice($for->practice_id);
        $rows = $this->rows($for, $practitioner);
        $cases = array_map(
            fn(stdClass $row): array => $this->line(
                $row,
                $today,
                $catalogue->programmes[self::text($row, 'programme')]->usualWeeks ?? null,
            ),
            $rows,
        );
        $this->shown = array_column($cases, 'id');
        $flares = $this->flares(array_column($cases, 'id'), $today);

        return [
            'today' => $today->toIso(),
            'all' => count($cases),
            'counts' => self::counts($cases),
            'cases' => array_map(
                static fn(array $case): array => array_diff_key($case, ['programme' => 1, 'school' => 1]),
                $cases,
            ),
            'flares' => self::byProgramme(
                $cases,
                $flares,
                static fn(string $key): string => $catalogue->programmes[$key]->title ?? $key,
                static fn(string $key): string => $catalogue->schools[$key]->title ?? $key,
            ),
            'weeks' => self::weeks(array_column($cases, 'id'), $today, $for->practice->timezone),
        ];
    }

    /** @return list<string> the ids of the cases that were shown */
    public function shown(): array
    {
        return $this->shown;
    }

    /** @return list<stdClass> */
    private function rows(User $for, ?string $practitioner): array
    {
        $query = DB::table('cases as c')
            ->join('athletes as a', 'a.id', '=', 'c.athlete_id')
            ->join('users as p', 'p.id', '=', 'c.practitioner_id')
            ->where('c.practice_id', $for->practice_id)
            ->whereNull('c.closed_on')
            ->orderByDesc('c.opened_on')
            ->orderBy('c.id')
            ->limit(self::MOST)
            ->selectRaw("c.id, a.name as athlete, p.name as practitioner, c.structure_title, c.side, c.programme, c.response_rule->>'name' as school, c.opened_on, c.attention_group, c.stage_title,
                c.course->>'stage_from' as stage_from, c.course->>'adherence_percent' as adherence, c.snapshot->'attention'->>'eased_days' is not null as unsettled,
                (select r.response->'figures'->>'verdict' from json_array_elements(c.snapshot->'responses') with ordinality as r(response, place) where r.response->'figures'->>'verdict' not in ('pending', 'unanswered') order by r.place desc limit 1) as verdict");
        if ($practitioner !== null) {
            $query->whereRaw('c.practitioner_id::text = ?', [$practitioner]);
        }

        return array_values($query->get()->all());
    }

    /** @return array{id: string, athlete: string, practitioner: string, structure: string, side: string, group: string, stage: string, stage_weeks: int, weeks: int, usual_weeks: int|null, adherence: int|null, verdict: string|null, unsettled: bool, programme: string, school: string} */
    private function line(stdClass $row, Day $today, ?int $usualWeeks): array
    {
        $stageFrom = self::text($row, 'stage_from');

        return [
            'id' => self::text($row, 'id'),
            'athlete' => self::text($row, 'athlete'),
            'practitioner' => self::text($row, 'practitioner'),
            'structure' => self::text($row, 'structure_title'),
            'side' => self::text($row, 'side'),
            'group' => self::text($row, 'attention_group'),
            'stage' => self::text($row, 'stage_title'),
            'stage_weeks' => $stageFrom === '' ? 0 : intdiv($today->daysSince(Day::fromIso($stageFrom)), 7),
            'weeks' => intdiv($today->daysSince(Day::fromIso(self::text($row, 'opened_on'))), 7) + 1,
            'usual_weeks' => $usualWeeks,
            'adherence' => is_numeric($row->adherence) ? (int) $row->adherence : null,
            'verdict' => is_string($row->verdict) ? $row->verdict : null,
            'unsettled' => $row->unsettled === true,
            'programme' => self::text($row, 'programme'),
            'school' => self::text($row, 'school'),
        ];
    }

    /**
     * @param list<array{id: string, group: string, weeks: int, usual_weeks: int|null, adherence: int|null, verdict: string|null, unsettled: bool}> $cases
     *
     * @return list<array{key: string, title: string, cases: list<string>}>
     */
    private static function counts(array $cases): array
    {
        $little = self::LITTLE_PERCENT;
        $days = Attention::UNSETTLED_DAYS;
        $kinds = [
            'settled' => [
                'The last answer settled',
                static fn(array $row): bool => in_array($row['verdict'], ['settled', 'under'], true),
            ],
            'over' => [
                'The last answer was too much',
                static fn(array $row): bool => in_array($row['verdict'], ['over', 'stop'], true),
            ],
            'stopped' => [
                'Stopped, a review is waited for',
                static fn(array $row): bool => $row['group'] === AttentionGroup::StopReview->value,
            ],
            'silent' => ['Silent', static fn(array $row): bool => $row['group'] === AttentionGroup::Silent->value],
            'unsettled' => [
                "Unsettled: eased three times or more in $days days",
                static fn(array $row): bool => $row['unsettled'] === true,
            ],
            'little' => [
                "Under $little % of what was planned in two weeks",
                static fn(array $row): bool => $row['adherence'] !== null && $row['adherence'] < $little,
            ],
            'long' => [
                'Longer than the programme usually takes',
                static fn(array $row): bool => $row['usual_weeks'] !== null && $row['weeks'] > $row['usual_weeks'],
            ],
        ];
        $counts = [];
        foreach ($kinds as $key => [$title, $is]) {
            $counts[] = [
                'key' => $key,
                'title' => $title,
                'cases' => array_column(array_values(array_filter($cases, $is)), 'id'),
            ];
        }

        return $counts;
    }

    /**
     * @param list<string> $cases
     *
     * @return array<string, int> flares reported or planned for, by case
     */
    private function flares(array $cases, Day $today): array
    {
        $from = $today->plus(-self::FLARE_DAYS)->toIso();
        $reported = DB::table('messages')
            ->whereIn('case_id', $cases)
            ->where('kind', 'flare')
            ->where('at', '>=', $from)
            ->selectRaw('case_id, count(*) as n')
            ->groupBy('case_id')
            ->pluck('n', 'case_id')
            ->all();
        $planned = DB::table('decisions')
            ->whereIn('case_id', $cases)
            ->where('kind', 'flare')
            ->where('at', '>=', $from)
            ->selectRaw('case_id, count(*) as n')
            ->groupBy('case_id')
            ->pluck('n', 'case_id')
            ->all();
        $flares = [];
        foreach ([$reported, $planned] as $counted) {
            foreach ($counted as $case => $n) {
                // A flare that was reported and then planned for counts once.
                $flares[(string) $case] = max($flares[(string) $case] ?? 0, is_numeric($n) ? (int) $n : 0);
            }
        }

        return $flares;
    }

    /**
     * @param list<array{id: string, programme: string, school: string}> $cases
     * @param array<string, int> $flares
     * @param callable(string): string $programme
     * @param callable(string): string $school
     *
     * @return list<array{programme: string, school: string, all: int, flares: int, cases: list<string>}> most flares for each case first
     */
    private static function byProgramme(array $cases, array $flares, callable $programme, callable $school): array
    {
        $groups = [];
        foreach ($cases as $case) {
            $key = "{$case['programme']}|{$case['school']}";
            $groups[$key] ??= [
                'programme' => $programme($case['programme']),
                'school' => $school($case['school']),
                'all' => 0,
                'flares' => 0,
                'cases' => [],
            ];
            $groups[$key]['all']++;
            $n = $flares[$case['id']] ?? 0;
            $groups[$key]['flares'] += $n;
            if ($n > 0) {
                $groups[$key]['cases'][] = $case['id'];
            }
        }
        usort(
            $groups,
            static fn(array $a, array $b): int => [$b['flares'] / $b['all'], $a['programme']] <=> [
                $a['flares'] / $a['all'],
                $b['programme'],
            ],
        );

        return $groups;
    }

    /**
     * Weeks begin on Monday where the practice is.
     *
     * @param list<string> $cases
     *
     * @return list<array{from: string, sessions: int, mornings: int, eased: int, raised: int}> from Monday on, the oldest first
     */
    private static function weeks(array $cases, Day $today, string $zone): array
    {
        $from = $today->plus(1 - $today->weekday())->plus(-7 * (self::WEEKS - 1));
        $since = CarbonImmutable::parse($from->toIso(), $zone)->utc();
        $count = static fn(Builder $rows, string $column, string $what = 'count(*)'): array => $rows
            ->whereIn('case_id', $cases)
            ->whereBetween($column, [$since, CarbonImmutable::now()->utc()])
            ->selectRaw("to_char(date_trunc('week', $column at time zone ?), 'YYYY-MM-DD') as week, $what as n", [
                $zone,
            ])
            ->groupBy('week')
            ->pluck('n', 'week')
            ->all();
        $sessions = $count(DB::table('training_sessions')->where('superseded', false), 'started_at');
        $mornings = $count(DB::table('check_ins')->where('superseded', false), 'at');
        // Several doses changed by one decision are one change.
        $changes = 'count(distinct (case_id, at))';
        $eased = $count(DB::table('dose_changes')->whereIn('kind', ['ease', 'step_down', 'within']), 'at', $changes);
        $raised = $count(DB::table('dose_changes')->whereIn('kind', ['progress', 'add_load']), 'at', $changes);
        $n = static fn(array $counted, string $week): int => is_numeric($counted[$week] ?? null)
            ? (int) $counted[$week]
            : 0;

        return array_map(static function (int $i) use ($from, $sessions, $mornings, $eased, $raised, $n): array {
            $week = $from->plus(7 * $i)->toIso();

            return [
                'from' => $week,
                'sessions' => $n($sessions, $week),
                'mornings' => $n($mornings, $week),
                'eased' => $n($eased, $week),
                'raised' => $n($raised, $week),
            ];
        }, range(0, self::WEEKS - 1));
    }

    private static function text(stdClass $row, string $column): string
    {
        $value = $row->{$column};

        return is_scalar($value) ? (string) $value : '';
    }
}
