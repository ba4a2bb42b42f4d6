<?php

declare(strict_types=1);

namespace Rung\Core\Papers;

use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A paper as it was drafted from the record and written since (docs/rules.md, "Papers"). */
final readonly class Paper
{
    /**
     * @param list<Block> $blocks
     * @param list<string> $leftOut keys of blocks that do not stand on it
     */
    public function __construct(
        public PaperKind $kind,
        public Letterhead $letterhead,
        /** The practitioner in whose name it is written. */
        public string $by,
        public Day $on,
        /** Whom it goes to, as the address reads; empty where it goes to the athlete or the file. */
        public string $to,
        /** Whom it is about. */
        public string $about,
        public array $blocks,
        public array $leftOut = [],
    ) {}

    /** @throws InvalidInput */
    public static function fromJson(string $json): self
    {
        return Json::read(
            $json,
            static fn(ObjectNode $node): self => new self(
                $node->choice('kind', PaperKind::class),
                $node->child('letterhead', Letterhead::read(...)),
                $node->key('by'),
                $node->day('on'),
                $node->textOrNull('to') ?? '',
                $node->key('about'),
                $node->each('blocks', Block::read(...)),
                $node->textsOrNull('left_out') ?? [],
            ),
        );
    }

    public function isLeftOut(Block $block): bool
    {
        return in_array($block->key, $this->leftOut, true);
    }

    /** @return list<Block> that stand on it */
    public function shown(): array
    {
        return array_values(
            array_filter($this->blocks, fn(Block $block): bool => !$this->isLeftOut($block) && !$block->isEmpty()),
        );
    }

    /**
     * The same with what was written since.
     *
     * @param array<string, string> $texts by the key of their block
     * @param list<string> $leftOut
     *
     * @throws InvalidInput where a block is not one of this paper
     */
    public function written(string $to, array $texts, array $leftOut): self
    {
        $byKey = array_column($this->blocks, null, 'key');
        foreach (array_keys($texts) as $key) {
            if (($byKey[$key] ?? null)?->kind !== BlockKind::Text) {
                throw InvalidInput::at("/texts/$key", 'is no text of this paper; reload the page and write again');
            }
        }
        foreach ($leftOut as $i => $key) {
            if (!isset($byKey[$key])) {
                throw InvalidInput::at("/left_out/$i", 'names no part of this paper; reload the page and choose again');
            }
        }

        return new self(
            $this->kind,
            $this->letterhead,
            $this->by,
            $this->on,
            $to,
            $this->about,
            array_map(
                static fn(Block $block): Block => isset($texts[$block->key])
                    ? $block->withText($texts[$block->key])
                    : $block,
                $this->blocks,
            ),
            $leftOut,
        );
    }

    /**
     * The words on the paper that give away the diagnosis, where that needs an agreement of its own.
     *
     * @param list<string> $names of the structure, as people call it
     *
     * @return list<string>
     */
    public function diagnosisNamed(array $names): array
    {
        if ($this->kind->namesDiagnosis()) {
            return [];
        }
        $all = [$this->about];
        foreach ($this->shown() as $block) {
            $all = [
                ...$all,
                $block->heading ?? '',
                $block->text,
                ...$block->columns,
                ...array_merge(...$block->rows ?: [[]]),
            ];
        }
        $text = mb_strtolower(implode("\n", $all));

        return array_values(
            array_unique(
                array_filter(
                    array_map(mb_strtolower(...), $names),
                    static fn(string $name): bool => $name !== '' &&
                        preg_match('/(?<![\p{L}])' . preg_quote($name, '/') . '(?![\p{L}])/u', $text) === 1,
                ),
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'kind' => $this->kind->value,
            'letterhead' => $this->letterhead->toArray(),
            'by' => $this->by,
            'on' => $this->on->toIso(),
            'to' => $this->to,
            'about' => $this->about,
            'blocks' => array_map(static fn(Block $block): array => $block->toArray(), $this->blocks),
            'left_out' => $this->leftOut,
        ];
    }
}
