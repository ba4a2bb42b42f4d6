<?php

declare(strict_types=1);

namespace App\Papers;

use App\Actions\FindMeasure;
use App\Actions\RefreshStanding;
use App\Care\Advice;
use App\Models\CareCase;
use App\Models\Decision;
use App\Models\PlannedSession;
use App\Support\CatalogueShelf;
use App\Support\MeasureHistory;
use Carbon\CarbonImmutable;
use Rung\Core\Calendar\ExpectedSport;
use Rung\Core\Measuring\MeasureCourse;
use Rung\Core\Papers\Letterhead;
use Rung\Core\Papers\PaperFacts;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Day;
use Rung\Core\Time\Moment;
use Rung\Core\Time\Zone;

/** Reads from the record what papers are drafted from. */
final class FactsOfCase
{
    private const DAYS_AHEAD = 6;

    public function __construct(
        private readonly CatalogueShelf $shelf,
        private readonly RefreshStanding $standing,
        private readonly FindMeasure $find,
    ) {}

    public function gather(CareCase $case, string $practitioner): PaperFacts
    {
        $evaluation = $this->standing->evaluate($case);
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $intake = $case->intake;
        $day = static fn(?string $iso): ?Day => $iso === null ? null : Day::fromIso($iso);
        $today = $evaluation->log->today;
        $last = $today->plus(self::DAYS_AHEAD);
        $isAhead = static fn(Day $on): bool => !$today->isAfter($on) && !$on->isAfter($last);
        $practice = $case->practice;

        return new PaperFacts(
            evaluation: $evaluation,
            plan: $plan,
            catalogue: $catalogue,
            programme: $catalogue->programmes[$case->programme] ?? null,
            letterhead: new Letterhead($practice->name, $practice->address, $practice->telephone, $practice->hours),
            practitioner: $practitioner,
            athlete: $case->athlete->name,
            bornOn: $day($case->athlete->born_on),
            structureTitle: $case->structure_title,
            side: $case->side,
            openedOn: Day::fromIso($case->opened_on),
            closedOn: $day($case->closed_on),
            morningTest: lcfirst($case->provocation_test['title']),
            beganOn: $intake->beganOn,
            loadChange: $intake->loadChange,
            aggravating: $intake->aggravating,
            advice: Advice::standing($case->advice, $today),
            coming: self::coming($case, $plan, $today, $last),
            sport: array_values(
                array_filter($case->expected_sport, static fn(ExpectedSport $sport): bool => $isAhead($sport->on)),
            ),
            events: array_values(array_filter($case->events, $isAhead)),
            measures: $this->measures($case, $catalogue->structure(Structure::from($case->structure))->strengthTest),
            decisions: self::decisions($case),
            severeFlare: $case->hasSevereFlare(),
        );
    }

    /** @return list<array{on: Day, title: string}> */
    private static function coming(CareCase $case, Plan $plan, Day $today, Day $last): array
    {
        return array_values(
            $case
                ->plannedSessions()
                ->whereBetween('on', [$today->toIso(), $last->toIso()])
                ->get()
                ->map(
                    static fn(PlannedSession $planned): array => [
                        'on' => Day::fromIso($planned->on),
                        'title' => $plan->stage($planned->stage)?->slot($planned->slot)?->name() ?? 'Session',
                    ],
                )
                ->all(),
        );
    }

    /** @return list<MeasureCourse> */
    private function measures(CareCase $case, string $first): array
    {
        $history = MeasureHistory::forCase($case);
        $keys = $history->keys();
        usort($keys, static fn(string $a, string $b): int => [$a !== $first, $a] <=> [$b !== $first, $b]);
        $courses = [];
        foreach ($keys as $key) {
            $measure = $this->find->byKey($case, $key);
            if ($measure !== null) {
                $courses[] = $history->course($measure);
            }
        }

        return $courses;
    }

    /** @return list<array{on: Day, by: string, words: string, reason: ?string}> */
    private static function decisions(CareCase $case): array
    {
        $zone = Zone::named($case->practice->timezone);

        return array_values(
            $case
                ->decisions()
                ->with('user')
                ->reorder('at')
                ->get()
                ->map(
                    static fn(Decision $decision): array => [
                        'on' => $zone->dayOf(Moment::fromDateTime(CarbonImmutable::instance($decision->at))),
                        'by' => $decision->by(),
                        'words' => $decision->words,
                        'reason' =>
                            $decision->reason ??
                            (is_string($decision->evidence['because'] ?? null) ? $decision->evidence['because'] : null),
                    ],
                )
                ->all(),
        );
    }
}
