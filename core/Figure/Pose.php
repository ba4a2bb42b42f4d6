<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Input\ObjectNode;

/**
 * A posture: angles in degrees, one point that is fixed to the world, and what hands and feet must reach. An angle is
 * said for both sides ("knee") or for one ("knee.work"); what a pose does not say it takes from the one it follows.
 * What each angle means stands in docs/formats/figures.md.
 */
final readonly class Pose
{
    /** Of the body as a whole, its trunk and head. */
    public const WHOLE = ['lean', 'roll', 'turn', 'bend', 'side', 'twist', 'neck', 'look'];

    /** Of each side. A leg that is stood on is said by shin, knee and heel; one in the air by hip, knee and ankle. */
    public const SIDED = [
        'hip',
        'out',
        'rotate',
        'knee',
        'ankle',
        'toes',
        'shin',
        'heel',
        'tread',
        'toes_up',
        'arm',
        'plane',
        'arm_turn',
        'elbow',
        'palm',
        'wrist',
        'tilt',
        'grip',
        'blade',
        'shrug',
    ];

    private const REACHING = ['hand.work', 'hand.other', 'foot.work', 'foot.other'];

    /**
     * @param array<string, float> $angles
     * @param string|null $on the point that is fixed to the world
     * @param array<string, Reach|null> $reaches by hand and foot; null lets go of what the pose before held
     */
    public function __construct(
        public array $angles,
        public ?string $on = null,
        public ?Vec $at = null,
        public array $reaches = [],
    ) {}

    /** @param array<string, self> $bases poses that others begin from */
    public static function read(ObjectNode $node, array $bases, ?self $before = null): self
    {
        $like = $node->textOrNull('like');
        if ($like !== null && !isset($bases[$like])) {
            $node->fault('like', "names \"$like\", which is no posture of the file with the bases");
        }
        $from = $like === null ? $before ?? new self([]) : $bases[$like] ?? new self([]);
        $said = [];
        foreach (self::WHOLE as $name) {
            $said[$name] = $node->numberOrNull($name, -360, 360);
        }
        foreach (self::SIDED as $name) {
            foreach ([$name, "$name.work", "$name.other"] as $key) {
                $said[$key] = $node->numberOrNull($key, -360, 360);
            }
        }
        $reaches =
            $node->childOrNull('reach', static function (ObjectNode $child): array {
                $found = [];
                foreach (self::REACHING as $what) {
                    if ($child->has($what)) {
                        $found[$what] = $child->childOrNull($what, Reach::read(...));
                    }
                }

                return $found;
            }) ?? [];
        foreach ($node->textsOrNull('let_go') ?? [] as $what) {
            $reaches[$what] = null;
        }

        return new self(
            self::merged(
                $from->angles,
                array_map(
                    floatval(...),
                    array_filter($said, static fn(int|float|null $angle): bool => $angle !== null),
                ),
            ),
            $node->textOrNull('on') ?? $from->on,
            self::vec($node, 'at') ?? $from->at,
            array_filter($reaches + $from->reaches, static fn(?Reach $reach): bool => $reach !== null),
        );
    }

    public static function vec(ObjectNode $node, string $field): ?Vec
    {
        if (!$node->has($field)) {
            return null;
        }
        $numbers = $node->series($field, 3, -400, 400);
        if ($numbers === null) {
            return null;
        }
        if (count($numbers) !== 3) {
            $node->fault($field, 'must hold three numbers: ahead, up and to the right');

            return null;
        }

        return new Vec((float) $numbers[0], (float) $numbers[1], (float) $numbers[2]);
    }

    /** An angle in degrees, of one side where that is named; what nothing says is 0. */
    public function angle(string $name, ?Limb $limb = null): float
    {
        return ($limb === null ? null : $this->angles["$name.$limb->value"] ?? null) ?? ($this->angles[$name] ?? 0.0);
    }

    /** Whether a leg is stood on, so that it is said by its shin. */
    public function standsOn(Limb $limb): bool
    {
        return match (true) {
            isset($this->angles["shin.$limb->value"]) => true,
            isset($this->angles["hip.$limb->value"]) => false,
            default => isset($this->angles['shin']),
        };
    }

    public function reach(string $what): ?Reach
    {
        return $this->reaches[$what] ?? null;
    }

    /** On the way to another pose: angles and places change evenly. */
    public function towards(self $other, float $part): self
    {
        $angles = [];
        foreach (array_keys($this->angles + $other->angles) as $key) {
            [$name, $limb] = self::parts($key);
            $side = $limb === null ? null : Limb::from($limb);
            $from = $this->angle($name, $side);
            $angles[$key] = $from + ($other->angle($name, $side) - $from) * $part;
        }
        // Which leg is stood on is as at the nearer end.
        $near = $part < 0.5 ? $this : $other;
        foreach (Limb::cases() as $limb) {
            foreach ($near->standsOn($limb) ? ['hip'] : ['shin'] as $unsaid) {
                unset($angles["$unsaid.$limb->value"]);
            }
        }
        $reaches = [];
        foreach (array_keys($this->reaches + $other->reaches) as $what) {
            $from = $this->reach($what);
            $to = $other->reach($what);
            $reaches[$what] =
                $from === null || $to === null
                    ? $to?->partly($part) ?? $from?->partly(1 - $part)
                    : $from->towards($to, $part);
        }

        return new self(
            $angles,
            $this->on,
            $this->at !== null && $other->at !== null ? $this->at->between($other->at, $part) : $this->at,
            array_filter($reaches, static fn(?Reach $reach): bool => $reach !== null),
        );
    }

    /**
     * @param array<string, float> $from
     * @param array<string, float> $said
     *
     * @return array<string, float>
     */
    private static function merged(array $from, array $said): array
    {
        foreach (array_keys($said) as $key) {
            [$name, $limb] = self::parts($key);
            if ($limb === null) {
                unset($from["$name.work"], $from["$name.other"]);
            }
            // A leg is stood on or free: what is said last counts.
            $instead = ['hip' => 'shin', 'shin' => 'hip'][$name] ?? null;
            if ($instead !== null) {
                unset($from[$limb === null ? $instead : "$instead.$limb"]);
                if ($limb === null) {
                    unset($from["$instead.work"], $from["$instead.other"]);
                }
            }
        }

        return $said + $from;
    }

    /** @return array{string, string|null} the angle and the side that it is said for */
    private static function parts(string $key): array
    {
        $parts = explode('.', $key);

        return [$parts[0], $parts[1] ?? null];
    }
}
