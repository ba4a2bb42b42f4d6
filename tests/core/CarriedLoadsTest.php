<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\CarriedLoads;
use Rung\Core\Acceptance\PlanStep;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Strength\Strength;
use Rung\Core\Time\Moment;
use Rung\Core\Words\ChangeWords;

/** What was lifted goes along into another stage (docs/rules.md, "Into another stage"). */
final class CarriedLoadsTest extends TestCase
{
    public function testWhatWasLiftedIsCarriedIntoTheNextStage(): void
    {
        $history = Support::played(7, 26, 'slow');
        $plan = $history->plan;
        $evaluation = Evaluator::evaluate($history->file, Moment::fromIso(Support::NOW));
        $into = static fn(string $stage): PlanStep => (new CarriedLoads($evaluation))->into($plan, $stage);
        $step = $into('springs');
        self::assertSame('springs', $step->enterStage);
        $lifted = [];
        foreach ($evaluation->sessions as $response) {
            $lifted = $response->session->setsOf('press') ?: $lifted;
        }
        self::assertNotEmpty($lifted);
        $once = max(
            0,
            ...array_map(
                static fn(LoggedSet $set): int|float => Strength::e1rm(
                    $set->load_kg ?? 0,
                    $set->reps ?? 1,
                    $set->rir ?? 0,
                ),
                $lifted,
            ),
        );
        $load = $step->plan->stage('springs')?->stage->prescription('spring_press')?->dose->load_kg;
        self::assertEqualsWithDelta($once / (1 + 8 / 30), $load, 5, 'to the step of the press');
        self::assertLessThanOrEqual($once / (1 + 8 / 30), $load, 'rounded down');
        self::assertContains(
            "Leg press, one leg: $load kg, as lifted",
            array_map((new ChangeWords(Support::catalogue()))->note(...), $step->notes),
        );
        // What was not lifted yet, and the stage before, stay as they are.
        self::assertEquals(
            $plan->stage('springs')?->stage->prescription('jumps'),
            $step->plan->stage('springs')?->stage->prescription('jumps'),
        );
        self::assertEquals($plan, $into('holds')->plan);
        self::assertEquals($plan, $into('slow')->plan, 'nor is anything carried into the stage that it is in');
    }

    public function testAHoldThatGrowsNoMoreKeepsItsLoadToo(): void
    {
        $history = Support::played(7, 26, 'slow');
        $evaluation = Evaluator::evaluate($history->file, Moment::fromIso(Support::NOW));
        $held = [];
        foreach ($evaluation->sessions as $response) {
            $held = $response->session->setsOf('slow_hold') ?: $held;
        }
        self::assertNotEmpty($held);
        $least = min([PHP_INT_MAX, ...array_map(static fn(LoggedSet $set): int|float => $set->load_kg ?? 0, $held)]);
        self::assertGreaterThan(0, $least);
        $entered = (new CarriedLoads($evaluation))->into($history->plan, 'springs')->plan->stage('springs');
        self::assertSame($least, $entered?->stage->prescription('spring_hold')?->dose->load_kg);
    }
}
