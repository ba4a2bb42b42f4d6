<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Moment;

/** An answer of the athlete's: the provocation test, stiffness, signs. */
final readonly class CheckIn
{
    /** @param list<Sign>|null $signs */
    public function __construct(
        public string $id,
        public Moment $at,
        /** Score of the provocation test, 0–10. */
        public ?int $provocation = null,
        /** Minutes of morning stiffness. */
        public int|float|null $stiffness_min = null,
        public ?array $signs = null,
        public ?bool $late = null,
        public ?string $notes = null,
    ) {}

    /** The same answer at another moment, where a phone's clock was wrong. */
    public function movedTo(Moment $at): self
    {
        return new self(
            $this->id,
            $at,
            $this->provocation,
            $this->stiffness_min,
            $this->signs,
            $this->late,
            $this->notes,
        );
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('id'),
            $node->moment('at'),
            $node->wholeOrNull('provocation', 0, 10),
            $node->numberOrNull('stiffness_min'),
            $node->choicesOrNull('signs', Sign::class),
            $node->flagOrNull('late'),
            $node->textOrNull('notes'),
        );
    }
}
