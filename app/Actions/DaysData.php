<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** The days of a case that are not like others, from today on: shows, days without training, and practice beside the plan. */
final readonly class DaysData
{
    private const MOST_DAYS = 200;

    /**
     * @param list<Day> $events shows, matches, races
     * @param list<Day> $blocked without training
     * @param list<ExpectedSport>|null $sport null: as it is
     */
    private function __construct(
        public array $events,
        public array $blocked,
        public ?array $sport,
        public ?string $reason,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $reason = trim($node->textOrNull('reason') ?? '');

        $sport = $node->has('sport') ? $node->each('sport', ExpectedSport::read(...)) : null;
        if (count($sport ?? []) > self::MOST_DAYS) {
            $node->fault('sport', 'must hold at most ' . self::MOST_DAYS . ' of them');
        }

        return new self(
            self::days($node, 'events'),
            self::days($node, 'blocked'),
            $sport,
            $reason === '' ? null : $reason,
        );
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
