<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\RefreshStanding;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\User;
use Rung\Core\Words\TodayWords;

/**
 * All that an athlete's phone shows: every open case, what became of those that are closed, and whom to call. It is kept
 * on the phone, so that a gym without reception needs nothing else.
 */
final class PhonePage
{
    public function __construct(private readonly TodayPage $today, private readonly RefreshStanding $standing) {}

    /**
     * @param list<CareCase> $cases of the athlete, open and closed
     *
     * @return array<string, mixed>
     */
    public function present(User $athlete, array $cases): array
    {
        return [
            'person' => $athlete->id,
            'athlete' => $athlete->name,
            'practice' => WhomToCall::present($athlete->practice),
            'cases' => array_map(
                fn(CareCase $case): array => ['person' => $athlete->id] +
                    $this->today->present($case, $this->standing->evaluate($case)),
                array_values(array_filter($cases, static fn(CareCase $case): bool => $case->closed_on === null)),
            ),
            'closed' => array_map(
                $this->closed(...),
                array_values(array_filter($cases, static fn(CareCase $case): bool => $case->closed_on !== null)),
            ),
        ];
    }

    /** @return array<string, mixed> */
    private function closed(CareCase $case): array
    {
        $evaluation = $this->standing->evaluate($case);
        $decision = Decision::closing([$case->id])[$case->id] ?? null;

        return [
            'case' => $case->id,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'opened_on' => $case->opened_on,
            'closed_on' => $case->closed_on,
            'closed_by' => $decision?->by(),
            // How it ended is in the closing message; the words of a finished programme are about its gate.
            'how' => $decision?->kind === 'close' ? $decision->words : null,
            'why' => $decision?->reason,
            'come_back' => TodayWords::comeBack($evaluation->log->file->response_rule),
            'sessions' => count($evaluation->log->ended),
        ] + $this->today->history($case, $evaluation);
    }
}
