<?php

declare(strict_types=1);

namespace Tests\Core;

use InvalidArgumentException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Strength\CurveFigures;
use Rung\Core\Strength\ForceCurve;
use Rung\Core\Strength\StrengthRequest;
use Rung\Core\Strength\Tries;
use Rung\Core\Strength\TriesVerdict;

/** docs/rules.md, "A force curve" and "Measures". */
final class ForceCurveTest extends TestCase
{
    private const RATE = 80;

    /** Rises to 300 N in half a second, holds for three seconds, falls in a quarter: known by hand. */
    public function testATrapezeIsReadAsItIs(): void
    {
        $figures = CurveFigures::fromCurve(self::trapeze(300, 0));
        self::assertEqualsWithDelta(300, $figures->peak, 0.01);
        self::assertEqualsWithDelta(300, $figures->bestSecond ?? 0, 0.01);
        // 90 % of half a second, from 5 % on: 0.425 s, within two samples.
        self::assertEqualsWithDelta(0.425, $figures->timeTo90, 0.03);
        self::assertEqualsWithDelta(600, $figures->rateOfRise, 5);
        // Half of the rise and of the fall, the hold whole, without the ends under 5 %.
        self::assertEqualsWithDelta(300 * 3 + (300 * 0.5) / 2 + (300 * 0.25) / 2, $figures->impulse, 5);
        self::assertEqualsWithDelta(1.025, $figures->onset, 0.03);
        self::assertEqualsWithDelta(4.74, $figures->end, 0.03);
        self::assertEqualsWithDelta(0, $figures->drift ?? 1, 0.01);
    }

    public function testAGaugeThatDoesNotStandAtZeroIsReadFromWhereItStands(): void
    {
        $plain = CurveFigures::fromCurve(self::trapeze(300, 0));
        $tared = CurveFigures::fromCurve(self::trapeze(300, -18));
        self::assertEqualsWithDelta(-18, $tared->zero, 0.01);
        self::assertEqualsWithDelta($plain->peak, $tared->peak, 0.01);
        self::assertEqualsWithDelta($plain->impulse, $tared->impulse, 0.5);
        // A recording that begins in the middle of the pull has no rest to be read from.
        $cut = self::trapeze(300, 0);
        $late = new ForceCurve(array_slice($cut->ms, 160), array_slice($cut->newtons, 160));
        self::assertSame(0.0, CurveFigures::fromCurve($late)->zero);
        self::assertEqualsWithDelta(300, CurveFigures::fromCurve($late)->peak, 0.01);
    }

    public function testWhatAGaugeDriftsIsShownWhereTheRecordingEndsAtRest(): void
    {
        $curve = self::trapeze(300, 0);
        $drifting = new ForceCurve(
            $curve->ms,
            array_map(
                static fn(float $force, int|float $at): float => $force + $at / 1000,
                $curve->newtons,
                $curve->ms,
            ),
        );
        self::assertEqualsWithDelta(5.8, CurveFigures::fromCurve($drifting)->drift ?? 0, 0.3);
        $cut = new ForceCurve(array_slice($curve->ms, 0, 240), array_slice($curve->newtons, 0, 240));
        self::assertNull(CurveFigures::fromCurve($cut)->drift);
    }

    public function testOneSampleThatJumpsIsNoMaximum(): void
    {
        $curve = self::trapeze(300, 0);
        $newtons = $curve->newtons;
        array_splice($newtons, 200, 1, [900]);
        self::assertLessThan(450, CurveFigures::fromCurve(new ForceCurve($curve->ms, $newtons))->peak);
    }

    public function testAShortPullHasNoBestSecond(): void
    {
        $ms = range(0, 2000, 10);
        $figures = CurveFigures::fromCurve(
            new ForceCurve($ms, array_map(static fn(int $at): float => $at >= 500 && $at < 1300 ? 200.0 : 0.0, $ms)),
        );
        self::assertNull($figures->bestSecond);
        self::assertEqualsWithDelta(160, $figures->impulse, 8);
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        for ($seed = 1; $seed <= 25; $seed++) {
            yield "seed $seed" => [$seed];
        }
    }

