<?php

declare(strict_types=1);

namespace Rung\Core\Stage;

use Rung\Core\Input\ObjectNode;

/** Pain in exercise stays low for some days. */
final readonly class ExercisePain extends LowPain
{
    public static function fromFields(ObjectNode $node): self
    {
        return new self($node->whole('max', 0, 10), $node->whole('days'), $node->whole('min_sessions'));
    }

    public function type(): CriterionType
    {
        return CriterionType::ExercisePain;
    }

    protected function pain(DoneSession $session): ?int
    {
        return $session->during;
    }
}
