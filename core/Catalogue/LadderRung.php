<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Input\ObjectNode;

/** One rung of a ladder: an exercise, how demanding it is, and what makes it harder than the one below. */
final readonly class LadderRung
{
    public const MAX_DEMAND = 10;

    /** @param list<RungChange> $changes empty on the lowest rung */
    private function __construct(
        public string $exercise,
        /** From 1 to 10, in comparison within the ladder alone. */
        public int $demand,
        public array $changes,
        public ?string $words,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('exercise'),
            $node->whole('demand', 1, self::MAX_DEMAND),
            $node->choicesOrNull('changes', RungChange::class) ?? [],
            $node->textOrNull('words'),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'exercise' => $this->exercise,
                'demand' => $this->demand,
                'changes' => $this->changes === [] ? null : array_column($this->changes, 'value'),
                'words' => $this->words,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
