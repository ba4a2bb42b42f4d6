<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** A practice, a rehearsal or a show that is expected on a day: load beside the plan (docs/rules.md, "A week's sums"). */
final readonly class ExpectedSport
{
    public const MOST_MINUTES = 600;

    private const LONGEST_NAME = 60;

    public function __construct(
        public Day $on,
        /** What it is, in the words of whoever entered it. */
        public string $what,
        /** 1 to {@see MOST_MINUTES}. */
        public int $minutes,
        /** Expected, 0–10. */
        public int $effort,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $what = trim($node->text('what'));
        if (mb_strlen($what) > self::LONGEST_NAME) {
            $node->fault('what', 'must have at most ' . self::LONGEST_NAME . ' letters');
        }

        return new self(
            $node->day('on'),
            $what,
            $node->whole('minutes', 1, self::MOST_MINUTES),
            $node->whole('effort', 0, 10),
        );
    }

    /** "Rehearsal, 90 min at an effort of 6" */
    public function words(): string
    {
        return ($this->what === '' ? 'Practice' : $this->what) . ", $this->minutes min at an effort of $this->effort";
    }

    /** @return array{on: string, what: string, minutes: int, effort: int} */
    public function toArray(): array
    {
        return [
            'on' => $this->on->toIso(),
            'what' => $this->what,
            'minutes' => $this->minutes,
            'effort' => $this->effort,
        ];
    }
}
