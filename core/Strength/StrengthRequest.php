<?php

declare(strict_types=1);

namespace Rung\Core\Strength;

use Rung\Core\Dose\DoseArithmetic;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Record\Side;

/** Answers a strength request (docs/formats/case-file.md, "Strength"). */
final class StrengthRequest
{
    private const MOST_TRIES = 20;

    /**
     * @return array{answers: list<array<string, int|float|string|null>>}
     *
     * @throws \Rung\Core\Input\InvalidInput
     */
    public static function answer(string $json): array
    {
        return Json::read(
            $json,
            static fn(ObjectNode $node): array => [
                'answers' => $node->each('asks', self::read(...)),
            ],
        );
    }

    /** @return array<string, int|float|string|null> */
    private static function read(ObjectNode $node): array
    {
        $ask = $node->discriminator('ask', StrengthAsk::class);

        return match ($ask) {
            null => [],
            StrengthAsk::E1rm => self::e1rm($node),
            StrengthAsk::LoadFor => self::loadFor($node),
            StrengthAsk::HoldTarget => array_map(
                Number::tenth(...),
                Strength::holdTarget($node->number('mvc'), $node->number('percent', 0, 100)),
            ),
            StrengthAsk::Symmetry => self::symmetry($node),
            StrengthAsk::Ratio => ['value' => Number::tenth(Strength::ratio($node->number('a'), $node->positive('b')))],
            StrengthAsk::PerBodyMass => [
                'value' => Strength::perBodyMass(
                    $node->number('load_kg'),
                    $node->number('body_mass_kg', DoseArithmetic::MIN_BODY_MASS_KG, DoseArithmetic::MAX_BODY_MASS_KG),
                ),
            ],
            StrengthAsk::Curve => self::curve($node),
            StrengthAsk::Tries => self::tries($node),
        };
    }

    /** @return array<string, int|float|string|null> */
    private static function e1rm(ObjectNode $node): array
    {
        $load = $node->number('load_kg');
        $reps = $node->whole('reps', 0, Strength::MAX_REPS);
        $rir = $node->wholeOrNull('rir', 0, Strength::MAX_REPS) ?? 0;
        if ($reps + $rir < 1 || $reps + $rir > Strength::MAX_REPS) {
            $node->fault($reps > 0 && $rir > 0 ? 'rir' : 'reps', 'reps and rir together must be from 1 to 20');

            return [];
        }

        return ['value' => Number::tenth(Strength::e1rm($load, $reps, $rir))];
    }

    /** @return array<string, int|float|string|null> */
    private static function loadFor(ObjectNode $node): array
    {
        $load = Strength::loadFor($node->number('e1rm_kg'), $node->whole('reps', 1, Strength::MAX_REPS));

        return ['value' => Number::floorToMultiple($load, $node->positive('increment_kg'))];
    }

    /** @return array<string, int|float|string|null> */
    private static function symmetry(ObjectNode $node): array
    {
        $affected = $node->number('affected');
        $unaffected = $node->positive('unaffected');

        return [
            'value' => Number::tenth(
                Strength::symmetry($affected, $unaffected, $node->choice('side', Side::class) === Side::Both),
            ),
        ];
    }

    /** @return array<string, int|float|string|null> */
    private static function curve(ObjectNode $node): array
    {
        $ask = CurveAsk::read($node);

        return $ask?->answer($node) ?? [];
    }

    /** @return array<string, int|float|string|null> */
    private static function tries(ObjectNode $node): array
    {
        $values = $node->series('values', self::MOST_TRIES);
        $asked = $node->whole('asked', 1, self::MOST_TRIES);
        $higherIsBetter = $node->flagOrNull('higher_is_better') ?? true;
        if ($values === null || $values === []) {
            if ($values === []) {
                $node->fault('values', 'must hold at least one try');
            }

            return [];
        }
        $tries = Tries::judge($values, $asked, $higherIsBetter);

        return [
            'best' => $tries->best,
            'spread_percent' => $tries->spreadPercent === null ? null : Number::tenth($tries->spreadPercent),
            'verdict' => $tries->verdict->value,
        ];
    }
}
