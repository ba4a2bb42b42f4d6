<?php

declare(strict_types=1);

namespace Rung\Core\Evaluation;

use Rung\Core\Attention\Adherence;
use Rung\Core\Attention\Attention;
use Rung\Core\Attention\WeekLoad;
use Rung\Core\Decision\Action;
use Rung\Core\Decision\Asked;
use Rung\Core\Decision\Bout;
use Rung\Core\Decision\Bouts;
use Rung\Core\Decision\LoggedWork;
use Rung\Core\Decision\Proposal;
use Rung\Core\Decision\StopSource;
use Rung\Core\Gate\CriterionOutlook;
use Rung\Core\Gate\Gate;
use Rung\Core\Gate\GateOutlook;
use Rung\Core\Response\Creep;
use Rung\Core\Response\Log;
use Rung\Core\Response\SessionResponse;

/** Everything that the rules say about a case at a moment. */
final readonly class Evaluation
{
    public const FORMAT = 'rung-evaluation/1';

    /**
     * @param list<SessionResponse> $sessions in order of start
     * @param list<Asked> $asked what the next session asks, in the stage's order
     * @param list<Proposal> $proposals in the stage's order
     * @param list<string> $drop keys of prescriptions better left out for now
     * @param list<StopSource> $stops
     */
    public function __construct(
        public Log $log,
        public array $sessions,
        public Creep $creep,
        public Action $action,
        public Attention $attention,
        public Gate $gate,
        public Adherence $adherence,
        public WeekLoad $thisWeek,
        public WeekLoad $lastWeek,
        public array $asked,
        public array $proposals,
        public array $drop,
        /** The stage that an advance would enter. */
        public ?string $nextStage,
        public array $stops,
        /** The recent bouts, on which the action rests. */
        public Bouts $bouts,
        /** What was done of each prescription. */
        public LoggedWork $work,
    ) {}

    /** @return array<string, Asked> */
    public function askedByPrescription(): array
    {
        $asked = [];
        foreach ($this->asked as $exercise) {
            $asked[$exercise->prescription->key] = $exercise;
        }

        return $asked;
    }

    /** @return list<CriterionOutlook> the gate along time, in its order */
    public function outlooks(): array
    {
        return GateOutlook::forGate($this->log, $this->sessions, $this->gate);
    }

    /** The newest of the recent bouts. */
    public function last(): ?Bout
    {
        return $this->bouts->last();
    }

    /** Whether a stop waits for a review. */
    public function isStopped(): bool
    {
        return array_filter($this->stops, static fn(StopSource $stop): bool => !$stop->isCleared()) !== [];
    }

    /** Whether a maximum was measured, so that a share of it means something. */
    public function isMeasured(): bool
    {
        return $this->log->file->tests !== [];
    }

    /** @param list<Proposal> $proposals */
    public function decidedAs(Action $action, Attention $attention, array $proposals): self
    {
        return new self(
            $this->log,
            $this->sessions,
            $this->creep,
            $action,
            $attention,
            $this->gate,
            $this->adherence,
            $this->thisWeek,
            $this->lastWeek,
            $this->asked,
            $proposals,
            $this->drop,
            $this->nextStage,
            $this->stops,
            $this->bouts,
            $this->work,
        );
    }

    /** @return array<string, mixed> as docs/formats/case-file.md, "Evaluation", has it */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'at' => $this->log->at->toIso(),
            'today' => $this->log->today->toIso(),
            'stage' => $this->log->stage->key,
            'sessions' => array_map(
                static fn(SessionResponse $response): array => $response->toArray(),
                $this->sessions,
            ),
            'creep' => $this->creep->toArray(),
            'action' => $this->action->toArray(),
            'attention' => $this->attention->toArray(),
            'gate' => $this->gate->toArray(),
            'adherence' => $this->adherence->toArray(),
            'week' => [
                'this' => $this->thisWeek->toArray(),
                'last' => $this->lastWeek->toArray(),
                'change_percent' => $this->thisWeek->changeSince($this->lastWeek),
            ],
            'asked' => array_map(static fn(Asked $asked): array => $asked->toArray(), $this->asked),
            'proposals' => array_map(static fn(Proposal $proposal): array => $proposal->toArray(), $this->proposals),
            'drop' => $this->drop,
            'next_stage' => $this->nextStage,
        ];
    }
}
