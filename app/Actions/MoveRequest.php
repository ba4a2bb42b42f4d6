<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** Sessions that are to stand on other days, or to be left out. */
final readonly class MoveRequest
{
    private const MOST_MOVES = 60;

    /** @param array<string, Day|null> $moves by session; null: it is left out */
    private function __construct(public array $moves, public ?string $reason) {}

    public static function read(ObjectNode $node): self
    {
        $read = $node->each('moves', static fn(ObjectNode $one): array => [$one->key('session'), $one->dayOrNull('on')]);
        $node->unique('moves', 'session', array_map(static fn(array $one): string => $one[0], $read));
        if (count($read) > self::MOST_MOVES) {
            $node->fault('moves', 'must hold at most ' . self::MOST_MOVES . ' moves');
        }
        $reason = trim($node->textOrNull('reason') ?? '');

        return new self(array_column($read, 1, 0), $reason === '' ? null : $reason);
    }
}
