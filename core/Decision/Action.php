<?php

declare(strict_types=1);

namespace Rung\Core\Decision;

use Rung\Core\Input\ObjectNode;

/** What is proposed for a case, and why. A practitioner decides. */
final readonly class Action
{
    public function __construct(public ActionKind $kind, public ActionReason $reason) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->choice('kind', ActionKind::class), $node->choice('reason', ActionReason::class));
    }

    /** Whether the dose or the stage would grow. */
    public function raisesLoad(): bool
    {
        return in_array(
            $this->kind,
            [ActionKind::Advance, ActionKind::Finish, ActionKind::Progress, ActionKind::AddLoad],
            true,
        );
    }

    /** @return array{kind: string, reasons: list<string>} */
    public function toArray(): array
    {
        return ['kind' => $this->kind->value, 'reasons' => [$this->reason->value]];
    }
}
