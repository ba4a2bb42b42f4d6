<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\StageEntry;
use Rung\Core\Response\Creep;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Time\Day;

/** A case in one picture: the morning test day by day and its mean over weeks, the stages, how sessions were tolerated. */
final readonly class CaseCourse
{
    private const WEEK = 7;

    /**
     * @param list<array{on: Day, score: int}> $scores of the morning test, 0–10
     * @param list<array{on: Day, mean: int|float}> $means of the test over the seven days that end there
     * @param list<array{from: Day, title: string}> $stages
     * @param list<array{on: Day, verdict: string}> $sessions
     */
    public function __construct(
        public Day $from,
        public Day $until,
        public array $scores,
        public array $means,
        public array $stages,
        public array $sessions,
        /** The school's limit for the next morning, 0–10. */
        public int $limit,
    ) {}

    public static function fromEvaluation(Evaluation $evaluation): self
    {
        $log = $evaluation->log;
        $from = $log->stageHistory[0]->from;
        $scores = [];
        foreach ($log->scored as $i => $checkIn) {
            $scores[] = ['on' => Day::fromNumber($log->scoredDay($i)), 'score' => (int) $checkIn->provocation];
        }
        $means = [];
        foreach (self::eachWeek($from, $log->today) as $end) {
            $within = array_values(
                array_filter(
                    $scores,
                    static fn(array $score): bool => $score['on']->number > $end->number - self::WEEK &&
                        $score['on']->number <= $end->number,
                ),
            );
            if ($within !== []) {
                $means[] = ['on' => $end, 'mean' => Creep::mean(array_column($within, 'score'))];
            }
        }

        return new self(
            $from,
            $log->today,
            $scores,
            $means,
            array_map(
                static fn(StageEntry $entry): array => [
                    'from' => $entry->from,
                    'title' => $log->file->stage($entry->stage)->title ?? $entry->stage,
                ],
                $log->stageHistory,
            ),
            array_map(
                static fn(SessionResponse $response): array => [
                    'on' => $log->dayOf($response->session),
                    'verdict' => $response->verdict->value,
                ],
                $evaluation->sessions,
            ),
            $log->file->response_rule->next_day_max,
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->day('from'),
            $node->day('until'),
            $node->each(
                'scores',
                static fn(ObjectNode $score): array => [
                    'on' => $score->day('on'),
                    'score' => $score->whole('score', 0, 10),
                ],
            ),
            $node->each(
                'means',
                static fn(ObjectNode $means): array => [
                    'on' => $means->day('on'),
                    'mean' => $means->number('mean', 0, 10),
                ],
            ),
            $node->each(
                'stages',
                static fn(ObjectNode $stage): array => ['from' => $stage->day('from'), 'title' => $stage->key('title')],
            ),
            $node->each(
                'sessions',
                static fn(ObjectNode $session): array => [
                    'on' => $session->day('on'),
                    'verdict' => $session->key('verdict'),
                ],
            ),
            $node->whole('limit', 0, 10),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $rows = static fn(array $row): array => array_map(
            static fn(mixed $value): mixed => $value instanceof Day ? $value->toIso() : $value,
            $row,
        );

        return [
            'from' => $this->from->toIso(),
            'until' => $this->until->toIso(),
            'scores' => array_map($rows, $this->scores),
            'means' => array_map($rows, $this->means),
            'stages' => array_map($rows, $this->stages),
            'sessions' => array_map($rows, $this->sessions),
            'limit' => $this->limit,
        ];
    }

    /** @return list<Day> the last day of each week, and the last day of all */
    private static function eachWeek(Day $from, Day $until): array
    {
        $ends = [];
        for ($end = $from->plus(self::WEEK - 1); !$end->isAfter($until); $end = $end->plus(self::WEEK)) {
            $ends[] = $end;
        }
        if ($ends === [] || $until->isAfter($ends[count($ends) - 1])) {
            $ends[] = $until;
        }

        return $ends;
    }
}
