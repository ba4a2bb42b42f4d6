<?php

declare(strict_types=1);

namespace Rung\Core\Dose;

use Rung\Core\Input\ObjectNode;

/** How a dose grows: an ordered list of levers, or blocks of weeks fixed by the programme. */
final readonly class Progression
{
    /**
     * @param list<Lever>|null $levers null where blocks drive it
     * @param list<Block>|null $blocks null where levers drive it
     */
    private function __construct(
        public ?array $levers,
        public ?array $blocks,
        private int|float|null $blockIncrementKg,
    ) {}

    public static function read(ObjectNode $node): self
    {
        foreach (['levers', 'blocks'] as $field) {
            $node->known($field);
        }
        if (!$node->holds('blocks')) {
            return new self($node->each('levers', Lever::read(...)), null, null);
        }
        if ($node->holds('levers')) {
            $node->fault('levers', 'cannot stand beside blocks; keep one of the two');
        }
        $blocks = $node->each('blocks', Block::read(...));
        if ($blocks === []) {
            $node->fault('blocks', 'must hold at least one block');
        }
        $before = 0;
        foreach ($blocks as $i => $block) {
            if ($node->isFaultyAt("blocks/$i") || $node->isFaultyAt("blocks/$i/from_week")) {
                continue;
            }
            if ($i === 0 ? $block->from_week !== 1 : $block->from_week <= $before) {
                $node->inItem(
                    "blocks/$i/from_week",
                    $i === 0 ? 'must be 1, so that the first week has a dose' : 'must be later than the block before',
                );
            }
            $before = $block->from_week;
        }

        return new self(null, $blocks, $node->positive('increment_kg'));
    }

    /**
     * The same growth for another limb.
     *
     * @param int|float|null $incrementKg the least change of weight in kilograms; null: as it is
     * @param list<string>|null $bands labels that take the place of kilograms, easier first; null: as it is
     */
    public function fitting(int|float|null $incrementKg, ?array $bands): self
    {
        return new self(
            $this->levers === null
                ? null
                : array_map(static fn(Lever $lever): Lever => $lever->fitting($incrementKg, $bands), $this->levers),
            $this->blocks,
            $this->blockIncrementKg === null ? null : $incrementKg ?? $this->blockIncrementKg,
        );
    }

    /** The first lever of a kind, if there is one. */
    public function lever(LeverKind $kind): ?Lever
    {
        foreach ($this->levers ?? [] as $lever) {
            if ($lever->kind === $kind) {
                return $lever;
            }
        }

        return null;
    }

    /** The first lever that adds weight, by increments or by a repetition maximum. */
    public function weightLever(): ?Lever
    {
        foreach ($this->levers ?? [] as $lever) {
            if ($lever->increment_kg !== null) {
                return $lever;
            }
        }

        return null;
    }

    /** The least change of weight, in kilograms; null where the progression changes none. */
    public function incrementKg(): int|float|null
    {
        return $this->blockIncrementKg ?? $this->weightLever()?->increment_kg;
    }

    /** The block in force in a week of the stage (1 is the first). */
    public function blockFor(int $week): ?Block
    {
        $inForce = null;
        foreach ($this->blocks ?? [] as $block) {
            if ($block->from_week <= $week) {
                $inForce = $block;
            }
        }

        return $inForce;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->blocks === null
            ? ['levers' => array_map(static fn(Lever $lever): array => $lever->toArray(), $this->levers ?? [])]
            : [
                'blocks' => array_map(static fn(Block $block): array => $block->toArray(), $this->blocks),
                'increment_kg' => $this->blockIncrementKg,
            ];
    }
}
