<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Record\Structure;

/**
 * Where the tendons and muscles that an exercise loads lie on the drawn body: paths of places within segments, in
 * percent of the height (ahead, down along the segment, outwards). They show the reader which part is meant; they are
 * no anatomy plate.
 */
final class Tissue
{
    private const QUADRICEPS = ['thigh', [[2.6, 4, 0.6], [3.4, 10, 0.6], [2.8, 18, 0.2]]];
    private const CALF = ['shank', [[-1.8, 1.5, 0], [-3.2, 6.5, 0], [-2.2, 12, 0]]];
    private const HAMSTRING = ['thigh', [[-2.8, 3, 0], [-3.4, 10, 0], [-2.4, 18, 0]]];
    private const GROIN = ['thigh', [[0.6, 1.5, -3.2], [0.4, 7, -3.0], [0, 14, -2.2]]];
    private const BICEPS = ['upper', [[1.6, 4, 0], [2.4, 9.5, 0], [1.6, 15, 0]]];
    private const WRIST_UP = ['fore', [[-0.8, 0.5, 1.4], [-1.6, 4, 0.8], [-1.1, 9.5, 0]]];
    private const WRIST_DOWN = ['fore', [[0.6, 0.5, -1.6], [1.6, 4, -0.8], [1.1, 9.5, 0]]];

    /** @return list<array{kind: 'tendon'|'muscle', path: list<array{string, float, float, float}>}> */
    public static function forStructure(Structure $structure): array
    {
        return match ($structure) {
            Structure::PatellarTendon => [
                self::muscle(self::QUADRICEPS),
                self::tendon([['shank', 3.0, -1.2, 0], ['shank', 2.9, 2.0, 0], ['shank', 2.3, 5.0, 0]]),
            ],
            Structure::QuadricepsTendon => [
                self::muscle(self::QUADRICEPS),
                self::tendon([['thigh', 2.8, 18.5, 0.2], ['thigh', 2.9, 21.5, 0], ['shank', 3.0, -1.4, 0]]),
            ],
            Structure::QuadricepsMuscle => [self::muscle(self::QUADRICEPS)],
            Structure::AchillesMidportion => [
                self::muscle(self::CALF),
                self::tendon([['shank', -2.2, 13, 0], ['shank', -1.9, 18, 0], ['shank', -2.0, 22.5, 0]]),
            ],
            Structure::AchillesInsertion => [
                self::muscle(self::CALF),
                self::tendon([['shank', -1.9, 19.5, 0], ['foot', -3.4, -0.6, 0], ['foot', -4.5, 2.0, 0]]),
            ],
            Structure::CalfMuscle => [self::muscle(self::CALF)],
            Structure::PlantarFascia => [
                self::tendon([['foot', -2.6, 3.4, 0], ['foot', 2.2, 2.6, 0], ['foot', 7.0, 3.4, 0]]),
            ],
            Structure::ProximalHamstring => [
                self::muscle(self::HAMSTRING),
                self::tendon([['pelvis', -3.0, 3.2, 4.2], ['thigh', -3.2, 3.5, 0]]),
            ],
            Structure::HamstringMuscle => [self::muscle(self::HAMSTRING)],
            Structure::DistalHamstring => [
                self::muscle(self::HAMSTRING),
                self::tendon([['thigh', -2.4, 18, 0], ['thigh', -2.3, 22.5, 0], ['shank', -1.9, 2.2, 0]]),
            ],
            Structure::Adductor => [
                self::muscle(self::GROIN),
                self::tendon([['pelvis', 2.6, 2.2, 1.2], ['thigh', 0.8, 2.0, -3.0]]),
            ],
            Structure::AdductorMuscle => [self::muscle(self::GROIN)],
            Structure::Supraspinatus => [
                self::tendon([
                    ['thorax', -1.2, -16.4, 4.0],
                    ['thorax', -0.6, -17.6, 7.5],
                    ['upper', 0, -2.6, 1.6],
                    ['upper', 0.4, 0.6, 2.6],
                ]),
            ],
            Structure::BicepsLongHead => [
                self::muscle(self::BICEPS),
                self::tendon([['upper', 0.4, -2.2, 0.4], ['upper', 2.2, 0.6, 0.6], ['upper', 1.8, 4.5, 0.2]]),
            ],
            Structure::DistalBiceps => [
                self::muscle(self::BICEPS),
                self::tendon([['upper', 1.7, 14.5, 0], ['fore', 2.0, -0.4, 0], ['fore', 1.4, 2.6, 0]]),
            ],
            Structure::LateralElbow => [
                self::muscle(self::WRIST_UP),
                self::tendon([['upper', -0.2, 17.6, 2.0], ['fore', -1.0, 2.8, 1.3]]),
            ],
            Structure::MedialElbow => [
                self::muscle(self::WRIST_DOWN),
                self::tendon([['upper', 0.2, 17.6, -2.0], ['fore', 1.0, 2.8, -1.3]]),
            ],
            Structure::WristFlexorsExtensors => [self::muscle(self::WRIST_UP), self::muscle(self::WRIST_DOWN)],
        };
    }

    /** @param list<array{string, float, float, float}> $path */
    public static function isOfTheArm(array $path): bool
    {
        return in_array($path[0][0] ?? '', ['thorax', 'upper', 'fore'], true);
    }

    /** Where one place of a path lies on a posed body. */
    public static function place(Posed $body, Limb $limb, string $segment, float $ahead, float $down, float $out): Vec
    {
        [$from, $turn] = match ($segment) {
            'pelvis' => ['pelvis', 'pelvis'],
            'thorax' => ['chest', 'thorax'],
            'thigh' => ["hip.$limb->value", "thigh.$limb->value"],
            'shank' => ["knee.$limb->value", "shank.$limb->value"],
            'foot' => ["ankle.$limb->value", "foot.$limb->value"],
            'upper' => ["shoulder.$limb->value", "upper.$limb->value"],
            'hand' => ["wrist.$limb->value", "hand.$limb->value"],
            default => ["elbow.$limb->value", "fore.$limb->value"],
        };

        return ($body->point($from) ?? new Vec(0, 0, 0))->plus(
            $body->turn($turn)->place($ahead, -$down, $out * $limb->sign()),
        );
    }

    /**
     * @param array{string, list<array{float|int, float|int, float|int}>} $belly
     *
     * @return array{kind: 'muscle', path: list<array{string, float, float, float}>}
     */
    private static function muscle(array $belly): array
    {
        return [
            'kind' => 'muscle',
            'path' => array_map(
                static fn(array $at): array => [$belly[0], (float) $at[0], (float) $at[1], (float) $at[2]],
                $belly[1],
            ),
        ];
    }

    /**
     * @param list<array{string, float|int, float|int, float|int}> $path
     *
     * @return array{kind: 'tendon', path: list<array{string, float, float, float}>}
     */
    private static function tendon(array $path): array
    {
        return [
            'kind' => 'tendon',
            'path' => array_map(
                static fn(array $at): array => [$at[0], (float) $at[1], (float) $at[2], (float) $at[3]],
                $path,
            ),
        ];
    }
}
