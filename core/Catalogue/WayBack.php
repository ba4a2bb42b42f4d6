<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;

/** The usual way back to sport for a goal: alone before with others, easy before hard, short before long. */
final readonly class WayBack
{
    /**
     * @param list<Goal> $goals
     * @param list<PracticeStep> $steps easier first
     */
    private function __construct(public array $goals, public array $steps) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->choicesOrNull('goals', Goal::class) ?? [], PracticeStep::readAll($node, 'steps'));
    }
}
