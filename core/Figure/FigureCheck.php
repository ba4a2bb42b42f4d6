<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Catalogue\Ladder;
use Rung\Core\Catalogue\RungChange;
use Rung\Core\Dose\Mode;
use Rung\Core\Exercise\Exercise;

/**
 * Whether a figure shows what its exercise says, on a body that could do it (docs/rules.md, "Figures"): joints within
 * their limits, hands and feet where they must be, nothing under the floor, what is planted staying, the named angle
 * drawn, and the lowering lowering. Each check yields sentences that say what is wrong and where.
 */
final readonly class FigureCheck
{
    /** How far what is planted may slide or sink, and what reaches may miss, percent of the height. */
    public const TOLERANCE = 1.0;

    /** How far a drawn angle may be from the one that is named, degrees. */
    public const DEGREES = 5.0;

    /** How much two neighbours of a ladder must differ so that it is seen, percent of the height. */
    private const SEEN = 2.0;

    /** Measured on the posed body, since what they stand at follows from more than one angle of the pose. */
    private const MEASURED = ['hip', 'out', 'knee', 'ankle', 'toes', 'arm', 'elbow', 'wrist'];

    /** @return iterable<string> */
    public function figure(Figure $figure, Exercise $exercise): iterable
    {
        $bodies = self::bodies($figure);
        foreach ($bodies as $when => $body) {
            yield from self::joints($body, $when);
            yield from self::reaches($body, $when);
            yield from self::floor($body, $when);
        }
        yield from self::said($figure);
        yield from self::planted($figure, $bodies);
        yield from self::angle($figure, $exercise);
        yield from self::lowering($figure, $exercise);
    }

    /**
     * @param array<string, Exercise> $exercises by key
     *
     * @return iterable<string>
     */
    public function ladder(Ladder $ladder, FigureBook $book, array $exercises): iterable
    {
        foreach ($ladder->rungs as $i => $rung) {
            $below = $ladder->rungs[$i - 1] ?? null;
            $easier = $below === null ? null : $book->find($below->exercise);
            $other = $book->find($rung->exercise);
            if ($below === null || $easier === null || $other === null) {
                continue;
            }
            $seen = array_filter(
                $rung->changes,
                static fn(RungChange $change): bool => match ($change) {
                    RungChange::Speed, RungChange::Contraction => false,
                    // More of the same weight or more throws look alike; a pack or a band does not.
                    RungChange::Load => ($exercises[$below->exercise]->equipment ?? []) !==
                        ($exercises[$rung->exercise]->equipment ?? []),
                    default => true,
                },
            );
            if ($seen !== [] && !self::differs($easier, $other)) {
                yield "$ladder->key: \"$rung->exercise\" looks like \"$below->exercise\", though it changes " .
                    implode(' and ', array_column($seen, 'value'));
            }
        }
    }

    /** @return array<string, Posed> */
    private static function bodies(Figure $figure): array
    {
        $bodies = [];
        foreach ($figure->lift === [] ? ['down'] : ['down', 'up'] as $way) {
            $steps = $figure->steps();
            for ($step = 0; $step <= $steps; $step++) {
                $level = $step / $steps;
                $bodies[sprintf('%s, level %.2f', $way, $level)] = $figure->at($level, $way === 'up');
            }
        }

        return $bodies;
    }

    /** @return iterable<string> */
    private static function joints(Posed $body, string $when): iterable
    {
        foreach (Limb::cases() as $limb) {
            foreach (self::MEASURED as $joint) {
                [$least, $most] = Body::LIMITS[$joint];
                $angle = $body->angle($joint, $limb);
                if ($angle < $least - 1 || $angle > $most + 1) {
                    yield sprintf(
                        '%s: the %s joint of the %s side stands at %.0f°, and goes from %d to %d°',
                        $when,
                        $joint,
                        $limb->value,
                        $angle,
                        $least,
                        $most,
                    );
                }
            }
        }
    }

    /**
     * The angles that stand as a pose says them: of the trunk, the head, and those along a limb.
     *
     * @return iterable<string>
     */
    private static function said(Figure $figure): iterable
    {
        foreach ([...$figure->poses, ...$figure->lift] as $key) {
            foreach ($key->pose->angles as $name => $angle) {
                $joint = explode('.', $name)[0];
                [$least, $most] = in_array($joint, self::MEASURED, true)
                    ? [-INF, INF]
                    : Body::LIMITS[$joint] ?? [-INF, INF];
                if ($angle < $least || $angle > $most) {
                    yield sprintf(
                        'level %.2f: %s is %.0f°, and goes from %d to %d°',
                        $key->at,
                        $name,
                        $angle,
                        $least,
                        $most,
                    );
                }
            }
        }
    }

    /** @return iterable<string> */
    private static function reaches(Posed $body, string $when): iterable
    {
        foreach ($body->missed as $what => $far) {
            if ($far > self::TOLERANCE) {
                yield sprintf('%s: the %s misses its place by %.1f %% of the height', $when, $what, $far);
            }
        }
    }

    /** @return iterable<string> */
    private static function floor(Posed $body, string $when): iterable
    {
        foreach (Body::points() as $name) {
            $radius = Body::RADIUS[explode('.', $name)[0]] ?? null;
            $point = $body->point($name);
            if ($radius !== null && $point !== null && $point->y - $radius < -self::TOLERANCE) {
                yield sprintf(
                    '%s: the %s lies %.1f %% of the height under the floor',
                    $when,
                    $name,
                    $radius - $point->y,
                );
            }
        }
    }

    /**
     * @param array<string, Posed> $bodies
     *
     * @return iterable<string>
     */
    private static function planted(Figure $figure, array $bodies): iterable
    {
        $first = $figure->at(0);
        foreach ($figure->still as $name) {
            $place = $first->point($name);
            if ($place === null) {
                yield "\"$name\", which should stay, is no point of the body";
                continue;
            }
            foreach ($bodies as $when => $body) {
                $far = $body->point($name)?->to($place) ?? 0.0;
                if ($far > self::TOLERANCE) {
                    yield sprintf('%s: the %s should stay and moves by %.1f %% of the height', $when, $name, $far);
                    break;
                }
            }
        }
    }

    /** @return iterable<string> */
    private static function angle(Figure $figure, Exercise $exercise): iterable
    {
        preg_match_all('/(\d+)°/u', $exercise->range, $found);
        $named = $found[1] === [] ? null : (float) max(array_map(intval(...), $found[1]));
        if ($figure->round !== null) {
            $knees = array_map(
                static fn(Key $key): float => Skeleton::in($key->pose)->angle('knee', Limb::Work),
                $figure->poses,
            );
            if ($named !== null && !self::isNear($named, $knees)) {
                yield sprintf('the range names %d°, and the knee is at no pose near it', $named);
            }

            return;
        }
        $angle = $figure->angle;
        if ($angle === null) {
            if ($named !== null) {
                yield sprintf('the range names %d°, and the figure shows no angle', $named);
            }

            return;
        }
        foreach (['lowered' => [0.0, $angle->low], 'lifted' => [1.0, $angle->high]] as $end => [$level, $said]) {
            $drawn = $figure->measured($figure->at($level));
            if (!self::isNear($said, [$drawn])) {
                yield sprintf(
                    'the %s end is drawn with the %s at %.0f°, and says %.0f°',
                    $end,
                    $angle->joint,
                    $drawn,
                    $said,
                );
            }
        }
        // A hold names its own angle; a movement one of its ends.
        if (
            $named !== null &&
            !self::isNear($named, $exercise->mode === Mode::Isometric ? [$angle->high] : [$angle->low, $angle->high])
        ) {
            yield sprintf(
                'the range names %d°, and the figure goes from %.0f to %.0f°',
                $named,
                $angle->low,
                $angle->high,
            );
        }
    }

    /** @param list<float> $drawn */
    private static function isNear(float $said, array $drawn): bool
    {
        return array_filter($drawn, static fn(float $easier): bool => abs($easier - $said) <= self::DEGREES) !== [];
    }

    /** @return iterable<string> */
    private static function lowering(Figure $figure, Exercise $exercise): iterable
    {
        if ($figure->load === []) {
            if ($exercise->mode->isMoving() && $exercise->dose->tempo !== null && $figure->angle?->joint !== 'palm') {
                yield 'it lifts and lowers, and does not say what';
            }

            return;
        }
        if ($figure->load === ['twist']) {
            return;
        }
        [$low, $high] = [$figure->loadHeight($figure->at(0)), $figure->loadHeight($figure->at(1))];
        if ($high - $low < 0.3) {
            yield sprintf(
                'the lifted end does not lift %s: it stands at %.1f, and at %.1f when lowered',
                implode(' from ', $figure->load),
                $high,
                $low,
            );
        }
    }

    private static function differs(Figure $figure, Figure $other): bool
    {
        if ($figure->view !== $other->view || count($figure->props) !== count($other->props)) {
            return true;
        }
        foreach ($figure->props as $i => $prop) {
            if ([$prop->kind, $prop->size] !== [$other->props[$i]->kind, $other->props[$i]->size]) {
                return true;
            }
        }
        foreach ([0.0, 0.5, 1.0] as $level) {
            [$a, $b] = [$figure->at($level), $other->at($level)];
            foreach (Body::points() as $name) {
                [$p, $q] = [$a->point($name), $b->point($name)];
                if ($p !== null && $q !== null && $p->to($q) > self::SEEN) {
                    return true;
                }
            }
        }

        return false;
    }
}
