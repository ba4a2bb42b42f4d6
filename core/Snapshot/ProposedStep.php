<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Acceptance\ChangeNote;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Catalogue\Titles;
use Rung\Core\Decision\Action;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Input\ObjectNode;

/** What is proposed, with what accepting it would change. */
final readonly class ProposedStep
{
    /** @param list<ChangeNote> $notes */
    private function __construct(
        public Action $action,
        /** The title of the stage that accepting it enters; null where it enters none. */
        public ?string $stage,
        public array $notes,
        public Titles $titles,
        /** Whether accepting it changes anything. */
        public bool $isAcceptable,
    ) {}

    public static function fromStep(Evaluation $evaluation, PlanStep $step, Titles $titles): self
    {
        $entered = $evaluation->action->kind === ActionKind::Advance ? $evaluation->nextStage : $step->enterStage;

        return new self(
            $evaluation->action,
            $entered === null ? null : $evaluation->log->file->stage($entered)->title ?? $entered,
            $step->notes,
            $titles,
            $step->changesAnything(),
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->child('action', Action::read(...)),
            $node->textOrNull('stage'),
            $node->each('notes', ChangeNote::read(...)),
            $node->child('titles', KeptTitles::read(...)),
            $node->flag('acceptable'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'action' => ['kind' => $this->action->kind->value, 'reason' => $this->action->reason->value],
            'stage' => $this->stage,
            'notes' => array_map(static fn(ChangeNote $note): object => (object) $note->toArray(), $this->notes),
            'titles' => KeptTitles::ofNotes($this->notes, $this->titles)->toArray(),
            'acceptable' => $this->isAcceptable,
        ];
    }
}
