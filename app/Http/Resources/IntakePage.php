<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\IntakeData;
use App\Care\Advice;
use App\Models\CareCase;
use App\Models\Decision;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Record\Structure;
use Rung\Core\Screening\Finding;
use Rung\Core\Time\Day;

/** What intake says of a case today, and how it came to say so. */
final class IntakePage
{
    /** @return array<string, mixed> */
    public static function present(CareCase $case, Catalogue $catalogue): array
    {
        $intake = $case->intake;

        return [
            'revision' => IntakeData::revisionOf($case),
            'athlete' => $case->athlete->name,
            'structure' => $case->structure_title,
            'side' => $case->side,
            'history' => $case->history,
            'began_on' => $intake->beganOn?->toIso(),
            'load_change' => $intake->loadChange,
            'aggravating' => $intake->aggravating,
            'occupation' => $intake->occupation,
            'medicines' => $intake->medicines,
            'goal' => $case->goal,
            'goal_on' => $case->goal_on,
            'events' => array_map(static fn(Day $day): string => $day->toIso(), $case->events),
            'blocked' => array_map(static fn(Day $day): string => $day->toIso(), $case->blocked),
            'equipment' => $case->equipment,
            'session_minutes' => $case->session_minutes,
            'born_on' => $case->athlete->born_on,
            'season_from' => $intake->seasonFrom?->toIso(),
            'season_until' => $intake->seasonUntil?->toIso(),
            'purpose' => $case->purpose,
            'body_mass_kg' => $case->athlete->body_mass_kg,
            'advice' => array_map(
                static fn(Advice $advice): array => [
                    'words' => $advice->words,
                    'until' => $advice->until?->toIso(),
                ],
                $case->advice,
            ),
            'found' => $intake->found,
            'findings' => array_values(
                array_map(
                    static fn(Finding $finding): array => ['key' => $finding->key, 'words' => $finding->words],
                    array_filter(
                        $catalogue->findings,
                        static fn(Finding $finding): bool => in_array(
                            Structure::from($case->structure),
                            $finding->structures,
                            true,
                        ),
                    ),
                ),
            ),
            'signs' => $intake->referralSigns,
            'risks' => $intake->risks,
            'screened_by' => $intake->screenedBy,
            'screened_on' => $intake->screenedOn?->toIso(),
            'changes' => array_values(
                $case
                    ->decisions()
                    ->where('kind', 'intake')
                    ->with('user')
                    ->get()
                    ->map(
                        static fn(Decision $decision): array => [
                            'at' => $decision->at->setTimezone($case->practice->timezone)->toIso8601String(),
                            'by' => $decision->by(),
                            'words' => $decision->words,
                            'why' => $decision->reason,
                        ],
                    )
                    ->all(),
            ),
        ];
    }
}
