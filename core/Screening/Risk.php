<?php

declare(strict_types=1);

namespace Rung\Core\Screening;

use Rung\Core\Input\ObjectNode;

/** What weakens tendons or slows their return. A medicine counts only within days before the pain began. */
final readonly class Risk
{
    private function __construct(
        public string $key,
        public string $words,
        /** Whether the date on which it was last taken decides. */
        public bool $asksTakenOn,
        public int $atLeastDaysBefore,
        public int $atMostDaysBefore,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $asks = $node->text('asks');
        [$least, $most] = $node->childOrNull(
            'counts',
            static fn(ObjectNode $counts): array => [
                $counts->whole('at_least_days_before'),
                $counts->whole('at_most_days_before'),
            ],
        ) ?? [0, 0];

        return new self($node->key('key'), $node->key('words'), $asks === 'taken_on', $least, $most);
    }
}
