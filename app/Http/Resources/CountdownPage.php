<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use Illuminate\Support\Facades\Cache;
use Rung\Core\Calendar\Weekday;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Evaluation\PracticeLadder;
use Rung\Core\Gate\GateOutlook;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Plan\PlanStage;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Structure;
use Rung\Core\Simulation\Countdown;
use Rung\Core\Simulation\CountdownStage;
use Rung\Core\Simulation\TwoAthletes;
use Rung\Core\Time\Day;
use Rung\Core\Words\CountdownWords;

/** What a day that an athlete wants to be ready by asks of the stages before it. */
final class CountdownPage
{
    private const AHEAD_DAYS = 400;

    /** Seconds that the course of a programme is kept. */
    private const KEPT_S = 3600;

    public function __construct(private readonly CatalogueShelf $shelf) {}

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidInput where nothing can be worked out
     */
    public function present(CareCase $case, Evaluation $evaluation, Day $by): array
    {
        $today = $evaluation->log->today;
        if (!$by->isAfter($today) || $by->daysSince($today) > self::AHEAD_DAYS) {
            throw InvalidInput::at('/by', 'must lie from tomorrow to ' . self::AHEAD_DAYS . ' days ahead');
        }
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $programme = $catalogue->programmes[$case->programme] ?? null;
        $goal = Goal::from($case->goal);
        $stages = array_values(
            array_filter($plan->stages, static fn(PlanStage $stage): bool => $stage->stage->appliesTo($goal)),
        );
        $keys = array_map(static fn(PlanStage $stage): string => $stage->stage->key, $stages);
        $at = array_search($evaluation->log->stage->key, $keys, true);
        if ($programme === null || $at === false) {
            throw InvalidInput::at('/by', 'cannot be worked out: this programme is no longer in the library');
        }
        if ($plan->maintenance !== null || $case->closed_on !== null) {
            throw InvalidInput::at('/by', 'is not needed: the programme is finished');
        }
        [$steady, $slow] = array_map(
            static fn(array $days): array => self::withPractice($days, $stages, $evaluation, $case->weekdays($plan)),
            self::days($case, $programme, $goal, $catalogue),
        );
        $countdown = Countdown::build(
            array_slice($keys, $at),
            $evaluation->log->stageFrom,
            $today,
            GateOutlook::earliestOpen($evaluation->outlooks(), $today),
            $steady,
            $slow,
            $by,
        );

        return [
            'by' => $by->toIso(),
            'stages' => array_map(
                static fn(CountdownStage $countdownStage): array => [
                    'key' => $countdownStage->key,
                    'words' => CountdownWords::stage(
                        $countdownStage,
                        $plan->stage($countdownStage->key)->stage->title ?? $countdownStage->key,
                    ),
                    'pace' => $countdownStage->pace()->value,
                ],
                $countdown->stages,
            ),
            'ready' => CountdownWords::ready($countdown),
            'pace' => $countdown->pace()?->value,
            'note' => CountdownWords::NOTE,
        ];
    }

    /**
     * A stage with a way back to sport takes as long as its rungs do, where that is longer than was played.
     *
     * @param array<string, int> $days in each stage
     * @param list<PlanStage> $stages
     * @param list<Weekday> $available
     *
     * @return array<string, int>
     */
    private static function withPractice(array $days, array $stages, Evaluation $evaluation, array $available): array
    {
        foreach ($stages as $stage) {
            $isPresent = $stage->stage->key === $evaluation->log->stage->key;
            foreach ($stage->slots as $slot) {
                $ladder = $isPresent ? PracticeLadder::forSlot($slot, $evaluation) : PracticeLadder::untried($slot);
                $took = $ladder?->days($stage, $evaluation->log->today, $available);
                $key = $stage->stage->key;
                if ($took !== null && isset($days[$key])) {
                    $days[$key] = max(
                        $days[$key],
                        $took + ($isPresent ? $evaluation->log->today->daysSince($evaluation->log->stageFrom) : 0),
                    );
                }
            }
        }

        return $days;
    }

    /** @return array{array<string, int>, array<string, int>} days in each stage; to play a programme takes a second, so it is kept for a while */
    private static function days(CareCase $case, Programme $programme, Goal $goal, Catalogue $catalogue): array
    {
        $structure = Structure::from($case->structure);
        $key =
            'stage-days:' . sha1((string) json_encode([$case->practice_id, $programme->toArray(), $structure, $goal]));
        $two = new TwoAthletes($catalogue);

        return Cache::remember(
            $key,
            self::KEPT_S,
            static fn(): array => [
                $two->days('steady', $programme, $structure, $goal),
                $two->days('slow', $programme, $structure, $goal),
            ],
        );
    }
}
