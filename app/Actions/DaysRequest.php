<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** The days of a case that are not like others, from today on: shows, and days without training. */
final readonly class DaysRequest
{
    private const MOST_DAYS = 200;

    /**
     * @param list<Day> $events shows, matches, races
     * @param list<Day> $blocked without training
     */
    private function __construct(public array $events, public array $blocked, public ?string $reason) {}

    public static function read(ObjectNode $node): self
    {
        $reason = trim($node->textOrNull('reason') ?? '');

        return new self(self::days($node, 'events'), self::days($node, 'blocked'), $reason === '' ? null : $reason);
    }

    /** @return list<Day> in order, each once */
    private static function days(ObjectNode $node, string $field): array
    {
        $days = [];
        foreach ($node->days($field) as $day) {
            $days[$day->number] = $day;
        }
        ksort($days);
        if (count($days) > self::MOST_DAYS) {
            $node->fault($field, 'must hold at most ' . self::MOST_DAYS . ' days');
        }

        return array_values($days);
    }
}
