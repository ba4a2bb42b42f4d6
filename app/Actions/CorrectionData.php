<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Input\ObjectNode;

/** What an athlete puts right in an entry of today or yesterday; fields that are left out stay as they are. */
final readonly class CorrectionData
{
    /** @param list<array{prescription: string|null, pain: int}> $pains of a session, by exercise */
    private function __construct(
        public string $what,
        public string $entry,
        public bool $withdrawn,
        public array $pains,
        public int|float|null $minutes,
        public ?int $effort,
        public int|float|null $settledMin,
        public ?int $provocation,
        public int|float|null $stiffnessMin,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $what = $node->text('what');
        if ($node->hasText('what') && !in_array($what, ['session', 'morning'], true)) {
            $node->fault('what', 'must be session or morning');
        }

        return new self(
            $what,
            $node->key('entry'),
            $node->flag('withdrawn'),
            $node->eachOrEmpty(
                'pains',
                static fn(ObjectNode $pain): array => [
                    'prescription' => $pain->textOrNull('prescription'),
                    'pain' => $pain->whole('pain', 0, 10),
                ],
            ),
            $node->numberOrNull('minutes', 0, 1440),
            $node->wholeOrNull('effort', 0, 10),
            $node->numberOrNull('settled_min', 0, 4320),
            $node->wholeOrNull('provocation', 0, 10),
            $node->numberOrNull('stiffness_min', 0, 1440),
        );
    }
}