    #[DataProvider('seeds')]
    public function testFiguresGrowWithTheForceAndNotWithTheClock(int $seed): void
    {
        $curve = self::pulled($seed);
        $plain = CurveFigures::fromCurve($curve);
        self::assertGreaterThanOrEqual($plain->bestSecond ?? 0, $plain->peak);
        self::assertGreaterThan(0, $plain->rateOfRise);
        self::assertLessThanOrEqual($plain->end, $plain->peakAt);
        $times = 1 + $seed / 10;
        $stronger = CurveFigures::fromCurve(
            new ForceCurve(
                $curve->ms,
                array_map(static fn(int|float $value): float => $value * $times, $curve->newtons),
            ),
        );
        foreach (['peak', 'impulse', 'rateOfRise'] as $figure) {
            self::assertEqualsWithDelta(
                $times * $plain->{$figure},
                $stronger->{$figure},
                1e-6 * $plain->{$figure} * $times,
                $figure,
            );
        }
        self::assertSame($plain->timeTo90, $stronger->timeTo90);
        $later = CurveFigures::fromCurve(
            new ForceCurve(array_map(static fn(int|float $at): float => $at + 4000, $curve->ms), $curve->newtons),
        );
        self::assertEqualsWithDelta($plain->peak, $later->peak, 1e-9);
        self::assertEqualsWithDelta($plain->onset, $later->onset, 1e-9);
        // Half as many samples tell nearly the same.
        $isEven = static fn(int $i): bool => $i % 2 === 0;
        $sparse = CurveFigures::fromCurve(
            new ForceCurve(
                array_values(array_filter($curve->ms, $isEven, ARRAY_FILTER_USE_KEY)),
                array_values(array_filter($curve->newtons, $isEven, ARRAY_FILTER_USE_KEY)),
            ),
        );
        self::assertEqualsWithDelta($plain->impulse, $sparse->impulse, 0.05 * $plain->impulse);
    }

    #[DataProvider('seeds')]
    public function testTheShareInABandLiesBetweenNothingAndAll(int $seed): void
    {
        $curve = self::pulled($seed);
        $figures = CurveFigures::fromCurve($curve);
        $wide = $figures->inBand($curve, 0.1 * $figures->peak, 1e6);
        $narrow = $figures->inBand($curve, 0.6 * $figures->peak, 0.8 * $figures->peak);
        self::assertEqualsWithDelta(100, $wide['percent'], 1e-6);
        self::assertGreaterThanOrEqual(0, $narrow['percent']);
        self::assertLessThanOrEqual(100, $narrow['percent']);
        self::assertLessThanOrEqual($wide['seconds'], $narrow['seconds']);
        self::assertSame(
            ['seconds' => 0.0, 'percent' => 0.0],
            $figures->inBand($curve, 2 * $figures->peak, 3 * $figures->peak),
        );
    }

    public function testABandIsCountedBetweenItsFirstAndItsLastMoment(): void
    {
        // Two seconds at 200 N, one at 300, two at 200: of five seconds over 180, four lie in 180 to 220.
        $ms = range(0, 6990, 10);
        $curve = new ForceCurve(
            $ms,
            array_map(
                static fn(int $at): float => match (true) {
                    $at < 1000 || $at >= 6000 => 0.0,
                    $at >= 3000 && $at < 4000 => 300.0,
                    default => 200.0,
                },
                $ms,
            ),
        );
        $band = CurveFigures::fromCurve($curve)->inBand($curve, 180, 220);
        self::assertEqualsWithDelta(4, $band['seconds'], 0.1);
        self::assertEqualsWithDelta(80, $band['percent'], 1);
    }

