<?php

declare(strict_types=1);

namespace App\Http\Resources;

use Rung\Core\Snapshot\CaseSnapshot;
use Rung\Core\Snapshot\DueTest;
use Rung\Core\Snapshot\GatePeg;
use Rung\Core\Snapshot\RecentResponse;
use Rung\Core\Snapshot\RungState;
use Rung\Core\Snapshot\StageRung;
use Rung\Core\Words\ProposalWords;

/** How a case stands, in words: what its line on the Round and the head of its page show. */
final class RoundStanding
{
    /** @return array<string, mixed> */
    public static function present(CaseSnapshot $snapshot): array
    {
        return [
            'at' => $snapshot->at->toIso(),
            'today' => $snapshot->today->toIso(),
            'stage' => ['key' => $snapshot->stage, 'title' => $snapshot->stageTitle],
            'ladder' => array_map(
                static fn(StageRung $rung): array => [
                    ...$rung->toArray(),
                    'pegs' =>
                        $rung->state === RungState::Current
                            ? array_map(static fn(GatePeg $peg): array => $peg->toArray(), $snapshot->pegs)
                            : [],
                ],
                $snapshot->ladder,
            ),
            'hooks' => array_map(self::hook(...), $snapshot->responses),
            'action' => $snapshot->proposed->action->kind->value,
            'reason' => $snapshot->proposed->action->reason->value,
            'headline' => ProposalWords::headline($snapshot->proposed),
            'because' => ProposalWords::because($snapshot->grounds),
            'acceptable' => $snapshot->proposed->isAcceptable,
            'group' => $snapshot->attention->group->value,
            'group_reasons' => ProposalWords::attention($snapshot->attention),
            'event_on' => $snapshot->eventOn?->toIso(),
            'stopped' => $snapshot->isStopped(),
            'unsettled' => $snapshot->isUnsettled(),
            'tests_due' => array_map(
                static fn(DueTest $test): string => ProposalWords::dueTest($test),
                $snapshot->testsDue,
            ),
        ];
    }

    /** @return array{on: string, baseline: int|float|null, during: int|null, next_day: int|null, verdict: string} */
    private static function hook(RecentResponse $recent): array
    {
        return [
            'on' => $recent->on->toIso(),
            'baseline' => $recent->figures->roundedBaseline(),
            'during' => $recent->figures->during,
            'next_day' => $recent->figures->nextDay,
            'verdict' => $recent->figures->verdict->value,
        ];
    }
}
