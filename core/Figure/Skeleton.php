<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/**
 * Where every part of a body lies in a pose: forward from the pelvis by the angles, moved so that the fixed point is
 * where it must be, then hands and feet brought to what they reach by two-bone inverse kinematics (docs/rules.md, "Figures").
 */
final class Skeleton
{
    /** The sine of the angle from which a joint counts as bent, about 2°. */
    private const BENT = 0.03;

    /** @var array<string, Vec> */
    private array $points = [];

    /** @var array<string, Turn> */
    private array $turns = [];

    /** @var array<string, float> by hand and foot: how far from what it should reach, percent of the height */
    private array $missed = [];

    private function __construct(private readonly Pose $pose) {}

    public static function in(Pose $pose): Posed
    {
        $skeleton = new self($pose);
        $skeleton->trunk();
        foreach (Limb::cases() as $limb) {
            $skeleton->leg($limb);
            $skeleton->arm($limb);
        }
        $skeleton->fix();
        foreach (['foot', 'hand'] as $what) {
            foreach (Limb::cases() as $limb) {
                $reach = $pose->reach("$what.$limb->value");
                if ($reach !== null && $what === 'foot') {
                    $skeleton->reachWithFoot($limb, $reach);
                } elseif ($reach !== null) {
                    $skeleton->reachWithHand($limb, $reach);
                }
            }
        }

        return new Posed($skeleton->points, $skeleton->turns, $skeleton->missed);
    }

    private function trunk(): void
    {
        $pose = $this->pose;
        $pelvis = Turn::yaw($pose->angle('turn'))
            ->then(Turn::pitch(-$pose->angle('lean')))
            ->then(Turn::roll($pose->angle('roll')));
        $part = static fn(float $share): Turn => Turn::yaw($pose->angle('twist') * $share)
            ->then(Turn::pitch(-$pose->angle('bend') * $share))
            ->then(Turn::roll($pose->angle('side') * $share));
        $this->turns['pelvis'] = $pelvis;
        $this->turns['lumbar'] = $lumbar = $pelvis->then($part(0.5));
        $this->turns['thorax'] = $thorax = $pelvis->then($part(1));
        $this->turns['head'] = $head = $thorax
            ->then(Turn::yaw($pose->angle('look')))
            ->then(Turn::pitch(-$pose->angle('neck')));
        $sacrum = $pelvis->place(0, Body::SACRUM, 0);
        $this->points['pelvis'] = new Vec(0, 0, 0);
        $this->points['waist'] = $sacrum->plus($lumbar->place(0, Body::LUMBAR * 0.6, 0));
        $this->points['chest'] = $chest = $sacrum->plus($lumbar->place(0, Body::LUMBAR, 0));
        $this->points['ribs'] = $chest->plus($thorax->place(0.6, Body::THORAX * 0.5, 0));
        $this->points['neck'] = $neck = $chest->plus($thorax->place(0, Body::THORAX, 0));
        $this->points['head'] = $middle = $neck->plus($head->place(Body::HEAD[0], Body::HEAD[1], 0));
        $this->points['nose'] = $middle->plus($head->place(5.6, -0.6, 0));
    }

    private function leg(Limb $limb): void
    {
        $pose = $this->pose;
        $pelvis = $this->turns['pelvis'];
        if ($pose->standsOn($limb)) {
            $shin = $pose->angle('shin', $limb);
            $heading = Turn::yaw($pose->angle('turn'))->then($limb->sided(Turn::yaw($pose->angle('rotate', $limb))));
            $plane = Turn::yaw($pose->angle('turn'))
                ->then($limb->sided(Turn::roll(-$pose->angle('out', $limb))))
                ->then($limb->sided(Turn::yaw($pose->angle('rotate', $limb))));
            $thigh = $plane->then(Turn::pitch($pose->angle('knee', $limb) - $shin));
            $shank = $plane->then(Turn::pitch(-$shin));
            $foot = $heading->then(Turn::pitch($pose->angle('tread', $limb) - $pose->angle('heel', $limb)));
        } else {
            $thigh = $pelvis
                ->then(Turn::pitch($pose->angle('hip', $limb)))
                ->then($limb->sided(Turn::roll(-$pose->angle('out', $limb))))
                ->then($limb->sided(Turn::yaw($pose->angle('rotate', $limb))));
            $shank = $thigh->then(Turn::pitch(-$pose->angle('knee', $limb)));
            $foot = $shank->then(Turn::pitch($pose->angle('ankle', $limb)));
        }
        $hip = $pelvis->place(0, 0, Body::HIP_OUT * $limb->sign());
        $this->placeLeg($limb, $hip, $thigh, $shank, $foot);
    }

