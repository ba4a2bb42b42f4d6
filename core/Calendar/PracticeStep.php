<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\ObjectNode;

/** One rung of the way back to sport: a practice as it is asked for (docs/rules.md, "The ladder of practice"). */
final readonly class PracticeStep
{
    public const LONGEST_TITLE = 80;

    /** Most rungs of a way back. */
    public const MOST = 20;

    public function __construct(
        /** What is practised, in a few words. */
        public string $title,
        /** 1 to {@see ExpectedSport::MOST_MINUTES}. */
        public int $minutes,
        /** As hard as it may be, 0–10. */
        public int $effort,
        /** With others; alone where not. */
        public bool $withOthers = false,
        /** All that the others do: taking part in full. */
        public bool $full = false,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $title = trim($node->key('title'));
        if (mb_strlen($title) > self::LONGEST_TITLE) {
            $node->fault('title', 'must have at most ' . self::LONGEST_TITLE . ' letters');
        }
        $step = new self(
            $title,
            $node->whole('minutes', 1, ExpectedSport::MOST_MINUTES),
            $node->whole('effort', 0, 10),
            $node->flagOrNull('with_others') ?? false,
            $node->flagOrNull('full') ?? false,
        );
        if ($step->full && !$step->withOthers) {
            $node->fault('full', 'goes with others alone: nobody takes part in full by themselves');
        }

        return $step;
    }

    /**
     * The rungs of a way back, easier first: none asks for less than the one below it, and whoever practises with others is
     * not sent back to practise alone.
     *
     * @return list<self>
     */
    public static function readAll(ObjectNode $node, string $field): array
    {
        $steps = $node->eachOrEmpty($field, self::read(...));
        if (count($steps) > self::MOST) {
            $node->fault($field, 'must have at most ' . self::MOST . ' rungs');
        }
        foreach ($steps as $i => $step) {
            $below = $steps[$i - 1] ?? null;
            if ($below !== null && $step->load() < $below->load()) {
                $node->inItem(
                    "$field/$i/minutes",
                    'must not ask for less than the rung below it: minutes × effort would fall',
                );
            }
            if ($below !== null && $below->withOthers && !$step->withOthers) {
                $node->inItem("$field/$i/with_others", 'must be with others, as the rung below it is');
            }
        }

        return $steps;
    }

    /** Minutes × effort. */
    public function load(): int
    {
        return $this->minutes * $this->effort;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'title' => $this->title,
                'minutes' => $this->minutes,
                'effort' => $this->effort,
                'with_others' => $this->withOthers ? true : null,
                'full' => $this->full ? true : null,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
