<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\Figure\Body;
use Rung\Core\Figure\Limb;
use Rung\Core\Figure\Pose;
use Rung\Core\Figure\Reach;
use Rung\Core\Figure\Skeleton;
use Rung\Core\Figure\Turn;
use Rung\Core\Figure\Vec;

/** The kinematics behind the figures, by what must hold for any pose. */
final class SkeletonTest extends TestCase
{
    private const TIMES = 300;

    private Randomizer $chance;

    protected function setUp(): void
    {
        $this->chance = new Randomizer(new Mt19937(20));
    }

    private function degrees(int $from, int $to): float
    {
        return (float) $this->chance->getInt($from, $to);
    }

    /** @return array<string, float> angles of a body in the air, each within its limits */
    private function angles(): array
    {
        $angles = [
            'lean' => $this->degrees(-90, 90),
            'roll' => $this->degrees(-90, 90),
            'turn' => $this->degrees(-180, 180),
        ];
        foreach (['bend', 'side', 'twist', 'neck', 'look'] as $name) {
            $angles[$name] = $this->degrees(...Body::LIMITS[$name]);
        }
        foreach (['hip', 'out', 'rotate', 'knee', 'ankle', 'toes', 'arm', 'elbow', 'palm', 'wrist', 'tilt'] as $name) {
            foreach (Limb::cases() as $limb) {
                $angles["$name.$limb->value"] = $this->degrees(...Body::LIMITS[$name]);
            }
        }

        return $angles;
    }

    public function testTurnsStaySquare(): void
    {
        for ($i = 0; $i < self::TIMES; $i++) {
            $turn = Turn::yaw($this->degrees(-180, 180))
                ->then(Turn::pitch($this->degrees(-180, 180)))
                ->then(Turn::roll($this->degrees(-180, 180)));
            foreach ([$turn, $turn->mirrored(), Turn::fromDirections($turn->up, $turn->ahead)] as $other) {
                self::assertEqualsWithDelta(1, $other->ahead->length(), 1e-9);
                self::assertEqualsWithDelta(0, $other->ahead->dot($other->up), 1e-9);
                // Ahead × up is right, in the mirror too: a left hand stays a left hand.
                self::assertEqualsWithDelta(0, $other->ahead->cross($other->up)->to($other->right), 1e-9);
            }
            $place = new Vec($this->degrees(-50, 50), $this->degrees(-50, 50), $this->degrees(-50, 50));
            self::assertEqualsWithDelta(0, $turn->within($turn->out($place))->to($place), 1e-9);
        }
    }

    public function testJointsMeasureWhatThePoseSays(): void
    {
        for ($i = 0; $i < self::TIMES; $i++) {
            $angles = $this->angles();
            $body = Skeleton::in(new Pose($angles));
            foreach (Limb::cases() as $limb) {
                foreach (['knee', 'elbow', 'arm', 'wrist'] as $joint) {
                    // Measured without a sign: how far it is from straight.
                    $said = $angles["$joint.$limb->value"];
                    if ($joint === 'wrist' && $angles["tilt.$limb->value"] !== 0.0) {
                        continue;
                    }
                    self::assertEqualsWithDelta(abs($said), $body->angle($joint, $limb), 1e-4, "$joint $limb->value");
                }
                self::assertEqualsWithDelta($angles["ankle.$limb->value"], $body->angle('ankle', $limb), 1e-6);
                self::assertEqualsWithDelta(
                    $angles["palm.$limb->value"],
                    Skeleton::in(
                        new Pose(
                            ['wrist' => 0.0, 'tilt' => 0.0] + ["palm.$limb->value" => $angles["palm.$limb->value"]],
                        ),
                    )->angle('palm', $limb),
                    1e-6,
                );
            }
            $straight = Skeleton::in(
                new Pose(
                    array_filter(
                        $angles,
                        static fn(string $key): bool => !str_starts_with($key, 'out') &&
                            !str_starts_with($key, 'rotate'),
                        ARRAY_FILTER_USE_KEY,
                    ),
                ),
            );
            self::assertEqualsWithDelta($angles['hip.work'], $straight->angle('hip', Limb::Work), 1e-6);
        }
    }

    public function testTheMirroredPoseIsTheMirroredBody(): void
    {
        for ($i = 0; $i < self::TIMES; $i++) {
            $angles = $this->angles();
            $mirrored = [];
            foreach ($angles as $key => $angle) {
                $mirrored[strtr($key, ['.work' => '.other', '.other' => '.work'])] = in_array(
                    $key,
                    ['roll', 'turn', 'side', 'twist', 'look'],
                    true,
                )
                    ? -$angle
                    : $angle;
            }
            [$one, $other] = [Skeleton::in(new Pose($angles)), Skeleton::in(new Pose($mirrored))];
            foreach (Body::points() as $name) {
                $twin = strtr($name, ['.work' => '.other', '.other' => '.work']);
                self::assertEqualsWithDelta(0, $one->place($name)->mirrored()->to($other->place($twin)), 1e-6, $name);
            }
        }
    }

