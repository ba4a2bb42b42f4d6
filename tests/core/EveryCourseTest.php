<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Decision\ActionKind;
use Rung\Core\Decision\Change;
use Rung\Core\Decision\NextDose;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluation;
use Rung\Core\Plan\Plan;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\Goal;
use Rung\Core\Simulation\Play;
use Rung\Core\Simulation\PlayRequest;
use Rung\Core\Time\Day;

/**
 * Every programme is played for half a year: nobody comes to a dead end, nothing stands still that could grow, nothing is
 * raised after a stop, and what is made easier lifts no more. Structures, goals, soreness and equipment take turns.
 */
final class EveryCourseTest extends TestCase
{
    private const FOUND = [
        'low' => ['rest' => 0, 'test' => 1, 'settle_min' => 20, 'stiffness_min' => 5],
        'medium' => ['rest' => 2, 'test' => 4, 'settle_min' => 300, 'stiffness_min' => 20],
        'high' => ['rest' => 5, 'test' => 6, 'settle_min' => 1500, 'stiffness_min' => 70],
    ];

    private const GOALS = [Goal::Everyday, Goal::Running, Goal::Jumping, Goal::Throwing, Goal::Strength];

    private const BODY_MASS_KG = 70;

    private const STILL_DAYS = 42;

    private const DAY_MICROS = 86_400_000_000;

    /** @return iterable<string, array{string, int}> */
    public static function programmes(): iterable
    {
        foreach (array_keys(Support::catalogue()->programmes) as $i => $programme) {
            yield $programme => [$programme, $i];
        }
    }

    #[DataProvider('programmes')]
    public function testWhoeverIsCalmComesToTheEndAndNothingStandsStill(string $key, int $turn): void
    {
        $programme = Support::catalogue()->programme($key);
        foreach (['low', $turn % 2 === 0 ? 'medium' : 'high'] as $i => $irritability) {
            $goal = self::GOALS[($turn + $i) % count(self::GOALS)];
            $since = [];
            $played = Play::run(
                self::request($programme, $turn + $i, $irritability, $goal, [
                    'kind' => 'steady',
                    'gain_percent_a_week' => 1.5,
                ]),
                Support::catalogue(),
                static function (Evaluation $evaluation) use (&$since, $key): void {
                    $since = self::stillFor($evaluation, $since, $key);
                },
            );
            $stages = array_column(is_array($played['stages']) ? $played['stages'] : [], 'stage');
            $last = (string) json_encode(end($stages));
            self::assertTrue(
                $played['ended_day'] !== null || $last === json_encode(self::lastStage($programme, $goal)),
                "$key, $irritability, $goal->value: stays in $last",
            );
        }
    }

    #[DataProvider('programmes')]
    public function testAStopHoldsAndWhatIsEasierIsNoHeavier(string $key, int $turn): void
    {
        $programme = Support::catalogue()->programme($key);
        $judged = 0;
        foreach (['low', 'high'] as $i => $irritability) {
            $before = [];
            // Each of the three characters has its turn.
            $request = self::request(
                $programme,
                $turn + $i,
                $irritability,
                self::GOALS[($turn + $i + 1) % count(self::GOALS)],
                ['kind' => 'simulated', 'seed' => 3 + (($turn + $i) % 3)],
                16,
            );
            Play::run($request, Support::catalogue(), static function (Evaluation $evaluation, Plan $plan) use (
                &$before,
                &$judged,
                $key,
            ): void {
                $judged++;
                self::assertNothingIsRaisedAfterAStop($evaluation, $key);
                foreach ($plan->prescriptions() as $prescription) {
                    if (isset($before[$prescription->key]) && self::wasLowered($evaluation, $prescription)) {
                        self::assertLessThanOrEqual(
                            $before[$prescription->key] + 1e-6,
                            self::liftedKg($prescription, 0),
                            "$key: $prescription->key became heavier as it was made easier",
                        );
                    }
                    $now = $evaluation->log->stage->prescription($prescription->key);
                    $before[$prescription->key] = self::liftedKg(
                        $prescription,
                        $now === null ? 0 : $evaluation->work->presentLoadKg($now),
                    );
                }
            });
        }
        self::assertGreaterThan(30, $judged);
    }

