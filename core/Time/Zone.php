<?php

declare(strict_types=1);

namespace Rung\Core\Time;

use DateTimeImmutable;
use DateTimeZone;
use InvalidArgumentException;

/** An IANA time zone, which decides on which calendar date a moment falls. */
final readonly class Zone
{
    private function __construct(private DateTimeZone $zone) {}

    /**
     * @throws InvalidArgumentException in words fit for the person who wrote it
     */
    public static function named(string $name): self
    {
        // The list of a Debian machine holds files of its zone folder that are no zones; zones begin with a capital.
        if (
            preg_match('/^[A-Z][A-Za-z0-9_+\/-]*$/D', $name) !== 1 ||
            $name === 'Factory' ||
            !in_array($name, DateTimeZone::listIdentifiers(DateTimeZone::ALL_WITH_BC), true)
        ) {
            throw new InvalidArgumentException('must be a time zone of the IANA list, such as Europe/Lisbon');
        }

        return new self(new DateTimeZone($name));
    }

    public static function utc(): self
    {
        return new self(new DateTimeZone('UTC'));
    }

    public function name(): string
    {
        return $this->zone->getName();
    }

    public function dayOf(Moment $moment): Day
    {
        $seconds = intdiv($moment->micros - ($moment->micros < 0 ? 999_999 : 0), 1_000_000);
        $local = $seconds + $this->zone->getOffset(new DateTimeImmutable('@' . $seconds));

        return Day::fromNumber(intdiv($local - ($local < 0 ? 86399 : 0), 86400));
    }

    /** The moment at which a date begins. */
    public function startOf(Day $day): Moment
    {
        return Moment::fromDateTime(new DateTimeImmutable($day->toIso() . ' 00:00:00', $this->zone));
    }

    public function toDateTimeZone(): DateTimeZone
    {
        return $this->zone;
    }
}
