<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\ObjectNode;

/** What drives a stage's calendar: a cycle of slots, every n days, or n times a week. */
final readonly class Rhythm
{
    /** @param list<string>|null $cycle keys of slots, taken in turn, one a day */
    private function __construct(
        public ?array $cycle,
        /** Least number of days from one session to the next. */
        public ?int $every_days,
        /** Most sessions from Monday to Sunday. */
        public ?int $per_week,
        /** Least number of days between two of them. */
        public ?int $min_gap_days,
    ) {}

    /**
     * @param int $times most sessions from Monday to Sunday, 1 to 7
     * @param int $minGapDays least number of days between two of them
     */
    public static function perWeek(int $times, int $minGapDays): self
    {
        return new self(null, null, $times, $minGapDays);
    }

    /** @param non-empty-list<string> $slots keys, taken in turn, one a day */
    public static function inTurn(array $slots): self
    {
        return new self($slots, null, null, null);
    }

    public static function read(ObjectNode $node): self
    {
        $forms = array_values(array_filter(['cycle', 'every_days', 'per_week'], $node->has(...)));
        foreach (['cycle', 'every_days', 'per_week', 'min_gap_days'] as $field) {
            $node->known($field);
        }
        if (count($forms) !== 1) {
            $node->faultHere('must have one of cycle, every_days and per_week');

            return new self(null, 1, null, null);
        }
        if ($forms[0] !== 'per_week' && $node->has('min_gap_days')) {
            $node->fault('min_gap_days', 'goes with per_week alone');
        }
        if ($forms[0] === 'cycle') {
            $cycle = $node->textsOrNull('cycle') ?? [];
            if ($cycle === []) {
                $node->fault('cycle', 'must name at least one slot');
            }

            return new self($cycle, null, null, null);
        }

        return $forms[0] === 'every_days'
            ? new self(null, $node->whole('every_days', 1), null, null)
            : new self(null, null, $node->whole('per_week', 1, 7), $node->whole('min_gap_days'));
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'cycle' => $this->cycle,
                'every_days' => $this->every_days,
                'per_week' => $this->per_week,
                'min_gap_days' => $this->min_gap_days,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
