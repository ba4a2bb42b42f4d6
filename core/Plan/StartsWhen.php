<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Input\ObjectNode;

/** What an exercise of a stage waits for before it begins (docs/rules.md, "What begins later"). */
final readonly class StartsWhen
{
    private const LAST_WEEK = 52;

    private function __construct(
        /** The week of the stage in which it begins, 2 to 52. */
        public ?int $stageWeek = null,
        /** Once the corridors of the stage's other exercises are full. */
        public bool $othersFull = false,
        /** A finding of the examination, by the key that screening gives it. */
        public ?string $finding = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $forms = array_values(array_filter(['stage_week', 'others', 'finding'], $node->has(...)));
        foreach (['stage_week', 'others', 'finding'] as $field) {
            $node->known($field);
        }
        if (count($forms) !== 1) {
            $node->faultHere('must have one of stage_week, others and finding');

            return new self(othersFull: true);
        }
        if ($forms[0] === 'others' && $node->text('others') !== 'full') {
            $node->fault('others', 'must be full');
        }

        return match ($forms[0]) {
            'stage_week' => new self(stageWeek: $node->whole('stage_week', 2, self::LAST_WEEK)),
            'finding' => new self(finding: $node->key('finding')),
            default => new self(othersFull: true),
        };
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return match (true) {
            $this->stageWeek !== null => ['stage_week' => $this->stageWeek],
            $this->finding !== null => ['finding' => $this->finding],
            default => ['others' => 'full'],
        };
    }
}
