<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use App\Support\CaseSearch;
use Carbon\CarbonImmutable;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use InvalidArgumentException;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Time\Day;
use stdClass;

/**
 * A page of the Round. It is asked for every few seconds by every open desk, so it is put together from what is stored
 * with the cases: two queries, no models, and what it draws of each case is passed on as the text that it is kept as.
 */
final class RoundPage
{
    public const LINES = 30;

    /** Cases beyond this many are not counted. */
    public const COUNTED = 400;

    private const EVENT_DAYS = 7;

    /** Messages of athletes that are shown at once. */
    private const ASKED = 10;

    /** @var list<string> */
    private array $shown = [];

    /** @param array<array-key, mixed> $asked */
    public function __construct(private readonly User $for, private readonly array $asked) {}

    public function toJson(): string
    {
        $rows = $this->page();
        $more = count($rows) > self::LINES;
        $lines = array_slice($rows, 0, self::LINES);
        $this->shown = array_map(static fn(stdClass $row): string => self::textOf($row, 'id'), $lines);
        $last = $more ? $lines[self::LINES - 1] : null;
        $rest = json_encode(
            [
                'groups' => (object) ($groups = $this->groups()),
                'all_counted' => array_sum($groups) < self::COUNTED,
                'asked' => $this->waitingForAnswer(),
                'next' =>
                    $last === null
                        ? null
                        : implode('.', [
                            self::textOf($last, 'attention_rank'),
                            self::textOf($last, 'opened_on'),
                            self::textOf($last, 'id'),
                        ]),
            ],
            JSON_THROW_ON_ERROR,
        );

        return '{"cases":[' . implode(',', array_map(self::line(...), $lines)) . '],' . substr($rest, 1);
    }

    /** @return list<string> the ids of the cases that were shown */
    public function shown(): array
    {
        return $this->shown;
    }

    /** @return list<stdClass> */
    private function page(): array
    {
        $query = $this->narrowed()
            ->join('athletes as a', 'a.id', '=', 'c.athlete_id')
            ->join('users as p', 'p.id', '=', 'c.practitioner_id')
            ->select([
                'c.id',
                'c.athlete_id',
                'c.attention_rank',
                'c.opened_on',
                'c.closed_on',
                'c.revision',
                'c.structure_title',
                'c.side',
                'c.nudged_at',
                'c.round_line',
                'a.name',
                'a.act',
                'p.name as practitioner',
            ])
            ->orderBy('c.attention_rank')
            ->orderBy('c.opened_on')
            ->orderBy('c.id')
            ->limit(self::LINES + 1);
        $after = explode('.', $this->text('after'));
        if (count($after) !== 1 || $after[0] !== '') {
            self::checkPlace($after);
            $query->whereRaw('(c.attention_rank, c.opened_on, c.id) > (?::smallint, ?::date, ?::uuid)', $after);
        }

        return array_values($query->get()->all());
    }

    /**
     * @param list<string> $after rank, day and id of the last line of the page before
     *
     * @throws InvalidInput
     */
    private static function checkPlace(array $after): void
    {
        try {
            $isPlace =
                count($after) === 3 &&
                preg_match('/^\d{1,3}$/D', $after[0]) === 1 &&
                Str::isUuid($after[2]) &&
                Day::fromIso($after[1])->toIso() === $after[1];
        } catch (InvalidArgumentException) {
            $isPlace = false;
        }
        if (!$isPlace) {
            throw InvalidInput::at('/after', 'must be the `next` of the page before; begin again at the first page');
        }
    }

    /** @return list<array<string, mixed>> what athletes wrote and nobody has answered, what has waited longest first */
    private function waitingForAnswer(): array
    {
        $newest = DB::table('messages as m')
            ->join('cases as c', 'c.id', '=', 'm.case_id')
            ->join('athletes as a', 'a.id', '=', 'c.athlete_id')
            ->where('c.practice_id', $this->for->practice_id)
            ->whereNotNull('c.asked_at')
            ->whereNull('m.seen_at')
            ->whereIn('m.kind', ['question', 'flare'])
            ->orderBy('m.at')
            ->limit(self::ASKED)
            ->get([
                'c.id as case',
                'a.name as athlete',
                'm.at',
                'm.kind',
                'm.words',
                'm.pain',
                DB::raw("m.kind = 'flare' and m.pain >= (c.response_rule->>'stop_at')::int as stops"),
            ]);

        return array_values(
            $newest
                ->map(
                    static fn(stdClass $row): array => [
                        'case' => $row->case,
                        'athlete' => $row->athlete,
                        'at' => str_replace(' ', 'T', substr(self::textOf($row, 'at'), 0, 19)) . 'Z',
                        'kind' => $row->kind,
                        'words' => $row->words,
                        'pain' => $row->pain,
                        'stops' => $row->stops === true,
                    ],
                )
                ->all(),
        );
    }

    /**
     * How many cases each group has, whatever page is shown. Counted up to a bound, most urgent first, so that a very
     * large practice is no slower.
     *
     * @return array<string, int>
     */
    private function groups(): array
    {
        $first = $this->narrowed()
            ->select('c.attention_group')
            ->orderBy('c.attention_rank')
            ->orderBy('c.opened_on')
            ->orderBy('c.id')
            ->limit(self::COUNTED);
        $counted = DB::query()
            ->fromSub($first, 'f')
            ->select('attention_group')
            ->selectRaw('count(*) as n')
            ->groupBy('attention_group')
            ->pluck('n', 'attention_group')
            ->all();

        /** @var array<string, int> $counted */
        return $counted;
    }

    private function narrowed(): Builder
    {
        $query = DB::table('cases as c')
            ->where('c.practice_id', $this->for->practice_id)
            ->whereRaw('(c.closed_on is null or c.stopped_after_close)');
        CaseSearch::narrow($query, 'c', $this->text('search'));
        foreach (
            ['practitioner' => 'c.practitioner_id::text', 'structure' => 'c.structure', 'stage' => 'c.stage_title']
            as $filter => $column
        ) {
            if ($this->text($filter) !== '') {
                $query->whereRaw("$column = ?", [$this->text($filter)]);
            }
        }
        if ($this->text('event') !== '') {
            $today = CarbonImmutable::now($this->for->practice->timezone);
            $query->whereRaw(
                'exists (select 1 from jsonb_array_elements_text(c.events) as event where event between ? and ?)',
                [$today->format('Y-m-d'), $today->addDays(self::EVENT_DAYS - 1)->format('Y-m-d')],
            );
        }

        return $query;
    }

    private static function line(stdClass $row): string
    {
        $answer = json_encode(
            [
                'id' => $row->id,
                'athlete' => ['id' => $row->athlete_id, 'name' => $row->name, 'act' => $row->act],
                'practitioner' => $row->practitioner,
                'structure' => $row->structure_title,
                'side' => $row->side,
                'opened_on' => $row->opened_on,
                'closed_on' => $row->closed_on,
                'revision' => $row->revision,
                'nudged_at' => is_string($row->nudged_at)
                    ? str_replace(' ', 'T', substr($row->nudged_at, 0, 19)) . 'Z'
                    : null,
            ],
            JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
        );

        return substr($answer, 0, -1) . ',"standing":' . self::textOf($row, 'round_line') . '}';
    }

    private static function textOf(stdClass $row, string $column): string
    {
        $value = $row->{$column};

        return is_scalar($value) ? (string) $value : 'null';
    }

    private function text(string $name): string
    {
        $value = $this->asked[$name] ?? '';

        return is_string($value) ? mb_substr(trim($value), 0, 120) : '';
    }
}
