<?php

declare(strict_types=1);

namespace Rung\Core\Time;

use InvalidArgumentException;

/** A calendar date without a time of day or zone. */
final readonly class Day
{
    private function __construct(
        /** Days since 1970-01-01. */
        public int $number,
    ) {}

    /**
     * @throws InvalidArgumentException in words fit for the person who wrote it
     */
    public static function fromIso(string $text): self
    {
        if (preg_match('/^(\d{4})-(\d\d)-(\d\d)$/D', $text, $part) !== 1) {
            throw new InvalidArgumentException('must be a date such as 2026-04-14');
        }
        [$year, $month, $day] = [(int) $part[1], (int) $part[2], (int) $part[3]];
        if (!checkdate($month, $day, $year)) {
            throw new InvalidArgumentException('names a date that does not exist');
        }
        // Years run from March, so that a leap day is the last of its year.
        $years = $month > 2 ? $year : $year - 1;
        $ofYear = intdiv(153 * ($month + ($month > 2 ? -3 : 9)) + 2, 5) + $day - 1;

        return new self(
            365 * $years + intdiv($years, 4) - intdiv($years, 100) + intdiv($years, 400) + $ofYear - 719_468,
        );
    }

    public static function fromNumber(int $number): self
    {
        return new self($number);
    }

    public function toIso(): string
    {
        return gmdate('Y-m-d', $this->number * 86400);
    }

    public function plus(int $days): self
    {
        return new self($this->number + $days);
    }

    /** Whole days from `$earlier` to this date; negative where it lies after. */
    public function daysSince(self $earlier): int
    {
        return $this->number - $earlier->number;
    }

    /** 1 for Monday … 7 for Sunday. */
    public function weekday(): int
    {
        return (((($this->number + 3) % 7) + 7) % 7) + 1;
    }

    public function isAfter(self $other): bool
    {
        return $this->number > $other->number;
    }
}
