<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

/** What an athlete is reminded of on a phone, at the times that they chose (docs/rules.md, "Reminders"). */
final readonly class Reminders
{
    /** Minutes after its time within which a reminder still helps; later it would only blame. */
    public const HELPS_FOR_MIN = 180;

    /**
     * @param int|null $morningAt minutes after midnight at which an open morning is reminded of; null: never
     * @param int|null $sessionAt the same for a session of the day that is not done
     */
    public function __construct(private ?int $morningAt, private ?int $sessionAt) {}

    /**
     * @param int $now minutes after midnight, where the athlete is treated
     * @param bool $morningOpen whether the morning of this day is asked for and has no answer
     * @param int $sessionsOpen sessions of this day that are asked for and not done
     * @param bool $isStopped whether a stop stands: then nothing is asked for, and nobody is reminded
     *
     * @return list<ReminderKind>
     */
    public function due(int $now, bool $morningOpen, int $sessionsOpen, bool $isStopped): array
    {
        if ($isStopped) {
            return [];
        }

        return [
            ...$morningOpen && self::isTime($now, $this->morningAt) ? [ReminderKind::Morning] : [],
            ...$sessionsOpen > 0 && self::isTime($now, $this->sessionAt) ? [ReminderKind::Session] : [],
        ];
    }

    private static function isTime(int $now, ?int $at): bool
    {
        return $at !== null && $now >= $at && $now < $at + self::HELPS_FOR_MIN;
    }
}
