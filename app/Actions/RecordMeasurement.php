<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Curve;
use App\Models\Outcome;
use App\Models\StrengthTest;
use App\Models\User;
use App\Support\Clock;
use App\Support\MeasureHistory;
use Carbon\CarbonImmutable;
use Closure;
use Illuminate\Support\Str;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Measuring\Attempt;
use Rung\Core\Measuring\Measurement;
use Rung\Core\Measuring\MeasureSense;

/**
 * Stores what was measured, with every try: the best one counts. A measure of both sides is a test of the case, one of both
 * together a score.
 */
final class RecordMeasurement
{
    public const STOPPED = 'loads the tissue, and a stop is open: review the stop first, or measure range and scores alone';

    public function __construct(private readonly WriteCase $write) {}

    /**
     * @param string $id made by the browser, so that sending twice stores one
     * @param bool $confirmed whether odd values were asked about and stand
     *
     * @return bool whether it is new
     *
     * @throws InvalidInput
     */
    public function handle(CareCase $case, User $by, string $id, Measurement $measurement, bool $confirmed): bool
    {
        $measurement = self::lookedUp($case, $measurement);

        return $this->write->run($case, $by, 'recorded a measurement', static function (CareCase $case) use (
            $by,
            $id,
            $measurement,
            $confirmed,
        ): bool {
            if ($measurement->measure->eachSide ? StrengthTest::isStored($case, $id) : Outcome::isStored($case, $id)) {
                return false;
            }
            self::put($case, $by, $id, $measurement, $confirmed);

            return true;
        });
    }

    /**
     * Stores one inside a write of the case.
     *
     * @throws InvalidInput
     */
    public static function put(CareCase $case, User $by, string $id, Measurement $measurement, bool $confirmed): void
    {
        self::check($case, $measurement, $confirmed);
        $own = [
            'id' => $id,
            'practice_id' => $case->practice_id,
            'case_id' => $case->id,
            'on' => $measurement->on->toIso(),
            'details' => $measurement->details(),
            'entered_by' => $by->id,
            'created_at' => CarbonImmutable::now()->utc(),
        ];
        $best = $measurement->ofAffected()->best ?? 0;
        if ($measurement->measure->eachSide) {
            StrengthTest::query()->create(
                $own + [
                    'test' => $measurement->measure->key,
                    'affected' => $best,
                    'unaffected' => $measurement->ofUnaffected()->best ?? 0,
                    'unit' => $measurement->measure->unit,
                ],
            );
        } else {
            Outcome::query()->create($own + ['measure' => $measurement->measure->key, 'score' => $best]);
        }
    }

    /**
     * With the peaks of the curves that it names.
     *
     * @throws InvalidInput
     */
    public static function lookedUp(CareCase $case, Measurement $measurement): Measurement
    {
        $find = static fn(string $side): Closure => static function (Attempt $try) use (
            $case,
            $measurement,
            $side,
        ): Attempt {
            if ($try->curve === null) {
                return $try;
            }
            $curve = !Str::isUuid($try->curve)
                ? null
                : Curve::query()
                    ->where('case_id', $case->id)
                    ->where('measure', $measurement->measure->key)
                    ->where('side', $side)
                    ->whereKey($try->curve)
                    ->first();

            return $curve === null
                ? throw InvalidInput::at(
                    $side === 'unaffected' ? '/unaffected' : '/affected',
                    'names a curve that was not kept for this measure and side; take the try again',
                )
                : $try->withValue($curve->figures['peak_n'] ?? 0);
        };

        return $measurement->withCurves(
            $find($measurement->measure->eachSide ? 'affected' : 'both'),
            $find('unaffected'),
        );
    }

    /** @throws InvalidInput */
    private static function check(CareCase $case, Measurement $measurement, bool $confirmed): void
    {
        $today = Clock::today($case->practice->timezone);
        if ($measurement->on->isAfter($today)) {
            throw InvalidInput::at('/on', 'must not lie in the future');
        }
        if ($measurement->on->number === $today->number && $measurement->measure->kind->loads() && $case->isStopped()) {
            throw InvalidInput::at('/measure', self::STOPPED);
        }
        foreach ($measurement->faults() as $field => $fault) {
            throw InvalidInput::at("/$field", $fault);
        }
        $before = MeasureHistory::forCase($case)->course($measurement->measure);
        $unit = $case->tests()->where('test', $measurement->measure->key)->first()->unit ?? $measurement->measure->unit;
        if ($unit !== $measurement->measure->unit) {
            throw InvalidInput::at(
                '/measure',
                "was measured in $unit in this case and is measured in {$measurement->measure->unit} now: they cannot be compared. Choose another measure",
            );
        }
        $questions = MeasureSense::questions($measurement, $before);
        if (!$confirmed && $questions !== []) {
            throw InvalidInput::at('/confirmed', "is needed: $questions[0] Say that it is right, or change it");
        }
    }
}