    private function placeLeg(
        Limb $limb,
        Vec $hip,
        Turn $thigh,
        Turn $shank,
        Turn $foot,
        ?float $tread = null,
        bool $isPut = false,
    ): void {
        $toes =
            ($this->pose->standsOn($limb) && !$isPut) || $tread !== null
                ? $foot->then(
                    Turn::pitch(
                        self::rise($foot->ahead, $tread ?? $this->pose->angle('tread', $limb)) +
                            $this->pose->angle('toes_up', $limb),
                    ),
                )
                : $foot->then(Turn::pitch($isPut ? 0 : $this->pose->angle('toes', $limb)));
        $side = ".$limb->value";
        $this->turns["thigh$side"] = $thigh;
        $this->turns["shank$side"] = $shank;
        $this->turns["foot$side"] = $foot;
        $this->turns["toes$side"] = $toes;
        $this->points["hip$side"] = $hip;
        $this->points["knee$side"] = $knee = $hip->plus($thigh->place(0, -Body::THIGH, 0));
        $this->points["ankle$side"] = $ankle = $knee->plus($shank->place(0, -Body::SHANK, 0));
        $this->points["heel$side"] = $ankle->plus($foot->place(Body::HEEL[0], Body::HEEL[1], 0));
        $this->points["ball$side"] = $ball = $ankle->plus($foot->place(Body::BALL[0], Body::BALL[1], 0));
        $this->points["toe$side"] = $ball->plus($toes->place(Body::TOE, -0.3, 0));
    }

    /** How far the toes are turned up from the foot so that they lie along the ground, degrees. */
    private static function rise(Vec $ahead, float $tread): float
    {
        return $tread - rad2deg(asin(max(-1, min(1, $ahead->y))));
    }

    private function arm(Limb $limb): void
    {
        $pose = $this->pose;
        $plane = Turn::yaw($pose->angle('plane', $limb));
        $back = Turn::yaw(-$pose->angle('plane', $limb));
        $upper = $this->turns['thorax']->then(
            $limb->sided(
                $plane
                    ->then(Turn::pitch($pose->angle('arm', $limb)))
                    ->then($back)
                    ->then(Turn::yaw($pose->angle('arm_turn', $limb))),
            ),
        );
        $fore = $upper->then(Turn::pitch($pose->angle('elbow', $limb)));
        $hand = $fore
            ->then($limb->sided(Turn::yaw($pose->angle('palm', $limb) - 90)))
            ->then(Turn::pitch(-$pose->angle('wrist', $limb)))
            ->then($limb->sided(Turn::roll(-$pose->angle('tilt', $limb))));
        $this->placeArm($limb, $this->shoulder($limb), $upper, $fore, $hand);
    }

    private function shoulder(Limb $limb): Vec
    {
        return $this->points['chest']->plus(
            $this->turns['thorax']->place(
                Body::SHOULDER[0] + $this->pose->angle('blade', $limb),
                Body::SHOULDER[1] + $this->pose->angle('shrug', $limb),
                Body::SHOULDER[2] * $limb->sign(),
            ),
        );
    }

    private function placeArm(Limb $limb, Vec $shoulder, Turn $upper, Turn $fore, Turn $hand): void
    {
        $side = ".$limb->value";
        $grip = $this->pose->angle('grip', $limb);
        $this->turns["upper$side"] = $upper;
        $this->turns["fore$side"] = $fore;
        $this->turns["hand$side"] = $hand;
        $this->points["shoulder$side"] = $shoulder;
        $this->points["elbow$side"] = $elbow = $shoulder->plus($upper->place(0, -Body::UPPER_ARM, 0));
        $this->points["wrist$side"] = $wrist = $elbow->plus($fore->place(0, -Body::FOREARM, 0));
        $this->points["knuckle$side"] = $knuckle = $wrist->plus($hand->place(0, -Body::PALM, 0));
        $first = $hand->then(Turn::pitch($grip * 0.9));
        $second = $first->then(Turn::pitch($grip));
        $this->points["finger$side"] = $finger = $knuckle->plus($first->place(0, -Body::FINGER[0], 0));
        $this->points["tip$side"] = $finger->plus($second->place(0, -Body::FINGER[1], 0));
        $closed = min(1, $grip / 90);
        $this->points["thumb$side"] = $wrist->plus(
            $hand->place(0.6 + 2.6 * $closed, -4.2, $limb->sign() * (3.6 - 1.8 * $closed)),
        );
        $middle = $wrist->plus($hand->place(Body::GRIP[1], -Body::GRIP[0], 0));
        $along = $hand->place(0, 0, 4.0 * $limb->sign());
        $this->points["grip_a$side"] = $middle->plus($along);
        $this->points["grip_b$side"] = $middle->minus($along);
    }

    /** Moves the whole body so that the fixed point is where the pose says. */
    private function fix(): void
    {
        if ($this->pose->on === null || $this->pose->at === null) {
            return;
        }
        [$name] = explode('.', $this->pose->on);
        $above = in_array($name, ['ball', 'heel', 'toe'], true) ? new Vec(0, Body::RADIUS[$name], 0) : new Vec(0, 0, 0);
        $by = $this->pose->at->plus($above)->minus($this->points[$this->pose->on] ?? new Vec(0, 0, 0));
        $this->points = array_map(static fn(Vec $point): Vec => $point->plus($by), $this->points);
    }

