<?php

declare(strict_types=1);

namespace Rung\Core\Words;

use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Lint\LintNote;
use Rung\Core\Prescribe\Preview;
use Rung\Core\Prescribe\Suggestion;

/** A preview as the Prescribe screen shows it. */
final class PreviewWords
{
    /**
     * @param list<Weekday> $daysBefore the days of the week in force
     *
     * @return array<string, mixed>
     */
    public static function present(Preview $preview, array $daysBefore, Catalogue $catalogue): array
    {
        $change = StageChangeWords::describe($preview->draft, $daysBefore, $catalogue);
        $stage = $preview->draft->stage;
        $week = $preview->week();
        $logged = $preview->summary->lastWeek;

        return [
            'prescriptions' => array_map(
                static fn(Prescription $prescription): array => [
                    'exercise' => $prescription->exercise,
                    'title' => $catalogue->titleOf($prescription->exercise),
                    'words' => DoseWords::describe($prescription, $preview->summary->tests !== []),
                    'tempo_words' => DoseWords::tempo($prescription),
                    'figures' => $preview->figures($prescription)->toArray(),
                    'turns' => $prescription->limbs->turns(),
                    'changed' => $change->notes[$prescription->key] ?? null,
                    'suggestions' => array_map(
                        static fn(Suggestion $suggestion): array => [
                            'field' => $suggestion->field,
                            'value' => $suggestion->field === null ? null : $suggestion->value,
                            'words' => SuggestionWords::describe($suggestion, $prescription),
                        ],
                        $preview->suggestions($prescription),
                    ),
                ],
                $stage->stage->prescriptions,
            ),
            'sessions' => array_map($preview->session(...), $stage->slots),
            'week' => [
                'asked' => $week->toArray(),
                'logged' => $logged->toArray(),
                'change_percent' => $week->changeSince($logged),
            ],
            'rhythm' => PlanWords::rhythm($stage),
            'lint' => array_map(static fn(LintNote $note): array => $note->toArray(), $preview->lint),
            'note' => $change->note(),
        ];
    }
}
