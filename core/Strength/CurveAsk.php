<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use InvalidArgumentException;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;

/** The curve of one try, with what its figures are to be read against (docs/formats/case-file.md, "Strength"). */
final readonly class CurveAsk
{
    /** Metres from the joint to the gauge: nobody's limb is longer. */
    public const LONGEST_LEVER_M = 2;

    private function __construct(
        public ForceCurve $curve,
        /** Null where the moment is not asked for. */
        public int|float|null $leverM,
        /** The maximum that a hold is a share of, in newtons; null where no band is asked for. */
        public int|float|null $mvc,
        public int|float|null $percent,
    ) {}

    /** Null where the curve itself is at fault. */
    public static function read(ObjectNode $node): ?self
    {
        $curve = ForceCurve::read($node);
        $lever = $node->numberOrNull('lever_m', 0, self::LONGEST_LEVER_M);
        if ($lever !== null && $lever <= 0) {
            $node->fault('lever_m', 'must be over 0: the metres from the joint to the gauge');
        }
        $mvc = $node->has('mvc') ? $node->positive('mvc') : $node->numberOrNull('mvc');
        $percent = $node->numberOrNull('percent', 0, 100);
        if (($mvc === null) !== ($percent === null)) {
            $node->fault(
                $mvc === null ? 'mvc' : 'percent',
                'must be given with the other: a band needs both the maximum and its share',
            );
        }
        if (count($curve->ms) < 2 || count($curve->ms) !== count($curve->newtons)) {
            return null;
        }
        $perUnit = $node->choice('unit', ForceUnit::class)->newtons();

        return new self($curve, $lever, $mvc === null ? null : $mvc * $perUnit, $percent);
    }

    /**
     * Newtons, newton-metres, newton-seconds and seconds, rounded for display.
     *
     * @return array<string, int|float|null> empty where nothing was pulled, which is a fault of the node
     */
    public function answer(ObjectNode $node): array
    {
        try {
            $figures = CurveFigures::fromCurve($this->curve);
        } catch (InvalidArgumentException $nothing) {
            $node->fault('force', $nothing->getMessage());

            return [];
        }
        $answer = [
            'peak_n' => Number::tenth($figures->peak),
            'best_second_n' => $figures->bestSecond === null ? null : Number::tenth($figures->bestSecond),
            'time_to_90_s' => Number::hundredth($figures->timeTo90),
            'rate_of_rise_n_s' => Number::tenth($figures->rateOfRise),
            'impulse_n_s' => Number::tenth($figures->impulse),
            'onset_s' => Number::hundredth($figures->onset),
            'peak_at_s' => Number::hundredth($figures->peakAt),
            'end_s' => Number::hundredth($figures->end),
            'zero_n' => Number::tenth($figures->zero),
            'drift_n' => $figures->drift === null ? null : Number::tenth($figures->drift),
        ];
        if ($this->leverM !== null) {
            $answer['moment_nm'] = Number::tenth($figures->peak * $this->leverM);
        }
        if ($this->mvc !== null && $this->percent !== null) {
            $band = Strength::holdTarget($this->mvc, $this->percent);
            $inBand = $figures->inBand($this->curve, $band['low'], $band['high']);
            $answer += [
                'band_low_n' => Number::tenth($band['low']),
                'band_high_n' => Number::tenth($band['high']),
                'in_band_s' => Number::hundredth($inBand['seconds']),
                'in_band_percent' => Number::tenth($inBand['percent']),
            ];
        }

        return $answer;
    }
}
