<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\StageEntry;
use Rung\Core\Response\Creep;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Time\Day;

/** A case in one picture: the morning test day by day and its mean over weeks, the stages, how sessions were borne. */
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

    public static function of(Evaluation $evaluation): self
    {
        $log = $evaluation->log;
        $from = $log->stageHistory[0]->from;
        $scores = [];
        foreach ($log->scored as $i => $checkIn) {
            $scores[] = ['on' => Day::fromNumber($log->scoredDay($i)), 'score' => (int) $checkIn->provocation];
        }
        $means = [];
        foreach (self::eachWeek($from, $log->today) as $end) {
            $within = array_values(array_filter($scores, static fn(array $one): bool => $one['on']->number > $end->number - self::WEEK && $one['on']->number <= $end->number));
            if ($within !== []) {
                $means[] = ['on' => $end, 'mean' => Creep::mean(array_column($within, 'score'))];
            }
        }

        return new self(
            $from,
            $log->today,
            $scores,
            $means,
            array_map(static fn(StageEntry $entry): array => ['from' => $entry->from, 'title' => $log->file->stage($entry->stage)->title ?? $entry->stage], $log->stageHistory),
            array_map(static fn(SessionResponse $one): array => ['on' => $log->dayOf($one->session), 'verdict' => $one->verdict->value], $evaluation->sessions),
            $log->file->response_rule->next_day_max,
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->day('from'),
            $node->day('until'),
            $node->each('scores', static fn(ObjectNode $one): array => ['on' => $one->day('on'), 'score' => $one->whole('score', 0, 10)]),
            $node->each('means', static fn(ObjectNode $one): array => ['on' => $one->day('on'), 'mean' => $one->number('mean', 0, 10)]),
            $node->each('stages', static fn(ObjectNode $one): array => ['from' => $one->day('from'), 'title' => $one->key('title')]),
            $node->each('sessions', static fn(ObjectNode $one): array => ['on' => $one->day('on'), 'verdict' => $one->key('verdict')]),
            $node->whole('limit', 0, 10),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        $told = static fn(array $one): array => array_map(static fn(mixed $value): mixed => $value instanceof Day ? $value->toIso() : $value, $one);

        return [
            'from' => $this->from->toIso(),
            'until' => $this->until->toIso(),
            'scores' => array_map($told, $this->scores),
            'means' => array_map($told, $this->means),
            'stages' => array_map($told, $this->stages),
            'sessions' => array_map($told, $this->sessions),
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
