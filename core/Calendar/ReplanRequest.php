<?php

declare(strict_types=1);

namespace Rung\Core\Calendar;

use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Time\Day;

/** Weeks that are to be checked and re-planned (docs/formats/case-file.md, "Replan"). */
final readonly class ReplanRequest
{
    /** More slots than a stage has; the search grows with each. */
    private const MOST_SLOTS = 5;

    private const MOST_SESSIONS = 400;

    /**
     * @param array<string, Slot> $slots by key
     * @param list<Booked> $booked
     */
    private function __construct(
        public Day $today,
        public array $slots,
        public array $booked,
        public WeekRules $rules,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $slots = array_column($node->each('slots', Slot::read(...)), null, 'key');
        if (count($slots) > self::MOST_SLOTS) {
            $node->fault('slots', 'must hold at most ' . self::MOST_SLOTS . ' slots');
        }
        if ($node->isEmptyList('slots')) {
            $node->fault('slots', 'must hold at least one slot');
        }
        $booked = $node->each('sessions', static fn(ObjectNode $session): Booked => Booked::read($session, $slots));
        $node->unique('sessions', 'id', array_map(static fn(Booked $session): string => $session->id, $booked));
        if (count($booked) > self::MOST_SESSIONS) {
            $node->fault('sessions', 'must hold at most ' . self::MOST_SESSIONS . ' sessions');
        }

        return new self(
            $node->day('today'),
            $slots,
            $booked,
            $node->child('rules', static fn(ObjectNode $rules): WeekRules => WeekRules::read($rules, $slots)),
        );
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput
     */
    public static function answer(string $json): array
    {
        $request = Json::read($json, self::read(...));
        $replan = Replanner::replan($request->booked, $request->rules, $request->slots, $request->today);
        $from = array_column(
            array_map(
                static fn(Booked $booked): array => ['id' => $booked->id, 'on' => $booked->on->toIso()],
                $request->booked,
            ),
            'on',
            'id',
        );

        return [
            'broken' => array_map(static fn(Clash $clash): array => $clash->toArray(), $replan->before),
            'moves' => array_map(
                static fn(Booked $booked): array => [
                    'session' => $booked->id,
                    'from' => $from[$booked->id],
                    'to' => $booked->on->toIso(),
                ],
                $replan->moves,
            ),
            'left_out' => array_map(static fn(Booked $booked): string => $booked->id, $replan->leftOut),
            'cannot' => array_map(static fn(Clash $clash): array => $clash->toArray(), $replan->after),
            'proved' => $replan->proved,
        ];
    }
}
