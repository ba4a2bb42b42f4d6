<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** What the weeks of a case have to keep (docs/rules.md, "Weeks"). */
final readonly class WeekRules
{
    /** Most days that a rule between two sessions may reach over. */
    public const LONGEST_HOURS = 96;

    /**
     * @param list<Weekday> $available empty: every day
     * @param array<int, true> $blocked numbers of days
     * @param array<int, true> $events numbers of days; springs keep off them and the days beside them
     * @param list<LeastHours> $leastHours
     * @param array<string, int> $mostPerWeek by slot, from Monday to Sunday
     */
    public function __construct(
        public array $available = [],
        public array $blocked = [],
        public array $events = [],
        public array $leastHours = [],
        public array $mostPerWeek = [],
        /** Kinds of session on one day; those with days of their own are not counted. */
        public int $mostADay = 1,
    ) {}

    /** @param array<string, Slot> $slots */
    public static function read(ObjectNode $node, array $slots): self
    {
        $numbers = static fn(string $field): array => array_fill_keys(
            array_map(static fn(Day $day): int => $day->number, $node->days($field)),
            true,
        );
        $most = [];
        foreach (
            $node->eachOrEmpty(
                'most_per_week',
                static fn(ObjectNode $mostPerWeek): array => [
                    self::known($mostPerWeek, 'slot', $slots),
                    $mostPerWeek->whole('times', 1, 7),
                ],
            )
            as [$slot, $times]
        ) {
            $most[$slot] = $times;
        }

        return new self(
            $node->choicesOrNull('available', Weekday::class) ?? [],
            $numbers('blocked'),
            $numbers('events'),
            $node->eachOrEmpty(
                'least_hours',
                static fn(ObjectNode $hour): LeastHours => new LeastHours(
                    self::known($hour, 'after', $slots),
                    self::known($hour, 'before', $slots),
                    $hour->whole('hours', 1, self::LONGEST_HOURS),
                ),
            ),
            $most,
            $node->wholeOrNull('most_a_day', 1, 6) ?? 1,
        );
    }

    public function isAvailable(int $day): bool
    {
        $weekday = Day::fromNumber($day)->weekday();

        return $this->available === [] ||
            array_filter($this->available, static fn(Weekday $other): bool => $other->number() === $weekday) !== [];
    }

    public function isNearEvent(int $day): bool
    {
        return isset($this->events[$day - 1]) || isset($this->events[$day]) || isset($this->events[$day + 1]);
    }

    /** Days back that a rule looks at. */
    public function reach(): int
    {
        return max([0, ...array_map(static fn(LeastHours $leastHours): int => $leastHours->days(), $this->leastHours)]);
    }

    /** @param array<string, Slot> $slots */
    private static function known(ObjectNode $node, string $field, array $slots): string
    {
        $key = $node->key($field);
        if ($key !== '' && !isset($slots[$key])) {
            $node->fault($field, 'must name a slot of the request');
        }

        return $key;
    }
}