    public function testTheCommandTellsNewtonsWhateverTheUnit(): void
    {
        $curve = self::trapeze(30, 0);
        $ask = static fn(string $unit, array $more = []): array => self::answer(
            ['ask' => 'curve', 'ms' => $curve->ms, 'force' => $curve->newtons, 'unit' => $unit] + $more,
        );
        self::assertSame(30, $ask('N')['peak_n']);
        self::assertSame(294.2, $ask('kg')['peak_n']);
        self::assertSame(133.4, $ask('lb')['peak_n']);
        self::assertSame(9, $ask('N', ['lever_m' => 0.3])['moment_nm']);
        $held = $ask('kg', ['mvc' => 40, 'percent' => 75]);
        self::assertSame([274.6, 313.8], [$held['band_low_n'], $held['band_high_n']]);
        self::assertGreaterThan(80, $held['in_band_percent']);
        self::assertArrayNotHasKey('moment_nm', $held);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function badCurves(): iterable
    {
        $good = ['ms' => [0, 10, 20], 'force' => [0, 10, 20], 'unit' => 'N'];
        yield 'a gap' => [['ms' => [0, 10, 111]] + $good, '/asks/0/ms/2 comes 101 ms after the one before it'];
        yield 'backwards' => [['ms' => [0, 10, 10]] + $good, '/asks/0/ms/2 must be later than the one before it'];
        yield 'lengths' => [['force' => [0, 10]] + $good, '/asks/0/force must hold as many values as ms: 3, not 2'];
        yield 'a million' => [
            ['ms' => array_fill(0, 1_000_000, 1)] + $good,
            '/asks/0/ms must hold at most 60000 numbers; it holds 1000000',
        ];
        yield 'a text' => [['force' => [0, '10', 20]] + $good, '/asks/0/force/1 must be a number'];
        yield 'nothing' => [['ms' => [], 'force' => []] + $good, '/asks/0/ms must hold at least 2 moments'];
        yield 'a quiet gauge' => [['force' => [1, 0, 1]] + $good, '/asks/0/force never rises 5 N over its start'];
        yield 'the other way' => [['force' => [0, -100, -200]] + $good, '/asks/0/force never rises 5 N over its start'];
        yield 'another unit' => [['unit' => 'stone'] + $good, '/asks/0/unit must be one of N, kg, lb'];
        yield 'no lever' => [['lever_m' => 0] + $good, '/asks/0/lever_m must be over 0'];
        yield 'a long lever' => [['lever_m' => 2.1] + $good, '/asks/0/lever_m must be from 0 to 2'];
        yield 'half a band' => [['mvc' => 300] + $good, '/asks/0/percent must be given with the other'];
        yield 'the other half' => [['percent' => 70] + $good, '/asks/0/mvc must be given with the other'];
    }

    /** @param array<string, mixed> $curve */
    #[DataProvider('badCurves')]
    public function testBadCurvesAreRefusedWithTheSample(array $curve, string $fault): void
    {
        try {
            self::answer(['ask' => 'curve'] + $curve);
            self::fail('it was taken');
        } catch (InvalidInput $bad) {
            self::assertStringContainsString($fault, $bad->getMessage());
            self::assertCount(1, $bad->faults, $bad->getMessage());
        }
    }

    public function testNothingPulledIsNoFigure(): void
    {
        $this->expectException(InvalidArgumentException::class);
        CurveFigures::fromCurve(new ForceCurve([0, 10, 20], [0, 0, 0]));
    }

    /** @return iterable<string, array{non-empty-list<int|float>, int, bool, TriesVerdict, int|float, int|float|null}> */
    public static function tries(): iterable
    {
        yield 'one of three' => [[300], 3, true, TriesVerdict::Go, 300, null];
        yield 'two of three' => [[300, 200], 3, true, TriesVerdict::Go, 300, 33.3];
        yield 'three that agree' => [[300, 270, 290], 3, true, TriesVerdict::Done, 300, 10];
        yield 'three that do not' => [[300, 269, 290], 3, true, TriesVerdict::OnceMore, 300, 10.3];
        yield 'the worst is replaced' => [[300, 200, 290, 285], 3, true, TriesVerdict::Done, 300, 5];
        yield 'five that never agree' => [[300, 250, 200, 150, 100], 3, true, TriesVerdict::Unsteady, 300, 33.3];
        yield 'one is enough' => [[12], 1, true, TriesVerdict::Done, 12, null];
        yield 'lower is better' => [[40, 38, 39], 3, false, TriesVerdict::Done, 38, 5];
        yield 'all nothing' => [[0, 0, 0], 3, true, TriesVerdict::Done, 0, 0];
    }

    /** @param non-empty-list<int|float> $values */
    #[DataProvider('tries')]
    public function testTriesAreJudged(
        array $values,
        int $asked,
        bool $higher,
        TriesVerdict $verdict,
        int|float $best,
        int|float|null $spread,
    ): void {
        $tries = Tries::judge($values, $asked, $higher);
        self::assertSame($verdict, $tries->verdict);
        self::assertEquals($best, $tries->best);
        self::assertEqualsWithDelta($spread, $tries->spreadPercent, 0.05);
        $answer = self::answer([
            'ask' => 'tries',
            'values' => $values,
            'asked' => $asked,
            'higher_is_better' => $higher,
        ]);
        self::assertSame($verdict->value, $answer['verdict']);
    }

    /**
     * @param array<array-key, mixed> $ask
     *
     * @return array<string, int|float|string|null>
     */
    private static function answer(array $ask): array
    {
        return StrengthRequest::answer(json_encode(['asks' => [$ask]], JSON_THROW_ON_ERROR))['answers'][0];
    }

    private static function trapeze(float $top, float $zero): ForceCurve
    {
        $ms = $newtons = [];
        for ($i = 0; $i < 6 * self::RATE; $i++) {
            $t = $i / self::RATE;
            $ms[] = 1000 * $t;
            $newtons[] = $zero + $top * max(0, min(1, ($t - 1) / 0.5, (4.75 - $t) / 0.25));
        }

        return new ForceCurve($ms, $newtons);
    }

    /** A contraction with noise: a rise, fatigue, a release. */
    private static function pulled(int $seed): ForceCurve
    {
        $chance = new Randomizer(new Mt19937($seed));
        $top = $chance->getInt(60, 900);
        $rise = $chance->getInt(8, 40) / 100;
        $ms = $newtons = [];
        for ($i = 0; $i < 8 * self::RATE; $i++) {
            $t = $i / self::RATE;
            $ms[] = round(1000 * $t, 1);
            $pull = $t > 1 && $t < 6 ? $top * (1 - exp(-($t - 1) / $rise)) * (1 - 0.02 * ($t - 1)) : 0;
            $newtons[] = round(4 + $pull + $chance->getInt(-20, 20) / 10, 1);
        }

        return new ForceCurve($ms, $newtons);
    }
}
