<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Dose\Dose;
use Rung\Core\Input\ObjectNode;

/** A decision as a practitioner sends it. */
final readonly class DecisionRequest
{
    /**
     * @param list<string>|null $prescriptions whose proposals are taken; null: the preferred ones
     * @param array<string, Dose> $doses by prescription
     */
    private function __construct(
        public DecisionKind $kind,
        /** The revision of the case that the practitioner was looking at. */
        public int $revision,
        public ?string $reason,
        public ?array $prescriptions,
        public array $doses,
        public ?string $stage,
        public ?string $clears,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->choice('kind', DecisionKind::class);
        $reason = $node->textOrNull('reason');
        $reasoned = in_array($kind, [DecisionKind::Change, DecisionKind::Stage, DecisionKind::ClearStop, DecisionKind::Keep], true);
        if ($reasoned && trim($reason ?? '') === '') {
            $node->fault('reason', 'is needed: say why, for the record');
        }
        $doses = [];
        foreach ($node->eachOrEmpty('doses', static fn(ObjectNode $one): array => [$one->key('prescription'), $one->child('dose', Dose::read(...))]) as [$key, $dose]) {
            $doses[$key] = $dose;
        }

        return new self(
            $kind,
            $node->whole('revision'),
            $reason === null || trim($reason) === '' ? null : trim($reason),
            $node->textsOrNull('prescriptions'),
            $doses,
            $kind === DecisionKind::Stage ? $node->key('stage') : $node->textOrNull('stage'),
            $kind === DecisionKind::ClearStop ? $node->key('clears') : $node->textOrNull('clears'),
        );
    }
}
