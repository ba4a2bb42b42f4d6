<?php

declare(strict_types=1);

namespace App\Actions;

use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** Sessions that are to stand on other days, to be left out, or to be done once more. */
final readonly class MoveData
{
    private const MOST_MOVES = 60;

    /**
     * @param array<string, Day|null> $moves by session; null: it is left out
     * @param array<string, Day> $again days on which a session is done once more, by session
     */
    private function __construct(public array $moves, public array $again, public ?string $reason) {}

    public static function read(ObjectNode $node): self
    {
        $read = $node->each('moves', static function (ObjectNode $move): array {
            $again = $move->flagOrNull('again') ?? false;
            $on = $move->dayOrNull('on');
            if ($again && $on === null) {
                $move->fault('on', 'must be the day on which it is done once more');
            }

            return [$move->key('session'), $on, $again];
        });
        $node->unique(
            'moves',
            'session',
            array_map(static fn(array $row): string => $row[0] . ($row[2] ? ' again' : ''), $read),
        );
        if (count($read) > self::MOST_MOVES) {
            $node->fault('moves', 'must hold at most ' . self::MOST_MOVES . ' moves');
        }
        $reason = trim($node->textOrNull('reason') ?? '');
        $moves = $again = [];
        foreach ($read as [$session, $on, $isAgain]) {
            if (!$isAgain) {
                $moves[$session] = $on;
            } elseif ($on !== null) {
                $again[$session] = $on;
            }
        }

        return new self($moves, $again, $reason === '' ? null : $reason);
    }
}
