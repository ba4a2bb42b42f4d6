<?php

declare(strict_types=1);

namespace Rung\Core\Record;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** That a stage was entered on a date. */
final readonly class StageEntry
{
    public function __construct(public string $stage, public Day $from) {}

    public static function read(ObjectNode $node): self
    {
        return new self($node->text('stage'), $node->day('from'));
    }

    /**
     * The key of the stage that a day belongs to; days before the first entry belong to the first stage.
     *
     * @param list<self> $entered in order of their days
     */
    public static function stageOn(array $entered, Day $day): string
    {
        $then = array_filter($entered, static fn(self $entry): bool => !$entry->from->isAfter($day));

        return (end($then) ?: $entered[0] ?? null)->stage ?? '';
    }
}
