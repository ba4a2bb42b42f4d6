<?php

declare(strict_types=1);

namespace Rung\Core\Snapshot;

use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Input\ObjectNode;

/** Where the next practice lies on the ladder of practice (docs/rules.md, "The ladder of practice"). */
final readonly class PracticeProgress
{
    private function __construct(
        /** The rung of the next practice, from 1. */
        public int $number,
        /** How many rungs there are. */
        public int $rungs,
        public PracticeStep $step,
    ) {}

    public static function fromLadder(PracticeLadder $ladder): self
    {
        return new self($ladder->at + 1, count($ladder->steps), $ladder->step());
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->whole('number', 1, PracticeStep::MOST),
            $node->whole('rungs', 1, PracticeStep::MOST),
            $node->child('step', PracticeStep::read(...)),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return ['number' => $this->number, 'rungs' => $this->rungs, 'step' => $this->step->toArray()];
    }
}