    /** @param array<string, mixed> $athlete */
    private static function request(
        Programme $programme,
        int $turn,
        string $irritability,
        Goal $goal,
        array $athlete,
        int $weeks = 26,
    ): PlayRequest {
        return PlayRequest::read(
            (string) json_encode([
                'programme' => $programme->key,
                'structure' => $programme->structures[$turn % count($programme->structures)]->value,
                'side' => 'left',
                'goal' => $goal->value,
                'body_mass_kg' => self::BODY_MASS_KG,
                'weeks' => $weeks,
                'from' => '2026-01-05',
                'purpose' => $programme->purpose->value,
                'irritability' => self::FOUND[$irritability],
                'equipment' => $turn % 2 === 0 ? Support::catalogue()->equipment() : [],
                'athlete' => $athlete,
            ]),
            Support::catalogue(),
        );
    }

    private static function lastStage(Programme $programme, Goal $goal): ?string
    {
        $last = null;
        foreach ($programme->plan->stages as $planned) {
            $last = $planned->stage->appliesTo($goal) ? $planned->stage->key : $last;
        }

        return $last;
    }

    /**
     * @param array<string, array{string, Day}> $since what was asked of each prescription, and from when on
     *
     * @return array<string, array{string, Day}>
     */
    private static function stillFor(Evaluation $evaluation, array $since, string $programme): array
    {
        $next = new NextDose($evaluation->work);
        foreach ($evaluation->asked as $asked) {
            $prescription = $asked->prescription;
            $now = (string) json_encode([
                $evaluation->log->stage->key,
                $prescription->exercise,
                $prescription->dose->toArray(),
                $asked->toArray(),
                $evaluation->work->presentLoadKg($prescription),
            ]);
            [$was, $from] = $since[$prescription->key] ?? ['', $evaluation->log->today];
            if ($was !== $now) {
                $since[$prescription->key] = [$now, $evaluation->log->today];
            } elseif (
                $evaluation->log->today->daysSince($from) >= self::STILL_DAYS &&
                $prescription->progression !== null &&
                $prescription->minPain() === null
            ) {
                self::assertNotContains(
                    $next->progress($prescription)->change,
                    [Change::Dose, Change::NextRung],
                    "$programme: $prescription->key stands still for six weeks, though it could grow",
                );
            }
        }

        return $since;
    }

    private static function assertNothingIsRaisedAfterAStop(Evaluation $evaluation, string $programme): void
    {
        if (
            !in_array(
                $evaluation->action->kind,
                [ActionKind::Progress, ActionKind::AddLoad, ActionKind::Advance, ActionKind::Finish],
                true,
            )
        ) {
            return;
        }
        foreach ($evaluation->stops as $stop) {
            foreach (array_filter([$stop->began, $stop->reviewed]) as $moment) {
                self::assertGreaterThanOrEqual(
                    7 * self::DAY_MICROS,
                    $evaluation->log->at->micros - $moment->micros,
                    "$programme: raised within a week after a stop",
                );
            }
        }
    }

    /** Whether the latest change of its dose, since yesterday morning, made it easier; a block that is taken back says its own load. */
    private static function wasLowered(Evaluation $evaluation, Prescription $prescription): bool
    {
        $changes = array_values(
            array_filter(
                $evaluation->log->doseChanges,
                static fn(DoseChange $change): bool => $change->prescription === $prescription->key &&
                    $evaluation->log->at->micros - $change->at->micros <= self::DAY_MICROS,
            ),
        );
        $last = $changes === [] ? null : $changes[count($changes) - 1];

        return $last !== null && $last->kind->lowers() && $prescription->progression?->blocks === null;
    }

    /** What one limb lifts in a repetition: its part of the body, and the weight that is asked or was lifted last. */
    private static function liftedKg(Prescription $prescription, int|float $presentKg): float
    {
        $lifted =
            ($prescription->dose->load_kg ?? $presentKg) +
            ($prescription->dose->body_fraction ?? 0) * self::BODY_MASS_KG;

        return $lifted / ($prescription->limbs === Limbs::Together ? 2 : 1);
    }
}
