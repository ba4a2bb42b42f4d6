<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Rung\Core\Acceptance\CarriedLoads;
use Rung\Core\Acceptance\StageMove;
use Rung\Core\Catalogue\Programme;
use Rung\Core\Dose\LeverKind;
use Rung\Core\Dose\Prescription;
use Rung\Core\Evaluation\Evaluator;
use Rung\Core\Record\Structure;
use Rung\Core\Time\Moment;

/** What another stage asks for before it is entered; and what a programme does otherwise for some of its structures. */
final class StageMoveTest extends TestCase
{
    public function testEveryDoseOfAStageStandsBesideWhatItTakesThePlaceOf(): void
    {
        $history = Support::played(7, 26, 'slow');
        $evaluation = Evaluator::evaluate($history->file, Moment::fromIso(Support::NOW));
        $move = static fn(string $stage): ?StageMove => StageMove::toStage(
            $history->plan,
            $evaluation,
            Support::catalogue(),
            $stage,
        );
        $springs = $move('springs');
        self::assertNotNull($springs);
        $pairs = [];
        foreach ($springs->doses as $dose) {
            $pairs[$dose['after']->key] = $dose['before']?->key;
        }
        $main = ['jumps' => null, 'run' => null, 'spring_hold' => 'slow_hold', 'spring_press' => 'press'];
        self::assertSame($main, array_intersect_key($pairs, $main));
        self::assertSame('b_bridge', $pairs['s_bridge'], 'and so does the work beside the stage');
        self::assertSame(
            ['extension'],
            array_map(static fn(Prescription $prescription): string => $prescription->key, $springs->left),
        );
        self::assertNull($move('nowhere'));
        // Each exercise of now is listed once: it goes on, or it is left.
        foreach (['holds', 'springs', 'act'] as $stage) {
            $moved = $move($stage);
            self::assertNotNull($moved);
            $before = array_filter(array_map(static fn(array $dose): ?string => $dose['before']?->key, $moved->doses));
            $all = [
                ...array_values($before),
                ...array_map(static fn(Prescription $prescription): string => $prescription->key, $moved->left),
            ];
            self::assertEqualsCanonicalizing(array_column($evaluation->log->stage->prescriptions, 'key'), $all, $stage);
            // What is shown is what entering the stage does.
            $entered = (new CarriedLoads($evaluation))->into($history->plan, $stage)->plan->stage($stage);
            self::assertEquals($entered?->stage->prescriptions, array_column($moved->doses, 'after'), $stage);
        }
    }

    public function testAVariantFitsTheLimb(): void
    {
        $catalogue = Support::catalogue();
        $of = static fn(Structure $structure, string $stage, string $key): ?Prescription => $catalogue
            ->programme('hold_strength_speed')
            ->planFor($catalogue->structure($structure), $catalogue)
            ->stage($stage)
            ?->stage->prescription($key);
        $knee = $of(Structure::PatellarTendon, 'slow', 'slow_any');
        $wrist = $of(Structure::LateralElbow, 'slow', 'slow_any');
        $shoulder = $of(Structure::Supraspinatus, 'slow', 'slow_any');
        $heel = $of(Structure::AchillesMidportion, 'slow', 'slow_any');
        self::assertSame([2.5, 0.25], [$knee?->progression?->incrementKg(), $wrist?->progression?->incrementKg()]);
        self::assertNull($shoulder?->progression?->incrementKg());
        self::assertSame('thin', $shoulder?->dose->resistance);
        self::assertSame(
            'medium',
            $shoulder->progression?->lever(LeverKind::Resistance)?->label('thin, one step out', 1),
        );
        self::assertSame([3, 2], [$knee?->dose->tempo?->lower_s, $heel?->dose->tempo?->lower_s]);
        // The programme's volume stays the same for all of them.
        foreach ([$knee, $wrist, $shoulder, $heel] as $plan) {
            self::assertSame([3, 6, 10], [$plan?->dose->sets, $plan?->dose->reps, $plan?->dose->reps_to]);
        }
    }

    public function testAProgrammeIsWrittenAsItIsRead(): void
    {
        foreach (Support::catalogue()->programmes as $programme) {
            $read = \Rung\Core\Input\Json::read((string) json_encode($programme->toArray()), Programme::read(...));
            self::assertEquals($programme, $read, $programme->key);
        }
    }

    public function testAnotherExerciseTakesTheVolumeAndKeepsItsOwnLoadAndRange(): void
    {
        $catalogue = Support::catalogue();
        $press = $catalogue->programme('knee_comfort_led')->plan->stage('slow')?->stage->prescription('press_c');
        self::assertNotNull($press);
        $squat = $catalogue->exercise('box_squat')->inPlaceOf($press);
        self::assertSame(
            [3, 8, 12, 120],
            [$squat->dose->sets, $squat->dose->reps, $squat->dose->reps_to, $squat->dose->rest_s],
        );
        self::assertSame($catalogue->exercise('box_squat')->dose->body_fraction, $squat->dose->body_fraction);
        self::assertSame(
            $press->dose->tempo?->repSeconds(),
            $squat->dose->tempo?->repSeconds(),
            'as slow as prescribed',
        );
        // A hold in the place of repetitions keeps its own dose.
        $hold = $catalogue->exercise('wall_sit')->inPlaceOf($press);
        self::assertEquals($catalogue->exercise('wall_sit')->dose->toArray(), $hold->dose->toArray());
        // Growing bounds are left out where the exercise has nothing that grows so.
        $run = $catalogue->exercise('run_steady_15')->inPlaceOf($press);
        self::assertNull($run->dose->hold_to_s);
    }
}
