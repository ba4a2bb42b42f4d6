<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Input\ObjectNode;

/** What a practitioner puts right, or strikes out, in an entry of a case; fields that are left out stay as they are. */
final readonly class EntryChange
{
    private const LEAST_WHY = 10;

    /** @param list<array{prescription: string|null, pain: int}> $pains of a session, by exercise */
    private function __construct(
        public EntryKind $what,
        public string $entry,
        public string $why,
        public bool $struck,
        public array $pains,
        public int|float|null $minutes,
        public ?int $effort,
        public ?int $provocation,
        public int|float|null $stiffnessMin,
        public int|float|null $affected,
        public int|float|null $unaffected,
        public int|float|null $score,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $why = trim($node->textOrNull('why') ?? '');
        if (mb_strlen($why) < self::LEAST_WHY) {
            $node->fault('why', 'is needed, in a few words at least: say what was wrong, for the record');
        }

        return new self(
            $node->choice('what', EntryKind::class),
            $node->key('entry'),
            $why,
            $node->flag('struck'),
            $node->eachOrEmpty(
                'pains',
                static fn(ObjectNode $pain): array => [
                    'prescription' => $pain->textOrNull('prescription'),
                    'pain' => $pain->whole('pain', 0, 10),
                ],
            ),
            $node->numberOrNull('minutes', 0, 1440),
            $node->wholeOrNull('effort', 0, 10),
            $node->wholeOrNull('provocation', 0, 10),
            $node->numberOrNull('stiffness_min', 0, 1440),
            $node->numberOrNull('affected', 0, 10000),
            $node->numberOrNull('unaffected', 0, 10000),
            $node->numberOrNull('score', -ObjectNode::LARGEST),
        );
    }
}
