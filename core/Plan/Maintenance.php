<?php

declare(strict_types=1);

namespace Rung\Core\Plan;

use Rung\Core\Calendar\Rhythm;
use Rung\Core\Calendar\Slot;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** What is kept up of a stage after the programme is finished (docs/rules.md, "Maintenance"). */
final readonly class Maintenance
{
    /** Days after which it is asked whether it stays good. */
    public const DAYS = 56;

    public const MOST_PER_WEEK = 2;

    private function __construct(
        /** Key of the stage whose doses are kept up. */
        public string $stage,
        public Day $from,
        /** The day on which it is asked whether it stays good. */
        public Day $until,
        /** Sessions from Monday to Sunday, 1 or 2. */
        public int $perWeek,
    ) {}

    /** @param int $perWeek sessions a week, 1 or 2 */
    public static function forStage(string $stage, Day $from, int $perWeek): self
    {
        return new self($stage, $from, $from->plus(self::DAYS), min(self::MOST_PER_WEEK, max(1, $perWeek)));
    }

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('stage'),
            $node->day('from'),
            $node->day('until'),
            $node->whole('per_week', 1, self::MOST_PER_WEEK),
        );
    }

    public function isOver(Day $today): bool
    {
        return !$this->until->isAfter($today);
    }

    /** The stage with one kind of session, so many times a week; null where another stage is meant. */
    public function calendarOf(PlanStage $stage): ?PlanStage
    {
        $slot = self::slot($stage);

        return $stage->stage->key !== $this->stage || $slot === null
            ? null
            : new PlanStage($stage->stage, [$slot], Rhythm::perWeek($this->perWeek, $this->perWeek === 1 ? 5 : 3));
    }

    /** The kind of session that is kept up: moving strength work where the stage has it, else the first that has exercises. */
    private static function slot(PlanStage $stage): ?Slot
    {
        $asked = array_column($stage->stage->prescriptions, 'slot');
        $loading = array_values(
            array_filter(
                $stage->slots,
                static fn(Slot $slot): bool => $slot->beside === null && in_array($slot->key, $asked, true),
            ),
        );
        $slow = array_values(array_filter($loading, static fn(Slot $slot): bool => $slot->mode->isMoving()));
        $kept = $slow[0] ?? ($loading[0] ?? null);

        return $kept === null ? null : new Slot($kept->key, $kept->mode, 1, $kept->title);
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'stage' => $this->stage,
            'from' => $this->from->toIso(),
            'until' => $this->until->toIso(),
            'per_week' => $this->perWeek,
        ];
    }
}
