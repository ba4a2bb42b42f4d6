<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Curve;
use App\Models\User;
use App\Support\Clock;
use Carbon\CarbonImmutable;
use Rung\Core\Catalogue\MeasureKind;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Strength\CurveAsk;

/** Keeps the curve of a try with the figures that the core reads from it. It counts once a measurement names it. */
final class KeepCurve
{
    public function __construct(private readonly WriteCase $write, private readonly FindMeasure $measures) {}

    /**
     * @param string $id made by the browser, so that sending twice keeps one
     * @param array<string, int|float|null> $figures as the core worked them out
     *
     * @return array{Curve, bool} the curve, and whether it is new
     *
     * @throws InvalidInput
     */
    public function handle(
        CareCase $case,
        User $by,
        string $id,
        string $measure,
        string $side,
        CurveAsk $ask,
        array $figures,
    ): array {
        $known = $this->measures->byKey($case, $measure);
        if ($known === null || $known->kind !== MeasureKind::Force) {
            throw InvalidInput::at('/measure', 'must be a measure of force');
        }
        if ($case->isStopped()) {
            throw InvalidInput::at('/measure', RecordMeasurement::STOPPED);
        }
        $sides = $known->eachSide ? ['affected', 'unaffected'] : ['both'];
        if (!in_array($side, $sides, true)) {
            throw InvalidInput::at('/side', 'must be ' . implode(' or ', $sides) . ' for this measure');
        }
        $new = $this->write->run($case, $by, 'kept a force curve', static function (CareCase $case) use (
            $by,
            $id,
            $measure,
            $side,
            $ask,
            $figures,
        ): Curve|false {
            return Curve::isStored($case, $id)
                ? false
                : Curve::query()->create([
                    'id' => $id,
                    'practice_id' => $case->practice_id,
                    'case_id' => $case->id,
                    'measure' => $measure,
                    'side' => $side,
                    'on' => Clock::today($case->practice->timezone)->toIso(),
                    'samples' => Curve::packed($ask->curve),
                    'figures' => $figures,
                    'user_id' => $by->id,
                    'created_at' => CarbonImmutable::now()->utc(),
                ]);
        });

        return $new === false ? [Curve::query()->findOrFail($id), false] : [$new, true];
    }
}
