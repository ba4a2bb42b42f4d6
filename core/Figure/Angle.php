<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Input\ObjectNode;

/** The joint whose range a figure shows as an arc, and its degrees at the two ends of the movement. */
final readonly class Angle
{
    /** The segments between which each is measured: the one that stands, the one that moves. */
    public const BETWEEN = [
        'knee' => ['thigh', 'shank'],
        'hip' => ['pelvis', 'thigh'],
        'elbow' => ['upper', 'fore'],
        'arm' => ['thorax', 'upper'],
        'palm' => ['fore', 'hand'],
    ];

    private function __construct(
        public string $joint,
        public Limb $limb,
        /** At the lowered end, degrees. */
        public float $low,
        /** At the lifted end, degrees. */
        public float $high,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $joint = $node->key('joint');
        if (!isset(self::BETWEEN[$joint])) {
            $node->fault('joint', 'must be one of ' . implode(', ', array_keys(self::BETWEEN)));
        }

        return new self(
            $joint,
            $node->choiceOrNull('limb', Limb::class) ?? Limb::Work,
            (float) $node->number('low', -90, 180),
            (float) $node->number('high', -90, 180),
        );
    }
}
