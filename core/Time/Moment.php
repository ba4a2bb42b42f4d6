<?php

declare(strict_types=1);

namespace Rung\Core\Time;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;

/**
 * An instant with the offset it was written in. Kept to the microsecond; compared by instant alone.
 */
final readonly class Moment
{
    public const HOUR = 3_600_000_000;

    private function __construct(
        /** Microseconds since 1970-01-01T00:00:00Z. */
        public int $micros,
        private string $text,
    ) {}

    /**
     * From ISO 8601 with an offset: `2026-04-14T07:05:00+02:00`, seconds and their fraction optional.
     *
     * @throws InvalidArgumentException in words fit for the person who wrote it
     */
    public static function fromIso(string $text): self
    {
        $form = '/^(\d{4}-\d\d-\d\d)T(\d\d):(\d\d)(?::(\d\d)(?:\.(\d{1,9}))?)?(Z|[+-]\d\d:\d\d)?$/D';
        if (preg_match($form, $text, $part, PREG_UNMATCHED_AS_NULL) !== 1) {
            throw new InvalidArgumentException('must be a moment such as 2026-04-14T07:05:00+02:00');
        }
        $offset = $part[6] ?? '';
        if ($offset === '') {
            throw new InvalidArgumentException('must carry an offset, such as Z or +02:00');
        }
        $day = Day::fromIso((string) $part[1]);
        [$hour, $minute, $second] = [(int) $part[2], (int) $part[3], (int) ($part[4] ?? 0)];
        if ($hour > 23 || $minute > 59 || $second > 59) {
            throw new InvalidArgumentException('names a time of day that does not exist');
        }
        $shift = 0;
        if ($offset !== 'Z') {
            [$hours, $minutes] = [(int) substr($offset, 1, 2), (int) substr($offset, 4, 2)];
            if ($hours > 18 || $minutes > 59) {
                throw new InvalidArgumentException('carries an offset that does not exist');
            }
            $shift = ($hours * 3600 + $minutes * 60) * ($offset[0] === '-' ? -1 : 1);
        }
        $seconds = $day->number * 86400 + $hour * 3600 + $minute * 60 + $second - $shift;
        $fraction = (int) substr(str_pad($part[5] ?? '', 6, '0'), 0, 6);

        return new self($seconds * 1_000_000 + $fraction, $text);
    }

    public static function fromDateTime(\DateTimeInterface $time): self
    {
        return new self(
            $time->getTimestamp() * 1_000_000 + (int) $time->format('u'),
            $time->format((int) $time->format('u') === 0 ? 'Y-m-d\TH:i:sP' : 'Y-m-d\TH:i:s.uP'),
        );
    }

    /** As it was written. */
    public function toIso(): string
    {
        return $this->text;
    }

    public function toDateTime(?DateTimeZone $zone = null): DateTimeImmutable
    {
        $time = new DateTimeImmutable($this->text);

        return $zone === null ? $time : $time->setTimezone($zone);
    }

    /** Whether this lies at most so many hours before `$later`, and not after it. */
    public function withinHoursBefore(self $later, int $hours): bool
    {
        $gap = $later->micros - $this->micros;

        return $gap >= 0 && $gap <= $hours * self::HOUR;
    }

    public function after(self $other): bool
    {
        return $this->micros > $other->micros;
    }
}
