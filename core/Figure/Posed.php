<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/** A body in a pose: where its points lie and how its parts are turned. */
final readonly class Posed
{
    /**
     * @param array<string, Vec> $points
     * @param array<string, Turn> $turns
     * @param array<string, float> $missed by hand and foot: how far it is from what it should reach, percent of the height
     */
    public function __construct(public array $points, private array $turns, public array $missed) {}

    public function point(string $name): ?Vec
    {
        return $this->points[$name] ?? null;
    }

    /** A point of the body, or the middle of what a hand holds. */
    public function place(string $name): Vec
    {
        [$part, $limb] = explode('.', $name) + [1 => 'work'];

        return $part === 'hand'
            ? $this->points["grip_a.$limb"]->between($this->points["grip_b.$limb"], 0.5)
            : $this->points[$name] ?? new Vec(0, 0, 0);
    }

    public function turn(string $segment): Turn
    {
        return $this->turns[$segment] ?? Turn::none();
    }

    /**
     * What each joint measures, in degrees, as a physiotherapist names it: hip, knee, elbow and trunk by how far they are
     * bent, the ankle and wrist by how far they are bent back, the arm by how far it is lifted from the trunk.
     */
    public function angle(string $joint, Limb $limb): float
    {
        $side = ".$limb->value";

        return match ($joint) {
            'hip' => $this->ahead('pelvis', "thigh$side"),
            'out' => rad2deg(
                asin(max(-1, min(1, -$this->turn('pelvis')->within($this->turn("thigh$side")->up)->z * $limb->sign()))),
            ),
            'knee' => self::apart($this->turn("thigh$side")->up, $this->turn("shank$side")->up),
            'ankle' => self::risen($this->turn("shank$side")->within($this->turn("foot$side")->ahead)),
            'toes' => self::risen($this->turn("foot$side")->within($this->turn("toes$side")->ahead)),
            'arm' => self::apart($this->turn('thorax')->up, $this->turn("upper$side")->up),
            'elbow' => self::apart($this->turn("upper$side")->up, $this->turn("fore$side")->up),
            'wrist' => self::apart($this->turn("fore$side")->up, $this->turn("hand$side")->up),
            // How far the palm is turned up from the thumb up.
            'palm' => self::turned($this->turn("fore$side")->within($this->turn("hand$side")->ahead), $limb),
            default => 0.0,
        };
    }

    /** Where the weight of the body acts. */
    public function centreOfMass(): Vec
    {
        $sum = new Vec(0, 0, 0);
        foreach (Body::WEIGHTS as [$from, $to, $part]) {
            $sides = in_array($from, Body::MIDDLE, true) ? [''] : ['.work', '.other'];
            foreach ($sides as $side) {
                $sum = $sum->plus($this->points["$from$side"]->between($this->points["$to$side"], 0.45)->times($part));
            }
        }

        return $sum;
    }

    private function ahead(string $of, string $segment): float
    {
        $down = $this->turn($of)->within($this->turn($segment)->up->times(-1));
        // Above the level it is measured over the top, so that a knee at the chest is 130° and not -130°.
        $angle = rad2deg(atan2($down->x, -$down->y));

        return $angle < -90 ? $angle + 360 : $angle;
    }

    private static function turned(Vec $palm, Limb $limb): float
    {
        $angle = 90 + rad2deg(atan2($palm->z * $limb->sign(), $palm->x));

        return $angle > 180 ? $angle - 360 : $angle;
    }

    private static function apart(Vec $vector, Vec $other): float
    {
        return rad2deg(acos(max(-1, min(1, $vector->dot($other)))));
    }

    private static function risen(Vec $ahead): float
    {
        return rad2deg(atan2($ahead->y, $ahead->x));
    }
}