    private function reachWithFoot(Limb $limb, Reach $reach): void
    {
        $side = ".$limb->value";
        $heading = Turn::yaw($this->pose->angle('turn'))->then(
            $limb->sided(Turn::yaw($this->pose->angle('rotate', $limb))),
        );
        $wanted = $heading->then(Turn::pitch($reach->tread - $reach->heel));
        $now = $this->turns["foot$side"];
        $foot =
            $reach->part < 1
                ? Turn::fromDirections(
                    $now->up->between($wanted->up, $reach->part),
                    $now->ahead->between($wanted->ahead, $reach->part),
                )
                : $wanted;
        [$sole, $offset] = $reach->byHeel ? ['heel', Body::HEEL] : ['ball', Body::BALL];
        $place = $this->points[$sole . $side]->between(
            $this->place($reach)->plus(new Vec(0, Body::RADIUS[$sole], 0)),
            $reach->part,
        );
        $ankle = $place->minus($foot->place($offset[0], $offset[1], 0));
        $hip = $this->points["hip$side"];
        $bow = $reach->bow ?? $this->turns['pelvis']->ahead->times(1.0)->plus($foot->ahead->times(0.6));
        $knee = $this->bent("foot$side", $hip, $ankle, Body::THIGH, Body::SHANK, $bow, $reach->part >= 1);
        // A knee bends backwards: the front of each bone looks away from where the other goes.
        $thigh = Turn::fromDirections($hip->minus($knee), self::front($hip->minus($knee), $knee->minus($ankle), $bow));
        $shank = Turn::fromDirections(
            $knee->minus($ankle),
            self::front($knee->minus($ankle), $knee->minus($hip), $bow),
        );
        // Toes lie along the ground where the ball does; a foot on its heel, on its back or in the air keeps them straight.
        $isOnToes = !$reach->byHeel && $reach->heel <= 90 && $reach->part >= 0.5;
        $this->placeLeg($limb, $hip, $thigh, $shank, $foot, $isOnToes ? $reach->tread : null, true);
    }

    private function reachWithHand(Limb $limb, Reach $reach): void
    {
        $side = ".$limb->value";
        $shoulder = $this->points["shoulder$side"];
        $goal = $this->place($reach);
        $flat =
            $reach->palm !== null && $reach->fingers !== null
                ? Turn::fromDirections($reach->fingers->times(-1), $reach->palm)
                : null;
        $bow = $reach->bow ?? $this->turns['thorax']->place(-0.5, -1, 0.5 * $limb->sign());
        // A hand that lies on something is put there whole; one that grips goes on straight from the forearm.
        $lower = Body::FOREARM + ($flat === null ? Body::GRIP[0] : 0);
        $from =
            $flat === null
                ? $this->points["grip_a$side"]->between($this->points["grip_b$side"], 0.5)
                : $this->points["wrist$side"];
        $end = $from->between($flat === null ? $goal : $goal->minus($flat->place(0, -Body::GRIP[0], 0)), $reach->part);
        $elbow = $this->bent("hand$side", $shoulder, $end, Body::UPPER_ARM, $lower, $bow, $reach->part >= 1);
        // An elbow bends forwards.
        $upper = Turn::fromDirections(
            $shoulder->minus($elbow),
            self::front($shoulder->minus($elbow), $end->minus($elbow), $bow->times(-1)),
        );
        $fore = Turn::fromDirections(
            $elbow->minus($end),
            self::front($elbow->minus($end), $shoulder->minus($elbow), $bow->times(-1)),
        );
        $hand =
            $flat ??
            $fore
                ->then($limb->sided(Turn::yaw($this->pose->angle('palm', $limb) - 90)))
                ->then(Turn::pitch(-$this->pose->angle('wrist', $limb)))
                ->then($limb->sided(Turn::roll(-$this->pose->angle('tilt', $limb))));
        $this->placeArm($limb, $shoulder, $upper, $fore, $hand);
    }

    /** The joint between two bones, on the side of the bow; notes what cannot be reached. */
    private function bent(string $what, Vec $root, Vec $end, float $first, float $second, Vec $bow, bool $isWhole): Vec
    {
        $way = $end->minus($root);
        $far = $way->length();
        $reachable = max(abs($first - $second) + 0.01, min($first + $second - 0.001, $far));
        if ($isWhole) {
            $this->missed[$what] = abs($far - $reachable);
        }
        $along = ($first * $first - $second * $second + $reachable * $reachable) / (2 * $reachable);
        $off = sqrt(max(0.0, $first * $first - $along * $along));
        $unit = $way->unit();

        return $root->plus($unit->times($along))->plus(($bow->squareTo($unit) ?? new Vec(0, 0, 0))->times($off));
    }

    /** The direction in which a bone's front looks, square to it: towards another one where the joint is bent, or else as the bow says. */
    private static function front(Vec $bone, Vec $towards, Vec $bow): Vec
    {
        $isBent = $towards->unit()->cross($bone->unit())->length() > self::BENT;

        return ($isBent ? $towards->squareTo($bone) : null) ?? ($bow->squareTo($bone) ?? new Vec(1, 0, 0));
    }

    private function place(Reach $reach): Vec
    {
        return $reach->point === null
            ? $reach->at
            : ($this->points[$reach->point] ?? new Vec(0, 0, 0))->plus($reach->at);
    }
}
