<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

/**
 * The drawn body: lengths and thicknesses in percent of its height, by the segment ratios that anthropometry has long
 * published (thigh 0.245, shank 0.246, upper arm 0.186, forearm 0.146, foot 0.152 of the height), how far its joints
 * go, and what its parts weigh.
 */
final class Body
{
    public const THIGH = 24.5;
    public const SHANK = 24.6;
    public const HIP_OUT = 5.2;
    public const UPPER_ARM = 18.6;
    public const FOREARM = 14.6;
    public const PALM = 5.4;
    /** From the wrist to the middle of what the hand holds, along the palm and off it. */
    public const GRIP = [4.4, 1.7];
    public const FINGER = [2.9, 2.4];

    public const SACRUM = 4.0;
    public const LUMBAR = 9.0;
    public const THORAX = 16.0;
    public const SHOULDER = [0.0, 15.0, 10.3];
    public const HEAD = [1.0, 10.4];

    /** From the ankle, in the foot: the middle of the heel, and of the ball. */
    public const HEEL = [-2.8, -1.9];
    public const BALL = [7.2, -2.6];
    public const TOE = 3.6;
    /** How thick the foot is at its heel, ball and toes, and other parts that rest on something: the radius. */
    public const RADIUS = [
        'heel' => 2.0,
        'ball' => 1.3,
        'toe' => 1.0,
        'knee' => 2.9,
        'elbow' => 2.1,
        'wrist' => 1.5,
        'knuckle' => 1.0,
        'tip' => 0.6,
        'pelvis' => 5.6,
        'ribs' => 6.2,
        'head' => 5.6,
        'hip' => 5.6,
        'shoulder' => 3.6,
        'ankle' => 1.9,
        'neck' => 2.6,
        'waist' => 5.2,
    ];

    /** @var array<string, array{int, int}> how far each joint of a healthy adult goes, in degrees */
    public const LIMITS = [
        'hip' => [-35, 135],
        'out' => [-35, 60],
        'rotate' => [-45, 60],
        'knee' => [-3, 155],
        'ankle' => [-58, 42],
        'toes' => [-40, 80],
        'arm' => [-65, 180],
        'elbow' => [-5, 150],
        'palm' => [-95, 95],
        'wrist' => [-85, 90],
        'tilt' => [-40, 30],
        'bend' => [-35, 80],
        'side' => [-40, 40],
        'twist' => [-60, 60],
        'neck' => [-60, 55],
        'look' => [-85, 85],
    ];

    /** @var list<array{string, string, float}> parts between two points, and their part of the body's weight, each arm and leg once a side */
    public const WEIGHTS = [
        ['head', 'head', 0.081],
        ['pelvis', 'neck', 0.497],
        ['shoulder', 'elbow', 0.028],
        ['elbow', 'wrist', 0.016],
        ['wrist', 'knuckle', 0.006],
        ['hip', 'knee', 0.1],
        ['knee', 'ankle', 0.0465],
        ['heel', 'toe', 0.0145],
    ];

    /** @var list<string> points in the middle of the body */
    public const MIDDLE = ['pelvis', 'waist', 'ribs', 'neck', 'head', 'nose'];

    /** @var list<string> points of each side */
    public const SIDED = [
        'shoulder',
        'elbow',
        'wrist',
        'knuckle',
        'finger',
        'tip',
        'thumb',
        'grip_a',
        'grip_b',
        'hip',
        'knee',
        'ankle',
        'heel',
        'ball',
        'toe',
    ];

    /** @return list<string> every point of the body, in the order in which a figure gives them */
    public static function points(): array
    {
        $points = self::MIDDLE;
        foreach (Limb::cases() as $limb) {
            foreach (self::SIDED as $name) {
                $points[] = "$name.$limb->value";
            }
        }

        return $points;
    }
}
