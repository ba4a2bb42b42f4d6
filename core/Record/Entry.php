<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;

/** What was done of one prescription in a session, or pain in practice where it names none. */
final readonly class Entry
{
    /** @param list<LoggedSet> $sets */
    public function __construct(
        public ?string $prescription,
        public array $sets,
        /** Worst pain, 0–10. */
        public ?int $pain = null,
        /** Provocation test before, 0–10. */
        public ?int $before = null,
        /** Provocation test after, 0–10. */
        public ?int $after = null,
        public ?string $skipped = null,
        public ?string $notes = null,
        public ?HurtAt $hurt_at = null,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $entry = new self(
            $node->textOrNull('prescription'),
            $node->each('sets', LoggedSet::read(...)),
            $node->wholeOrNull('pain', 0, 10),
            $node->wholeOrNull('before', 0, 10),
            $node->wholeOrNull('after', 0, 10),
            $node->textOrNull('skipped'),
            $node->textOrNull('notes'),
            $node->choiceOrNull('hurt_at', HurtAt::class),
        );
        if (count($entry->sets) > \Rung\Core\Dose\Dose::MAX_SETS) {
            $node->fault('sets', 'must be at most 20 sets');
        }
        if (!$node->has('prescription') && $entry->sets !== []) {
            $node->fault('sets', 'must be empty where no prescription is named');
        }

        return $entry;
    }

    /**
     * The entry as it counts: each set by the share of the affected limb, and the worst pain of the exercise at least as high
     * as that of any set.
     */
    public function counted(Side $affected): self
    {
        if (
            array_filter(
                $this->sets,
                static fn(LoggedSet $set): bool => $set->left !== null || $set->right !== null || $set->pain !== null,
            ) === []
        ) {
            return $this;
        }
        $pains = array_filter(
            [$this->pain, ...array_column($this->sets, 'pain')],
            static fn(?int $pain): bool => $pain !== null,
        );

        return new self(
            $this->prescription,
            array_map(static fn(LoggedSet $set): LoggedSet => $set->counted($affected), $this->sets),
            $pains === [] ? null : max($pains),
            $this->before,
            $this->after,
            $this->skipped,
            $this->notes,
            $this->hurt_at,
        );
    }

    /** Whether the test was worse after the exercise than before it. */
    public function testGotWorse(): bool
    {
        return $this->before !== null && $this->after !== null && $this->after > $this->before;
    }
}
