<?php

declare(strict_types=1);

namespace Rung\Core\Time;

/** A time by the clock on the wall, in whole minutes; which zone it is in is said by whoever asks. */
final readonly class TimeOfDay
{
    /** @param int $minutes after midnight, 0–1439 */
    private function __construct(public int $minutes) {}

    /** Null where the text is no time such as "07:30". */
    public static function fromText(string $text): ?self
    {
        return preg_match('/\A([01]\d|2[0-3]):([0-5]\d)\z/', $text, $part) === 1
            ? new self(60 * (int) $part[1] + (int) $part[2])
            : null;
    }

    public function toText(): string
    {
        return sprintf('%02d:%02d', intdiv($this->minutes, 60), $this->minutes % 60);
    }

    /** Hours from this time to another of the same day; negative where that is earlier. */
    public function hoursTo(self $other): float
    {
        return ($other->minutes - $this->minutes) / 60;
    }
}
