<?php

declare(strict_types=1);

namespace Database\Seeders;

use Rung\Core\Calendar\Weekday;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Side;
use Rung\Core\Record\Structure;
use Rung\Core\Simulation\Story;
use Rung\Core\Simulation\StoryEnd;
use Rung\Core\Simulation\Temper;

/** Who is in the demo practice, and how each story goes. All are made up. */
final class DemoStories
{
    /** @return list<DemoPerformer> */
    public static function all(): array
    {
        $hot = new Temper(capacity: 0.55, irritability: 1.2, soreness: 5);
        $usual = new Temper();
        $calm = new Temper(capacity: 0.8, irritability: 0.5, soreness: 2.5, noise: 0.4);

        return [
            self::one(
                'Juno Tamsin',
                'tumbler',
                58,
                Goal::Jumping,
                Side::Left,
                11,
                $usual,
                24,
                'holds',
                morningOpen: true,
            ),
            self::one('Piet Olander', 'trapeze', 74, Goal::Jumping, Side::Right, 12, $hot, 12, 'holds'),
            self::one(
                'Mirela Quill',
                'wire walker',
                55,
                Goal::Everyday,
                Side::Left,
                102,
                $usual,
                45,
                'holds',
                structure: Structure::AchillesMidportion,
                programme: 'heel_slow_load',
            ),
            self::one(
                'Tobias Fenwick',
                'stilt walker',
                82,
                Goal::Running,
                Side::Right,
                14,
                $usual,
                62,
                'holds',
                StoryEnd::Overdone,
            ),
            self::one(
                'Anouk Sorrel',
                'juggler',
                61,
                Goal::Strength,
                Side::Both,
                103,
                $calm,
                40,
                'slow',
                structure: Structure::LateralElbow,
                programme: 'hold_strength_speed',
            ),
            self::one(
                'Basil Thorne',
                'porter',
                96,
                Goal::Power,
                Side::Left,
                101,
                $usual,
                55,
                'slow',
                StoryEnd::OverdoneTwice,
            ),
            self::one('Calla Westerby', 'rider', 60, Goal::Jumping, Side::Right, 17, $calm, 34, 'slow'),
            self::one(
                'Dario Pell',
                'tumbler',
                69,
                Goal::Cutting,
                Side::Left,
                18,
                $usual,
                75,
                'holds',
                StoryEnd::AsItComes,
                5,
            ),
            self::one('Edda Moorgate', 'aerialist', 57, Goal::Jumping, Side::Right, 19, $usual, 26, 'holds'),
            self::one(
                'Fenn Harrow',
                'clown',
                71,
                Goal::Running,
                Side::Left,
                101,
                $usual,
                48,
                'holds',
                StoryEnd::StopSign,
                structure: Structure::QuadricepsTendon,
            ),
            self::one(
                'Greta Osei-Vane',
                'tumbler',
                63,
                Goal::Jumping,
                Side::Left,
                102,
                $calm,
                80,
                'slow',
                StoryEnd::Neglected,
                morningOpen: true,
            ),
            self::one(
                'Hollis Brandt',
                'acrobat',
                78,
                Goal::Jumping,
                Side::Right,
                101,
                $hot,
                3,
                'holds',
                morningOpen: true,
            ),
            self::one(
                'Mirela Quill',
                'wire walker',
                55,
                Goal::Everyday,
                Side::Right,
                24,
                $calm,
                30,
                'slow',
                structure: Structure::LateralElbow,
                programme: 'hold_strength_speed',
                morningOpen: true,
            ),
            self::one('Ines Calloway', 'wheel', 66, Goal::Power, Side::Both, 23, $calm, 98, 'slow'),
        ];
    }

    private static function one(
        string $name,
        string $act,
        float $mass,
        Goal $goal,
        Side $side,
        int $seed,
        Temper $temper,
        int $days,
        string $stage,
        StoryEnd $end = StoryEnd::AsItComes,
        ?int $silentSince = null,
        bool $morningOpen = false,
        Structure $structure = Structure::PatellarTendon,
        string $programme = 'knee_four_stage',
    ): DemoPerformer {
        return new DemoPerformer(
            $name,
            $act,
            $mass,
            $goal,
            $structure,
            $side,
            $seed,
            new Story($temper, $days, $stage, Weekday::cases(), [], $silentSince, $end, $morningOpen),
            $programme,
        );
    }
}
