<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Range;
use Rung\Core\Dose\Starts;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Structure;

/**
 * How an exercise is drawn: poses along its movement, seen from one side, with what it is done on. Level 0 is the
 * lowered end of a repetition and 1 the lifted one, as in the pacer; a hold is at 1. One that goes round (running, hops)
 * has poses along its round instead.
 */
final readonly class Figure
{
    /** Frames between the two ends of a movement; what lies between two frames is drawn on the straight way. */
    public const STEPS = 8;

    /** Of one round, whose poses follow each other faster. */
    public const STEPS_OF_A_ROUND = 16;

    /** How near the level of an angle is found, in degrees, and after how many guesses it is near enough. */
    private const NEAR_DEG = 0.05;
    private const GUESSES = 12;

    /**
     * @param list<Key> $poses along the way down and, where nothing else is said, up
     * @param list<Key> $lift along the way up where it is another: up on both legs, down on one
     * @param float|null $round how long one round takes, in seconds; null where it goes between two ends
     * @param list<string> $load what the lifting lifts: "body", "hand", a point; "band" where it stretches one, or two points that it takes apart
     * @param list<string> $still points that must not move
     * @param list<Prop> $props
     */
    private function __construct(
        public string $exercise,
        public View $view,
        /** The point round which a near view is cut out; null for the whole body. */
        public ?string $near,
        /** How far a near view sees, percent of the height; of arms alone, how much is seen round them. */
        public float $sees,
        public array $poses,
        public array $lift,
        public ?float $round,
        public array $load,
        public ?Angle $angle,
        public array $still,
        public array $props,
        /** The whole body, both arms alone, or the working arm alone. */
        public Shows $shows,
    ) {}

    /** @param array<string, Pose> $bases */
    public static function read(ObjectNode $node, array $bases): self
    {
        $poses = self::keys($node, 'poses', $bases, null);
        $load = $node->textsOrNull('load') ?? [];

        return new self(
            $node->key('exercise'),
            $node->choice('view', View::class),
            $node->textOrNull('near'),
            (float) ($node->numberOrNull('sees', 5, 100) ?? 30),
            $poses,
            $node->has('lift') ? self::keys($node, 'lift', $bases, $poses[0]->pose ?? null) : [],
            $node->has('round_s') ? (float) $node->positive('round_s') : null,
            $load,
            $node->childOrNull('angle', Angle::read(...)),
            $node->textsOrNull('still') ?? [],
            $node->eachOrEmpty('props', Prop::read(...)),
            $node->choiceOrNull('shows', Shows::class) ?? Shows::Body,
        );
    }

    /** Frames between the ends, or along a round: as often it is drawn and looked at. */
    public function steps(): int
    {
        return $this->round === null ? self::STEPS : self::STEPS_OF_A_ROUND;
    }

    /** The body at a level from 0 to 1, on the way down or up; of one that goes round, at a part of the round. */
    public function at(float $level, bool $lifting = false): Posed
    {
        $keys = $lifting && $this->lift !== [] ? $this->lift : $this->poses;
        foreach ($keys as $i => $key) {
            $before = $keys[max(0, $i - 1)];
            if ($level <= $key->at + 1e-9) {
                $wide = $key->at - $before->at;

                return Skeleton::in(
                    $wide <= 0 ? $key->pose : $before->pose->towards($key->pose, ($level - $before->at) / $wide),
                );
            }
        }
        $last = $keys[count($keys) - 1] ?? null;
        $first = $keys[0] ?? null;
        if ($last === null || $first === null) {
            return Skeleton::in(new Pose([]));
        }

        return Skeleton::in(
            $this->round !== null && $last->at < 1
                ? $last->pose->towards($first->pose, ($level - $last->at) / (1 - $last->at))
                : $last->pose,
        );
    }

    /**
     * The level at which the shown joint stands at an angle; null where it is not on the way.
     *
     * @param float $degrees of {@see $angle}
     */
    public function levelAt(float $degrees): ?float
    {
        if ($this->angle === null) {
            return null;
        }
        $measured = fn(float $level): float => $this->measured($this->at($level));
        [$low, $high] = [$measured(0), $measured(1)];
        if ($degrees <= min($low, $high) || $degrees >= max($low, $high)) {
            return abs($degrees - $low) < abs($degrees - $high) ? 0.0 : 1.0;
        }
        // On the way the joint bends almost evenly: each guess lies on the straight line between the two nearest.
        [$from, $to] = [0.0, 1.0];
        for ($i = 0; $i < self::GUESSES; $i++) {
            $guess = $from + (($to - $from) * ($degrees - $low)) / ($high - $low);
            $there = $measured($guess);
            if (abs($there - $degrees) < self::NEAR_DEG) {
                return $guess;
            }
            if ($there < $degrees === $low < $high) {
                [$from, $low] = [$guess, $there];
            } else {
                [$to, $high] = [$guess, $there];
            }
        }

        return $from + (($to - $from) * ($degrees - $low)) / ($high - $low);
    }

    public function measured(Posed $body): float
    {
        return $this->angle === null ? 0.0 : $body->angle($this->angle->joint, $this->angle->limb);
    }

    /** How high the load stands, or how far what is pushed apart or stretched is apart: percent of the height. */
    public function loadHeight(Posed $body): float
    {
        [$first, $second] = $this->load + ['', null];
        if ($second !== null) {
            return $body->place($first)->to($body->place($second));
        }

        return match ($first) {
            'body' => $body->centreOfMass()->y,
            'hand' => $body->place('hand.work')->y,
            'band' => $this->stretch($body),
            default => $body->place($first)->y,
        };
    }

    /** How long its bands are together. */
    private function stretch(Posed $body): float
    {
        $length = 0.0;
        foreach ($this->props as $prop) {
            if ($prop->kind === 'band' && count($prop->at) === 2) {
                [$from, $to] = array_map(
                    static fn(string|Vec|Fastened $at): Vec => match (true) {
                        is_string($at) => $body->place($at),
                        $at instanceof Fastened => $at->in($body),
                        default => $at,
                    },
                    $prop->at,
                );
                $length += $from->to($to);
            }
        }

        return $length;
    }

    /**
     * All that is needed to draw it, for one exercise: points of every frame in tenths of a percent of the height, seen
     * from nowhere yet, the tissue that is loaded, and the range to stay in.
     *
     * @param Range|null $range of the prescription: the figure goes no further
     *
     * @return array<string, mixed> as docs/formats/api.yaml describes a Figure
     */
    public function drawn(Exercise $exercise, ?Range $range = null): array
    {
        $levels = [0.0, 1.0];
        if ($range !== null && $this->angle !== null && $this->round === null) {
            $bent = $this->angle->low > $this->angle->high;
            $levels = [
                $this->levelAt($bent ? $range->to_deg : $range->from_deg) ?? 0.0,
                $this->levelAt($bent ? $range->from_deg : $range->to_deg) ?? 1.0,
            ];
        }
        $tissue = $this->tissue($exercise);
        $steps = $this->steps();
        $frames = fn(bool $lifting): array => array_map(
            fn(int $step): array => $this->frame(
                $levels[0] + (($levels[1] - $levels[0]) * $step) / $steps,
                $lifting,
                $tissue,
            ),
            range(0, $steps),
        );

        return [
            'exercise' => $this->exercise,
            ...$this->view->camera(),
            'near' => $this->near,
            'sees' => $this->sees,
            'shows' => $this->shows->value,
            'round_s' => $this->round,
            'holds' => $exercise->mode === Mode::Isometric,
            'still' => $this->still($exercise),
            'frames' => $frames(false),
            'lift' => $this->lift === [] ? null : $frames(true),
            'angle' =>
                $this->angle === null
                    ? null
                    : [
                        'joint' => $this->angle->joint,
                        'low_deg' => round(
                            $this->measured($this->at($exercise->mode === Mode::Isometric ? $levels[1] : $levels[0])),
                        ),
                        'high_deg' => round($this->measured($this->at($levels[1]))),
                    ],
            'tissue' => array_map(
                static fn(array $row): array => [
                    'kind' => $row['kind'],
                    'limb' => $row['limb']->value,
                    'of' => Tissue::isOfTheArm($row['path']) ? 'arm' : 'leg',
                    'points' => count($row['path']),
                ],
                $tissue,
            ),
            'props' => array_map(
                static fn(Prop $prop): array => [
                    'kind' => $prop->kind,
                    'size' => $prop->size,
                    'at' => array_map(
                        static fn(string|Vec|Fastened $at): string|array => match (true) {
                            is_string($at) => $at,
                            $at instanceof Vec => self::tenths($at),
                            default => 'fastened',
                        },
                        $prop->at,
                    ),
                ],
                $this->props,
            ),
        ];
    }

    /** The level that shows the exercise best in a still picture: the end that it works towards first. */
    private function still(Exercise $exercise): float
    {
        return match (true) {
            $this->round !== null => 0.4,
            $exercise->dose->tempo?->starts === Starts::Lower => 0.0,
            default => 1.0,
        };
    }

    /**
     * The points of the body in the order of {@see Body::points()}, then those of the tissue, then what is fastened to the
     * body, then the joint of the arc with the ends of its first and its square direction.
     *
     * @param list<array{kind: string, limb: Limb, path: list<array{string, float, float, float}>}> $tissue
     *
     * @return list<int>
     */
    private function frame(float $level, bool $lifting, array $tissue): array
    {
        $body = $this->at($level, $lifting);
        $points = array_map(static fn(string $name): Vec => $body->point($name) ?? new Vec(0, 0, 0), Body::points());
        foreach ($tissue as $piece) {
            foreach ($piece['path'] as [$segment, $ahead, $down, $out]) {
                $points[] = Tissue::place($body, $piece['limb'], $segment, $ahead, $down, $out);
            }
        }
        foreach ($this->props as $prop) {
            foreach ($prop->at as $at) {
                if ($at instanceof Fastened) {
                    $points[] = $at->in($body);
                }
            }
        }
        if ($this->angle !== null) {
            array_push($points, ...$this->arc($body, $this->angle));
        }

        return array_merge(...array_map(self::tenths(...), $points));
    }

    /** @return list<Vec> the joint, where its arc begins, and where it is after a quarter turn */
    private function arc(Posed $body, Angle $angle): array
    {
        [$standing, $moving] = Angle::BETWEEN[$angle->joint];
        $side = ".{$angle->limb->value}";
        if ($angle->joint === 'palm') {
            // The thumb goes from ahead of the forearm outwards.
            $wrist = $body->point("wrist$side") ?? new Vec(0, 0, 0);
            $fore = $body->turn("fore$side");

            return [
                $wrist,
                $wrist->plus($fore->ahead->times(10)),
                $wrist->plus($fore->right->times(10 * $angle->limb->sign())),
            ];
        }
        $joint =
            $body->point(
                match ($angle->joint) {
                    'arm' => "shoulder$side",
                    default => $angle->joint . $side,
                },
            ) ?? new Vec(0, 0, 0);
        $first = $body
            ->turn(in_array($standing, ['pelvis', 'thorax'], true) ? $standing : $standing . $side)
            ->up->times(-1);
        $now = $body->turn($moving . $side)->up->times(-1);
        $square = $now->squareTo($first) ?? ($body->turn($moving . $side)->ahead->squareTo($first) ?? new Vec(1, 0, 0));

        return [$joint, $joint->plus($first->times(10)), $joint->plus($square->times(10))];
    }

    /** @return list<array{kind: string, limb: Limb, path: list<array{string, float, float, float}>}> */
    private function tissue(Exercise $exercise): array
    {
        foreach ([Directness::Target, Directness::Shared] as $directness) {
            $keys = array_keys($exercise->structures, $directness, true);
            if ($keys === []) {
                continue;
            }
            $found = [];
            foreach ($exercise->limbs === Limbs::Together ? Limb::cases() : [Limb::Work] as $limb) {
                foreach ($keys as $key) {
                    foreach (Tissue::forStructure(Structure::from($key)) as $piece) {
                        $found[json_encode([$piece['path'][0], $limb], JSON_THROW_ON_ERROR)] = [
                            'kind' => $piece['kind'],
                            'limb' => $limb,
                            'path' => $piece['path'],
                        ];
                    }
                }
            }

            return array_values($found);
        }

        return [];
    }

    /** @return array{int, int, int} */
    private static function tenths(Vec $vec): array
    {
        return [(int) round($vec->x * 10), (int) round($vec->y * 10), (int) round($vec->z * 10)];
    }

    /**
     * @param array<string, Pose> $bases
     *
     * @return list<Key>
     */
    private static function keys(ObjectNode $node, string $field, array $bases, ?Pose $before): array
    {
        return $node->each($field, static function (ObjectNode $item) use ($bases, &$before): Key {
            $before = Pose::read($item, $bases, $before);

            return new Key((float) $item->number('level', 0, 1), $before);
        });
    }
}
