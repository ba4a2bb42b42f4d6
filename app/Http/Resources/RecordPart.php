<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\UndoDecision;
use App\Models\CareCase;
use App\Models\Correction;
use App\Models\Decision;
use App\Models\PlannedSession;

/** What was decided and missed in a case. */
final class RecordPart
{
    /** Sessions that were missed and say why. */
    private const SHOWN = 20;

    /** @return list<array<string, mixed>> newest first, with the evidence as it was */
    public static function decisions(CareCase $case): array
    {
        $rows = $case->decisions()->with('user')->get();
        $taken = $rows->pluck('undoes')->filter()->all();
        $latest = $rows->first(
            static fn(Decision $decision): bool => $decision->undo !== null && !in_array($decision->id, $taken, true),
        );
        $struck = Correction::query()
            ->where('case_id', $case->id)
            ->where('what', 'note')
            ->with('user')
            ->get()
            ->keyBy('entry');
        $open = $latest !== null && UndoDecision::obstacle($case, $latest) === null ? $latest->id : null;

        return array_values(
            $rows
                ->map(
                    static fn(Decision $decision): array => [
                        'id' => $decision->id,
                        'at' => $decision->at->setTimezone($case->practice->timezone)->toIso8601String(),
                        'by' => $decision->by(),
                        'kind' => $decision->kind,
                        'words' => $decision->words,
                        'reason' => $decision->reason,
                        'because' => is_string($decision->evidence['because'] ?? null)
                            ? $decision->evidence['because']
                            : null,
                        'pegs' => self::kept($decision, 'pegs'),
                        'grounds' => self::kept($decision, 'grounds'),
                        'plan_version' => $decision->plan_version,
                        'taken_back' => in_array($decision->id, $taken, true),
                        'can_undo' => $decision->id === $open,
                        'struck' =>
                            ($found = $struck->get($decision->id)) === null
                                ? null
                                : "Struck out by {$found->user->name}: $found->why",
                    ],
                )
                ->all(),
        );
    }

    /** @return list<mixed> */
    private static function kept(Decision $decision, string $what): array
    {
        $list = $decision->evidence[$what] ?? [];

        return is_array($list) ? array_values($list) : [];
    }

    /** @return list<array{on: string, title: string, why: string}> newest first */
    public static function missed(CareCase $case): array
    {
        $plan = $case->plan();

        return array_values(
            $case
                ->plannedSessions()
                ->whereNotNull('missed_why')
                ->reorder('on', 'desc')
                ->limit(self::SHOWN)
                ->get()
                ->map(
                    static fn(PlannedSession $planned): array => [
                        'on' => $planned->on,
                        'title' => $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session',
                        'why' => (string) $planned->missed_why,
                    ],
                )
                ->all(),
        );
    }
}
