<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Input\ObjectNode;

/** What an exercise is done on or with, and where: at points of the body, at places of the world, or fastened to a part of the body. */
final readonly class Prop
{
    /** Kinds that can be drawn; docs/formats/figures.md says what places each takes. */
    public const KINDS = [
        'wall',
        'box',
        'step',
        'bench',
        'table',
        'chair',
        'bed',
        'ledge',
        'slope',
        'post',
        'rail',
        'line',
        'cone',
        'seat',
        'plate',
        'lever',
        'band',
        'strap',
        'rope',
        'weight',
        'bar',
        'ball',
        'towel',
        'hammer',
        'stick',
        'pack',
        'cushion',
        'cloth',
        'force',
        'sled',
        'hanging',
    ];

    private const SEGMENTS = ['pelvis', 'thorax', 'thigh', 'shank', 'foot', 'upper', 'fore', 'hand'];

    /** @param list<string|Vec|Fastened> $at */
    private function __construct(public string $kind, public array $at, public float $size) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->key('kind');
        if (!in_array($kind, self::KINDS, true)) {
            $node->fault('kind', 'is no prop that can be drawn; take one of ' . implode(', ', self::KINDS));
        }
        $node->known('at');
        $at = [];
        foreach (is_array($node->raw()->at ?? null) ? $node->raw()->at : [] as $i => $end) {
            $place = self::place($end);
            if ($place === null) {
                $node->inItem(
                    "at/$i",
                    'must be a point of the body, three numbers, or a part of the body with three numbers',
                );
            } else {
                $at[] = $place;
            }
        }
        if ($at === []) {
            $node->fault('at', 'must hold at least one place');
        }

        return new self($kind, $at, (float) ($node->numberOrNull('size', 0, 100) ?? 0));
    }

    private static function place(mixed $value): string|Vec|Fastened|null
    {
        if (is_string($value)) {
            return in_array($value, Body::points(), true) || in_array($value, ['hand.work', 'hand.other'], true)
                ? $value
                : null;
        }
        $numbers = is_array($value)
            ? array_values(array_filter($value, static fn(mixed $part): bool => is_int($part) || is_float($part)))
            : [];
        if (!is_array($value) || count($numbers) !== 3) {
            return null;
        }
        $vec = new Vec((float) $numbers[0], (float) $numbers[1], (float) $numbers[2]);
        if (count($value) === 3) {
            return $vec;
        }
        [$segment, $limb] = explode('.', is_string($value[0] ?? null) ? $value[0] : '') + [1 => 'work'];

        return in_array($segment, self::SEGMENTS, true) && Limb::tryFrom($limb) !== null
            ? new Fastened($segment, Limb::from($limb), $vec)
            : null;
    }
}
