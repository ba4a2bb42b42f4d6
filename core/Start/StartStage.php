<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;
use Rung\Core\Stage\Stage;

/** A stage as far as the start needs to know it. */
final readonly class StartStage
{
    /** @param list<Goal>|null $goals null: for all goals */
    public function __construct(public string $key, public Mode $mode, public ?array $goals = null) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->key('key'), $node->choice('mode', Mode::class), Stage::readGoals($node));
    }

    public static function fromStage(Stage $stage): self
    {
        return new self($stage->key, $stage->mode, $stage->goals);
    }

    public function appliesTo(Goal $goal): bool
    {
        return $this->goals === null || in_array($goal, $this->goals, true);
    }
}
