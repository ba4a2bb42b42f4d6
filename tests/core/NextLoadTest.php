<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\LoadSource;
use Rung\Core\Acceptance\NextLoad;
use Rung\Core\Dose\Prescription;
use Rung\Core\Words\DoseWords;

/** Where the weight of the next session comes from, and its words. */
final class NextLoadTest extends TestCase
{
    public function testAWeightIsLookedForUntilOneWasLifted(): void
    {
        $press = self::press();
        $load = self::next([], null);
        self::assertSame(LoadSource::ToFind, $load?->source);
        self::assertNull($load->kg);
        self::assertSame(
            'Load to be found: a weight that you can lift 15 times and no more. Start light, three tries at most, and write down what it was.',
            DoseWords::load($load, $press),
        );
        $lifted = self::next([[2, [30, 32.5, 30]], [4, [35, 35, 32.5]]], null);
        self::assertSame(
            [LoadSource::Lifted, 32.5, '2026-03-04'],
            [$lifted?->source, $lifted?->kg, $lifted?->on?->toIso()],
            'the least of the newest session',
        );
        self::assertStringStartsWith('32.5 kg, as last lifted on ', DoseWords::load($lifted ?? $load, $press));
    }

    public function testWhatWasLiftedOnAnotherRungIsNoMeasure(): void
    {
        $sessions = [[2, [60, 60, 60]], [6, [null, null, null]]];
        self::assertSame(60, self::next($sessions, null)?->kg);
        self::assertSame(LoadSource::ToFind, self::next($sessions, 'step_down')?->source);
        self::assertSame(60, self::next($sessions, 'progress')?->kg, 'one set more is the same exercise');
        $before = ['exercise' => 'leg_press_two', 'dose' => ['sets' => 4, 'reps' => 15, 'rest_s' => 120]];
        self::assertSame(LoadSource::ToFind, self::next($sessions, 'progress', ['before' => $before])?->source);
    }

    public function testNothingIsLookedForWhereTheDoseSaysItOrNothingIsLifted(): void
    {
        self::assertNull(self::next([], null, ['dose' => ['sets' => 3, 'reps' => 8, 'rest_s' => 60, 'load_kg' => 40]]));
        self::assertNull(self::next([], null, ['exercise' => 'squat_jump']));
    }

    public function testAShareOfAMaximumIsShownOnlyWhereOneWasMeasured(): void
    {
        $hold = Support::catalogue()
            ->programme('knee_four_stage')
            ->plan->stage('holds')
            ?->stage->prescription('ext_hold');
        self::assertNotNull($hold);
        self::assertSame('5 × 45 s, effort 7 of 10', DoseWords::describe($hold));
        self::assertSame('5 × 45 s, 70 % of maximum', DoseWords::describe($hold, true));
    }

    private static function press(): Prescription
    {
        $press = Support::catalogue()->programme('knee_four_stage')->plan->stage('slow')?->stage->prescription('press');
        self::assertNotNull($press);

        return $press;
    }

    /**
     * @param list<array{int, list<int|float|null>}> $lifted day and loads of each set
     * @param array<string, mixed> $other of the prescription
     */
    private static function next(array $lifted, ?string $changeOnTheFifth, array $other = []): ?NextLoad
    {
        $case = CaseBuilder::case()->press(
            array_replace(['dose' => ['sets' => 3, 'reps' => 15, 'rm' => 15, 'rest_s' => 60]], $other),
        );
        foreach ($lifted as [$day, $loads]) {
            $case->session($day, 1, [
                'sets' => array_map(
                    static fn(int|float|null $kg): array => ['reps' => 15] + ($kg === null ? [] : ['load_kg' => $kg]),
                    $loads,
                ),
            ]);
        }
        if ($changeOnTheFifth !== null) {
            $case->change(5, $changeOnTheFifth);
        }
        $evaluation = $case->at(8);

        return NextLoad::forPrescription($evaluation->log->stage->prescriptions[0], $evaluation, Support::catalogue());
    }
}
