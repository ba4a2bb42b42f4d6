<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\CareCase;
use App\Support\CatalogueShelf;
use App\Support\MeasureHistory;
use Rung\Core\Catalogue\MeasureKind;
use Rung\Core\Dose\Prescription;
use Rung\Core\Measuring\Attempt;
use Rung\Core\Measuring\Measurement;
use Rung\Core\Measuring\MeasureSense;
use Rung\Core\Number;
use Rung\Core\Prescribe\FromMeasure;
use Rung\Core\Record\Side;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Record\Structure;
use Rung\Core\Strength\Strength;
use Rung\Core\Strength\Tries;
use Rung\Core\Words\MeasureWords;

/** What a measurement says before it is kept: its best tries, whether they agree, what is odd, and what follows from it. */
final class MeasurePreview
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** @return array<string, mixed> */
    public function present(CareCase $case, Measurement $measurement): array
    {
        [$affected, $unaffected] = [$measurement->ofAffected(), $measurement->ofUnaffected()];
        $isComplete = $measurement->faults() === [];
        $history = MeasureHistory::forCase($case);

        return [
            'affected' => self::side($affected, $measurement->affected, $measurement->measure->tries),
            'unaffected' => self::side($unaffected, $measurement->unaffected, $measurement->measure->tries),
            'symmetry_percent' =>
                $isComplete && $affected !== null && $unaffected !== null
                    ? Number::tenth(
                        Strength::symmetry($affected->best, $unaffected->best, $case->side === Side::Both->value),
                    )
                    : null,
            'moment_nm' =>
                $affected !== null && $measurement->leverM !== null
                    ? Number::tenth($affected->best * $measurement->leverM)
                    : null,
            'loads' =>
                $measurement->measure->kind === MeasureKind::RepetitionMaximum && $affected !== null
                    ? self::loads($affected->best)
                    : [],
            'questions' => MeasureSense::questions($measurement, $history->course($measurement->measure)),
            'follows' => $isComplete ? $this->follows($case, $measurement) : [],
        ];
    }

    /**
     * What the plan's present stage would be by this measurement, exercise by exercise. Nothing changes by itself.
     *
     * @return list<array{prescription: string, title: string, words: string}>
     */
    public function follows(CareCase $case, Measurement $measurement): array
    {
        [$affected, $unaffected] = [$measurement->ofAffected(), $measurement->ofUnaffected()];
        if ($affected === null || $unaffected === null) {
            return [];
        }
        $plan = $case->plan();
        $catalogue = $this->shelf->forCase($case, $plan);
        $measure = $measurement->measure;
        $test = new StrengthTest($measure->key, $measurement->on, $affected->best, $unaffected->best, $measure->unit);
        $isOfStructure = $catalogue->structure(Structure::from($case->structure))->strengthTest === $measure->key;
        $bothSides = $case->side === Side::Both->value;
        $questions = [];
        $stage = $case->stageEntries()->reorder('from', 'desc')->value('stage');
        foreach ($plan->stage(is_string($stage) ? $stage : '')->stage->prescriptions ?? [] as $prescription) {
            $words = $this->words(
                $prescription,
                $measurement,
                $test,
                $bothSides,
                $isOfStructure,
                $case->athlete->body_mass_kg,
            );
            if ($words !== null) {
                $questions[] = [
                    'prescription' => $prescription->key,
                    'title' => $catalogue->titleOf($prescription->exercise),
                    'words' => $words,
                ];
            }
        }

        return $questions;
    }

    private function words(
        Prescription $prescription,
        Measurement $measurement,
        StrengthTest $test,
        bool $bothSides,
        bool $isOfStructure,
        ?float $bodyMassKg,
    ): ?string {
        $load = FromMeasure::loadKg($prescription, $measurement->measure, $test, $bothSides, $bodyMassKg);
        if ($load !== null && $load != $prescription->dose->load_kg) {
            return MeasureWords::load($prescription, $load);
        }
        $band =
            $isOfStructure && $measurement->measure->kind === MeasureKind::Force
                ? FromMeasure::band($prescription, $test, $bothSides)
                : null;

        return $band === null ? null : MeasureWords::band($prescription, $band, $measurement->measure->unit);
    }

    /**
     * @param list<Attempt> $taken
     *
     * @return array<string, mixed>|null
     */
    private static function side(?Tries $tries, array $taken, int $asked): ?array
    {
        $counting = count(array_filter($taken, static fn(Attempt $attempt): bool => !$attempt->struck));

        return $tries === null
            ? null
            : [
                'best' => $tries->best,
                'spread_percent' => $tries->spreadPercent === null ? null : Number::tenth($tries->spreadPercent),
                'verdict' => $tries->verdict->value,
                'words' => MeasureWords::tries($tries, $counting, $asked),
            ];
    }

    /** @return list<array{reps: int, load_kg: int|float}> what could be lifted so many times */
    private static function loads(int|float $maximum): array
    {
        return array_map(
            static fn(int $reps): array => [
                'reps' => $reps,
                'load_kg' => Number::tenth(Strength::loadFor($maximum, $reps)),
            ],
            range(1, Strength::MAX_REPS),
        );
    }
}
