<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Actions\ImportCase;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Support\Clock;
use Rung\Core\Acceptance\Acceptance;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\FilePlan;
use Rung\Core\Snapshot\ActionGrounds;
use Rung\Core\Snapshot\ProposedStep;
use Rung\Core\Words\PlanWords;
use Rung\Core\Words\ProposalWords;

/** What a case file holds, how it stands, and what would be made of it. */
final class CaseFilePage
{
    private const MOST_ALIKE = 10;

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput where it has entries for days that have not come
     */
    public static function present(CaseFile $file, Catalogue $catalogue, string $zone): array
    {
        ImportCase::check($file, $zone);
        $evaluation = Evaluator::evaluate($file, Clock::now($zone));
        $programme = ImportCase::programmeOf($file, $catalogue);
        $plan = FilePlan::fromFile($file, $programme->plan->stages ?? []);
        $days = [
            ...array_map(
                static fn($session): string => $file->timezone->dayOf($session->started_at)->toIso(),
                $file->sessions,
            ),
            ...array_map(
                static fn($checkIn): string => $file->timezone->dayOf($checkIn->at)->toIso(),
                $file->check_ins,
            ),
        ];

        return [
            'athlete' => $file->athlete->name,
            'same' => self::same($file->athlete->name),
            'structure' =>
                $catalogue->structures[$file->case->structure->value]->title ?? $file->case->structure->value,
            'side' => $file->case->side->value,
            'opened_on' => $file->case->opened_on->toIso(),
            'from' => $days === [] ? null : min($days),
            'until' => $days === [] ? null : max($days),
            'counts' => [
                ['title' => 'sessions', 'count' => count($file->sessions)],
                ['title' => 'mornings', 'count' => count($file->check_ins)],
                ['title' => 'tests', 'count' => count($file->tests)],
                ['title' => 'scores', 'count' => count($file->outcomes)],
                ['title' => 'changes of dose', 'count' => count($file->dose_changes)],
            ],
            'stage' => $evaluation->log->stage->title,
            'headline' => ProposalWords::headline(
                ProposedStep::fromStep(
                    $evaluation,
                    Acceptance::accept($plan->plan, $evaluation, $catalogue),
                    $catalogue,
                ),
            ),
            'because' => ProposalWords::because(ActionGrounds::fromEvaluation($evaluation, $plan->plan)),
            'programme' => $programme?->title,
            'notes' => self::notes($file, $plan, $zone),
        ];
    }

    /** @return list<array{id: string, name: string, cases: list<string>}> athletes of that name, to choose from */
    private static function same(string $name): array
    {
        return array_values(
            Athlete::query()
                ->whereRaw('lower(name) = lower(?)', [trim($name)])
                ->with('cases')
                ->orderBy('name')
                ->limit(self::MOST_ALIKE)
                ->get()
                ->map(
                    static fn(Athlete $athlete): array => [
                        'id' => $athlete->id,
                        'name' => $athlete->name,
                        'cases' => array_values(
                            $athlete->cases
                                ->map(
                                    static fn(CareCase $case): string => "$case->structure_title, $case->side, " .
                                        ($case->closed_on === null ? 'open' : 'closed'),
                                )
                                ->all(),
                        ),
                    ],
                )
                ->all(),
        );
    }

    /** @return list<string> what is to be looked at */
    private static function notes(CaseFile $file, FilePlan $plan, string $zone): array
    {
        $notes = [
            'A case file holds no screening, shows or days off: screen the athlete and mark those days before you go on.',
        ];
        if ($file->timezone->name() !== $zone) {
            $notes[] = "Its days are those of {$file->timezone->name()}; here they are counted in $zone, so that an answer late at night may move to another day.";
        }
        foreach ($plan->plan->stages as $stage) {
            if (in_array($stage->stage->key, $plan->derived, true)) {
                $notes[] =
                    "{$stage->stage->title}: the file has no calendar. Worked out from what was trained: " .
                    PlanWords::rhythm($stage) .
                    '. Look at it when you prescribe.';
            }
        }

        return $notes;
    }
}
