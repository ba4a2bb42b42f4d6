<?php

declare(strict_types=1);

namespace Rung\Core\Input;

use InvalidArgumentException;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;

/** The moments and dates of an {@see ObjectNode}. */
trait ReadsDates
{
    public function moment(string $field): Moment
    {
        return ($this->required($field) ? $this->momentOrNull($field) : null) ??
            Moment::fromIso('1970-01-01T00:00:00Z');
    }

    public function momentOrNull(string $field): ?Moment
    {
        return $this->parsed($field, $this->textOrNull($field), Moment::fromIso(...));
    }

    public function day(string $field): Day
    {
        return ($this->required($field) ? $this->dayOrNull($field) : null) ?? Day::fromNumber(0);
    }

    public function dayOrNull(string $field): ?Day
    {
        return $this->parsed($field, $this->textOrNull($field), Day::fromIso(...));
    }

    /** @return list<Day> */
    public function days(string $field): array
    {
        $days = [];
        foreach ($this->textsOrNull($field) ?? [] as $i => $text) {
            $days[] = $this->parsed($field . '/' . $i, $text, Day::fromIso(...)) ?? Day::fromNumber(0);
        }

        return $days;
    }

    /**
     * @template T
     *
     * @param callable(string): T $parse
     *
     * @return T|null
     */
    private function parsed(string $field, ?string $text, callable $parse): mixed
    {
        try {
            return $text === null ? null : $parse($text);
        } catch (InvalidArgumentException $problem) {
            $this->inItem($field, $problem->getMessage());

            return null;
        }
    }
}