    public function testAHandGetsWhereverTheArmIsLongEnough(): void
    {
        $long = Body::UPPER_ARM + Body::FOREARM + Body::GRIP[0];
        for ($i = 0; $i < self::TIMES; $i++) {
            $angles = array_filter(
                $this->angles(),
                static fn(string $key): bool => !str_contains($key, 'wrist') && !str_contains($key, 'tilt'),
                ARRAY_FILTER_USE_KEY,
            );
            $shoulder = Skeleton::in(new Pose($angles))->place('shoulder.work');
            $way = (new Vec($this->degrees(-9, 9), $this->degrees(-9, 9), $this->degrees(-9, 9) + 0.5))->unit();
            $far = $this->degrees(60, (int) ($long * 13)) / 10;
            $goal = $shoulder->plus($way->times($far));
            $body = Skeleton::in(new Pose($angles, reaches: ['hand.work' => new Reach(null, $goal)]));
            // The middle of what is held stands a little off the palm.
            self::assertEqualsWithDelta(max(0, $far - $long), $body->missed['hand.work'], 0.01);
            if ($far <= $long) {
                self::assertLessThanOrEqual(Body::GRIP[1] + 0.01, $body->place('hand.work')->to($goal));
            }
            self::assertEqualsWithDelta(
                Body::FOREARM,
                $body->place('elbow.work')->to($body->place('wrist.work')),
                1e-6,
            );
            self::assertEqualsWithDelta(
                0,
                $body->place('shoulder.work')->to($shoulder),
                1e-6,
                'the rest of the body stays',
            );
        }
    }

    public function testAFootThatIsPutDownStandsFlatWhereItIsPut(): void
    {
        for ($i = 0; $i < self::TIMES; $i++) {
            $at = new Vec($this->degrees(-15, 20), 0, $this->degrees(2, 9));
            $heel = $this->degrees(0, 40);
            $body = Skeleton::in(
                new Pose(['lean' => $this->degrees(0, 20)], 'pelvis', new Vec(0, $this->degrees(30, 44), 0), [
                    'foot.work' => new Reach(null, $at, heel: $heel),
                ]),
            );
            self::assertEqualsWithDelta(0, $body->missed['foot.work'], 1e-6);
            self::assertEqualsWithDelta(
                0,
                $body->place('ball.work')->to($at->plus(new Vec(0, Body::RADIUS['ball'], 0))),
                1e-6,
            );
            self::assertEqualsWithDelta(
                $heel,
                rad2deg(asin(-$body->turn('foot.work')->ahead->y)),
                1e-6,
                'how far its heel is up',
            );
            self::assertLessThanOrEqual(
                1e-9,
                $body->turn('thigh.work')->within($body->turn('shank.work')->up->times(-1))->x,
                'a knee bends backwards alone',
            );
        }
    }

    public function testTheFixedPointIsWhereItIsFixed(): void
    {
        for ($i = 0; $i < self::TIMES; $i++) {
            $at = new Vec($this->degrees(-50, 50), $this->degrees(0, 50), $this->degrees(-50, 50));
            foreach (['pelvis', 'elbow.other', 'neck', 'knee.work'] as $on) {
                self::assertEqualsWithDelta(
                    0,
                    Skeleton::in(new Pose($this->angles(), $on, $at))->place($on)->to($at),
                    1e-6,
                );
            }
            // Feet stand on the place, not in it.
            self::assertEqualsWithDelta(
                Body::RADIUS['ball'],
                Skeleton::in(new Pose(['shin' => 20.0, 'knee' => 60.0], 'ball.work', $at))->place('ball.work')->y -
                    $at->y,
                1e-6,
            );
        }
    }

    public function testHalfWayIsBetween(): void
    {
        $one = new Pose(['knee.work' => 10.0, 'knee' => 30.0, 'lean' => 0.0], 'pelvis', new Vec(0, 0, 0), [
            'hand.work' => new Reach(null, new Vec(0, 0, 0)),
        ]);
        $other = new Pose(['knee' => 90.0, 'lean' => 20.0], 'pelvis', new Vec(10, 0, 0));
        $half = $one->towards($other, 0.5);
        self::assertSame(
            [50.0, 60.0, 10.0],
            [$half->angle('knee', Limb::Work), $half->angle('knee', Limb::Other), $half->angle('lean')],
        );
        self::assertSame(5.0, $half->at?->x);
        self::assertSame(0.5, $half->reach('hand.work')?->part, 'a hand that lets go goes half of the way');
    }

    public function testTheCentreOfMassOfOneWhoStandsIsAboveTheFeetAtTheHeightOfTheHips(): void
    {
        $body = Skeleton::in(new Pose(['shin' => 3.0, 'knee' => 3.0], 'ball.work', new Vec(0, 0, 5.2)));
        $centre = $body->centreOfMass();
        self::assertEqualsWithDelta(55, $centre->y, 4, 'a little over half of the height');
        self::assertGreaterThan($body->place('heel.work')->x, $centre->x);
        self::assertLessThan($body->place('toe.work')->x, $centre->x);
        self::assertEqualsWithDelta(0, $centre->z, 0.2);
    }
}
