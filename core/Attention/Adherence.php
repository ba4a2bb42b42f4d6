<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

use Rung\Core\Record\PlannedSession;
use Rung\Core\Response\Log;

/** How many of the planned sessions of the days before today were done. */
final readonly class Adherence
{
    private function __construct(
        /** Whole percent, rounded down; null where nothing was planned. */
        public ?int $percent,
        public int $done,
        public int $due,
    ) {}

    public static function over(Log $log, int $days): self
    {
        $named = self::named($log);
        $due = array_filter(
            $log->planned,
            static fn(PlannedSession $planned): bool => $planned->on->number >= $log->today->number - $days &&
                $planned->on->number < $log->today->number,
        );
        $done = count(array_filter($due, static fn(PlannedSession $planned): bool => isset($named[$planned->id])));

        return new self($due === [] ? null : intdiv(100 * $done, count($due)), $done, count($due));
    }

    /** Whether the latest two sessions planned before today are both undone. */
    public static function latestTwoMissed(Log $log): bool
    {
        $named = self::named($log);
        $before = array_values(
            array_filter(
                $log->planned,
                static fn(PlannedSession $planned): bool => $planned->on->number < $log->today->number,
            ),
        );
        $latest = array_slice($before, -2);

        return count($latest) === 2 && !isset($named[$latest[0]->id]) && !isset($named[$latest[1]->id]);
    }

    /** @return array<string, true> the ids of planned sessions that a session which has started names */
    private static function named(Log $log): array
    {
        $named = [];
        foreach ($log->started as $session) {
            if ($session->planned !== null) {
                $named[$session->planned] = true;
            }
        }

        return $named;
    }

    /** @return array{percent: int|null, done: int, due: int} */
    public function toArray(): array
    {
        return ['percent' => $this->percent, 'done' => $this->done, 'due' => $this->due];
    }
}
