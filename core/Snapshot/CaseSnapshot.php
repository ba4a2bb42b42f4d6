<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Stage\CriterionResult;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/**
 * How a case stands at a moment, in codes and numbers: what lists of cases show of it, and what is asked of every case
 * often. It holds no sentence; those are made of it. It is kept with the revision of the case that it was made from.
 */
final readonly class CaseSnapshot
{
    /** Raised when its shape changes: one of another format is not read, and the case is evaluated again. */
    public const FORMAT = 'rung-snapshot/1';

    /** Days of responses that it holds. */
    public const DAYS = 14;

    /** Days ahead within which an event is shown. */
    private const EVENT_DAYS = 7;

    /**
     * @param list<StageRung> $ladder lowest first
     * @param list<GatePeg> $pegs of the present gate, in its order
     * @param list<RecentResponse> $responses of the last {@see DAYS} days, oldest first
     * @param list<DueTest> $testsDue
     */
    private function __construct(
        public Moment $at,
        public Day $today,
        public string $stage,
        public string $stageTitle,
        public array $ladder,
        public array $pegs,
        public array $responses,
        public ProposedStep $proposed,
        public ActionGrounds $grounds,
        public AttentionGrounds $attention,
        /** The next event within a week. */
        public ?Day $eventOn,
        public array $testsDue,
    ) {}

    /** @param list<Day> $events what the athlete has coming, in any order */
    public static function take(Evaluation $evaluation, PlanStep $step, Catalogue $catalogue, array $events): self
    {
        $log = $evaluation->log;

        return new self(
            at: $log->at,
            today: $log->today,
            stage: $log->stage->key,
            stageTitle: $log->stage->title,
            ladder: StageRung::all($log),
            pegs: array_map(
                static fn(CriterionResult $result): GatePeg => GatePeg::fromResult($result),
                $evaluation->gate->criteria,
            ),
            responses: RecentResponse::all($evaluation, self::DAYS),
            proposed: ProposedStep::fromStep($evaluation, $step, $catalogue),
            grounds: ActionGrounds::fromEvaluation($evaluation, $step->plan),
            attention: AttentionGrounds::fromEvaluation($evaluation),
            eventOn: self::nextEvent($events, $log->today),
            testsDue: DueTest::all($log, $catalogue),
        );
    }

    /**
     * The snapshot that was kept; null where it has another format.
     *
     * @throws InvalidInput where it says this format and cannot be read
     */
    public static function fromJson(string $json): ?self
    {
        $kept = json_decode($json, true);

        return is_array($kept) && ($kept['format'] ?? null) === self::FORMAT
            ? Json::read($json, self::read(...))
            : null;
    }

    private static function read(ObjectNode $node): self
    {
        $node->known('format');

        return new self(
            $node->moment('at'),
            $node->day('today'),
            $node->key('stage'),
            $node->text('stage_title'),
            $node->each('ladder', StageRung::read(...)),
            $node->each('pegs', GatePeg::read(...)),
            $node->each('responses', RecentResponse::read(...)),
            $node->child('proposed', ProposedStep::read(...)),
            $node->child('grounds', ActionGrounds::read(...)),
            $node->child('attention', AttentionGrounds::read(...)),
            $node->dayOrNull('event_on'),
            $node->each('tests_due', DueTest::read(...)),
        );
    }

    public function isStopped(): bool
    {
        return $this->grounds->isStopped();
    }

    /** Whether it was eased so often lately that it is no course. */
    public function isUnsettled(): bool
    {
        return $this->attention->easedDays !== null;
    }

    /** @return array<string, mixed> as {@see fromJson} reads it */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'at' => $this->at->toIso(),
            'today' => $this->today->toIso(),
            'stage' => $this->stage,
            'stage_title' => $this->stageTitle,
            'ladder' => array_map(static fn(StageRung $rung): array => $rung->toArray(), $this->ladder),
            'pegs' => array_map(static fn(GatePeg $peg): array => $peg->toArray(), $this->pegs),
            'responses' => array_map(static fn(RecentResponse $recent): array => $recent->toArray(), $this->responses),
            'proposed' => $this->proposed->toArray(),
            'grounds' => $this->grounds->toArray(),
            'attention' => $this->attention->toArray(),
            'event_on' => $this->eventOn?->toIso(),
            'tests_due' => array_map(static fn(DueTest $test): array => $test->toArray(), $this->testsDue),
        ];
    }

    /** @param list<Day> $events */
    private static function nextEvent(array $events, Day $today): ?Day
    {
        $coming = array_values(
            array_filter(
                $events,
                static fn(Day $day): bool => $day->daysSince($today) >= 0 && $day->daysSince($today) < self::EVENT_DAYS,
            ),
        );
        usort($coming, static fn(Day $a, Day $b): int => $a->number <=> $b->number);

        return $coming[0] ?? null;
    }
}
