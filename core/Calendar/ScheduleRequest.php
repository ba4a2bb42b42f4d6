<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** What a calendar is made from (docs/formats/case-file.md, "Schedule"). */
final readonly class ScheduleRequest
{
    /** Ten years. */
    public const MAX_DAYS = 3660;

    /** @var array<int, true> numbers of dates on which springs are kept off */
    private array $keptOff;

    /** @var array<int, true> numbers of blocked dates */
    private array $closed;

    /**
     * @param list<Weekday> $available
     * @param list<Day> $blocked
     * @param list<Day> $events
     * @param non-empty-list<Slot> $slots
     */
    public function __construct(
        public Day $from,
        public int $days,
        public array $available,
        public array $slots,
        public Rhythm $rhythm,
        array $blocked = [],
        array $events = [],
        public ?Day $notBefore = null,
    ) {
        $keptOff = [];
        foreach ($events as $event) {
            foreach ([-1, 0, 1] as $beside) {
                $keptOff[$event->number + $beside] = true;
            }
        }
        $this->keptOff = $keptOff;
        $this->closed = array_fill_keys(array_column($blocked, 'number'), true);
    }

    public static function read(ObjectNode $node): self
    {
        $slots = $node->each('slots', Slot::read(...));
        if ($slots === [] && $node->isEmptyList('slots')) {
            $node->fault('slots', 'must hold at least one slot');
        }
        $node->unique('slots', 'key', array_column($slots, 'key'));
        $rhythm = $node->child('rhythm', Rhythm::read(...));
        foreach ($rhythm->cycle ?? [] as $i => $key) {
            if (!in_array($key, array_column($slots, 'key'), true)) {
                $node->inItem("rhythm/cycle/$i", 'must name a slot of the request');
            }
        }
        $node->required('available');

        return new self(
            $node->day('from'),
            $node->whole('days', 0, self::MAX_DAYS),
            $node->choicesOrNull('available', Weekday::class) ?? [],
            $slots === [] ? [new Slot('', \Rung\Core\Dose\Mode::Isometric)] : $slots,
            $rhythm,
            $node->days('blocked'),
            $node->days('events'),
            $node->dayOrNull('not_before'),
        );
    }

    /**
     * @return array{placed: list<array{on: string, slot: string, number: int}>}
     *
     * @throws \Rung\Core\Input\InvalidInput
     */
    public static function answer(string $json): array
    {
        $request = Json::read($json, self::read(...));

        return [
            'placed' => array_map(static fn(Placed $placed): array => $placed->toArray(), Scheduler::place($request)),
        ];
    }

    public function isUsable(Day $day): bool
    {
        foreach ($this->available as $weekday) {
            if ($weekday->number() === $day->weekday()) {
                return !isset($this->closed[$day->number]) &&
                    ($this->notBefore === null || !$this->notBefore->isAfter($day));
            }
        }

        return false;
    }

    /** Whether it is an event's date, the day before it or the day after it. */
    public function keepsSpringsOff(Day $day): bool
    {
        return isset($this->keptOff[$day->number]);
    }

    public function slot(string $key): Slot
    {
        foreach ($this->slots as $slot) {
            if ($slot->key === $key) {
                return $slot;
            }
        }

        return $this->slots[0];
    }
}
