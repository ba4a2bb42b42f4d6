<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Models\PlanVersion;
use App\Models\TrainingSession;
use App\Support\CatalogueShelf;
use Rung\Core\Attention\WeekLoad;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Number;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\Entry;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Response\PainBounds;
use Rung\Core\Response\SessionResponse;
use Rung\Core\Words\DoseWords;
use Rung\Core\Words\Ground;
use Rung\Core\Words\Grounds;
use Rung\Core\Words\ResponseWords;

/** One session: sets done against the dose of the version that it was done from, pain, and what answered it. */
final class SessionPage
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, TrainingSession $row, Evaluation $evaluation): array
    {
        $response =
            array_values(
                array_filter(
                    $evaluation->sessions,
                    static fn(SessionResponse $answered): bool => $answered->session->id === $row->id,
                ),
            )[0] ?? abort(404);
        $version = PlanVersion::query()->where('case_id', $case->id)->where('version', $row->plan_version)->first();
        $plan = $version === null ? $case->plan() : Plan::fromJson($version->content);
        $catalogue = $this->shelf->forCase($case, $plan);
        $asked = array_column([...$plan->prescriptions(), ...$plan->leftOut], null, 'key');
        $session = $response->session;

        return [
            'id' => $session->id,
            'on' => $evaluation->log->dayOf($session)->toIso(),
            'started_at' => $session->started_at->toIso(),
            'ended_at' => $session->ended_at->toIso(),
            'stage' => $evaluation->log->file->stage($session->stage)->title ?? $session->stage,
            'kind' => $session->kind->value,
            'plan_version' => $row->plan_version,
            'minutes' => $session->minutes,
            'effort' => $session->effort,
            'participation' => $session->participation?->value,
            'notes' => $session->notes,
            'signs' => array_map(ResponseWords::sign(...), $session->signs ?? []),
            'verdict' => $response->verdict->value,
            'verdict_words' => ResponseWords::verdict($response->figures()),
            'grounds' => array_map(
                static fn(Ground $ground): array => $ground->toArray(),
                Grounds::ofResponse($response, $evaluation),
            ),
            'answer' =>
                $response->answer === null
                    ? null
                    : [
                        'at' => $response->answer->at->toIso(),
                        'provocation' => $response->answer->provocation,
                        'stiffness_min' => $response->answer->stiffness_min,
                        'baseline' => $response->baseline === null ? null : Number::tenth($response->baseline),
                    ],
            'load' => WeekLoad::ofSessions($evaluation->log, [$session])->toArray(),
            'entries' => array_map(
                static fn(Entry $entry): array => self::entry(
                    $entry,
                    $asked[$entry->prescription ?? ''] ?? null,
                    $catalogue,
                    $evaluation,
                ),
                $session->entries,
            ),
        ];
    }

    /** @return array<string, mixed> */
    private static function entry(
        Entry $entry,
        ?Prescription $asked,
        Catalogue $catalogue,
        Evaluation $evaluation,
    ): array {
        return [
            'title' => $asked === null ? 'Practice' : $catalogue->titleOf($asked->exercise),
            'asked' => $asked === null ? null : DoseWords::describe($asked, $evaluation->isMeasured()),
            'asked_sets' => $asked?->dose->sets,
            'done' => array_map(static fn(LoggedSet $set): string => DoseWords::set($set), $entry->sets),
            'pain' => $entry->pain,
            'over' => PainBounds::isOverMax($entry, $evaluation->log),
            'before' => $entry->before,
            'after' => $entry->after,
            'skipped' => $entry->skipped,
        ];
    }
}
