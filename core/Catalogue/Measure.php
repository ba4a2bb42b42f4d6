<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Record\Structure;
use Rung\Core\Stage\OverTest;

/** Something that is measured again and again over a case (docs/rules.md, "Measures"). */
final readonly class Measure
{
    public const RANGE = 'range_of_motion';

    public const COUNT = 'endurance_count';

    private const MOST_TRIES = 5;

    private const LONGEST_REST_S = 600;

    /**
     * @param list<Structure> $structures for which it is proposed
     * @param list<string> $exercises whose load is read from this maximum
     */
    private function __construct(
        public string $key,
        public string $title,
        public MeasureKind $kind,
        /** In which every value is given, always the same for one measure. */
        public string $unit,
        /** Whether each side gives a value of its own; both together give one else. */
        public bool $eachSide,
        public ?string $instruction,
        /** How many are taken of each side. */
        public int $tries,
        /** Seconds between two tries. */
        public int $restS,
        public bool $higherIsBetter,
        /** The smallest change that matters, in the unit; null where it is a share. */
        public int|float|null $smallestChange,
        /** The smallest change that matters, in percent of the earlier value. */
        public int|float|null $smallestChangePercent,
        /** The lowest and the highest value that a person can reach: beyond them it is a slip of a key. */
        public int|float $lowest,
        public int|float $highest,
        public ?string $jointAngle,
        public ?MeasureRatio $ratio,
        public array $structures,
        /** The kind of stage from which on it is proposed; null: from the first. */
        public ?Mode $fromStage,
        public array $exercises = [],
    ) {}

    public static function read(ObjectNode $node): self
    {
        $kind = $node->choice('kind', MeasureKind::class);
        $change = $node->child('smallest_change', static function (ObjectNode $smallestChange): array {
            $both = [
                'value' => $smallestChange->numberOrNull('value'),
                'percent' => $smallestChange->numberOrNull('percent', 0, 100),
            ];
            if (
                count(array_filter($both, static fn(int|float|null $given): bool => $given !== null && $given > 0)) !==
                1
            ) {
                $smallestChange->faultHere('must give one of value and percent, over 0');
            }

            return $both;
        });
        $lowest = $node->numberOrNull('lowest', -ObjectNode::LARGEST) ?? 0;
        $highest = $node->number('highest', -ObjectNode::LARGEST);
        if ($node->has('highest') && $highest <= $lowest) {
            $node->fault('highest', 'must be over the lowest');
        }
        $sides = $node->text('sides');
        if ($sides !== '' && !in_array($sides, ['each', 'one'], true)) {
            $node->fault('sides', 'must be "each" (both sides are measured) or "one" (both together give one value)');
        }
        $better = $node->text('better');
        if ($better !== '' && !in_array($better, ['higher', 'lower'], true)) {
            $node->fault('better', 'must be "higher" or "lower"');
        }

        return new self(
            $node->key('key'),
            $node->key('title'),
            $kind,
            self::unit($node, $kind),
            $sides !== 'one',
            $node->textOrNull('instruction'),
            $node->whole('tries', 1, self::MOST_TRIES),
            $node->wholeOrNull('rest_s', 0, self::LONGEST_REST_S) ?? 0,
            $better !== 'lower',
            $change['value'],
            $change['percent'],
            $lowest,
            $highest,
            $node->textOrNull('joint_angle'),
            $node->childOrNull('ratio', MeasureRatio::read(...)),
            $node->choicesOrNull('structures', Structure::class) ?? [],
            $node->choiceOrNull('from_stage', Mode::class),
            $kind === MeasureKind::RepetitionMaximum ? $node->textsOrNull('exercises') ?? [] : [],
        );
    }

    private static function unit(ObjectNode $node, MeasureKind $kind): string
    {
        $unit = $node->key('unit');
        $units = match ($kind) {
            MeasureKind::Force => ['N'],
            MeasureKind::RepetitionMaximum => ['kg'],
            MeasureKind::Count => ['repetitions'],
            MeasureKind::Hold => ['s'],
            MeasureKind::Range => ['°', 'cm'],
            MeasureKind::Distance => ['cm'],
            MeasureKind::Minutes => ['min'],
            MeasureKind::Score => ['points'],
        };
        if ($unit !== '' && !in_array($unit, $units, true)) {
            $node->fault('unit', 'must be ' . implode(' or ', $units) . " for the kind $kind->value");
        }

        return $unit;
    }

    /**
     * What is followed of a structure: its strength test, its range, a count to its own standard where the strength test
     * is none, and what else a gate asks for.
     *
     * @param list<OverTest> $gates criteria over tests
     *
     * @return list<self>
     */
    public static function forStructure(StructureInfo $structure, Catalogue $catalogue, array $gates = []): array
    {
        $test = $catalogue->measure($structure->strengthTest);
        $keys = [
            $test->key,
            self::RANGE,
            ...$test->kind === MeasureKind::Count ? [] : [self::COUNT],
            ...array_map(static fn(OverTest $overTest): string => $overTest->test, $gates),
        ];

        return array_values(array_map($catalogue->measure(...), array_unique($keys)));
    }

    /** What stands for a test that a plan asks for and the library does not know. */
    public static function unknown(string $key): self
    {
        return new self(
            $key,
            ucfirst(strtr($key, '_', ' ')),
            MeasureKind::Force,
            'N',
            true,
            null,
            1,
            0,
            true,
            null,
            10,
            0,
            ObjectNode::LARGEST,
            null,
            null,
            [],
            null,
        );
    }

    /** A severity score of the practitioner's choice, of which no items are kept. */
    public static function score(
        string $key,
        string $title,
        int|float $lowest,
        int|float $highest,
        bool $higherIsBetter,
        int|float|null $smallestChange,
    ): self {
        return new self(
            $key,
            $title,
            MeasureKind::Score,
            'points',
            false,
            null,
            1,
            0,
            $higherIsBetter,
            $smallestChange ?? 0,
            null,
            $lowest,
            $highest,
            null,
            null,
            [],
            null,
        );
    }

    /** Whether it is proposed for a structure in a stage of a kind. */
    public function isProposedFor(Structure $structure, ?Mode $stage): bool
    {
        return in_array($structure, $this->structures, true) &&
            ($this->fromStage === null || ($stage !== null && self::order($stage) >= self::order($this->fromStage)));
    }

    /** What is wrong with a value; null where nothing is. */
    public function faultOf(int|float $value): ?string
    {
        return Number::under($value, $this->lowest) || Number::over($value, $this->highest)
            ? "must be from $this->lowest to $this->highest $this->unit for this measure; check the number and its unit"
            : null;
    }

    /** The smallest change from a value that matters, in the unit; less is the noise of the measure. */
    public function changeThatMatters(int|float $from): int|float
    {
        return $this->smallestChange ?? Number::clean((abs($from) * ($this->smallestChangePercent ?? 0)) / 100);
    }

    private static function order(Mode $mode): int
    {
        return match ($mode) {
            Mode::Isometric, Mode::Control, Mode::Mobility, Mode::SoftTissue => 0,
            Mode::Isotonic, Mode::Eccentric, Mode::Mixed => 1,
            Mode::Plyometric => 2,
            Mode::Running, Mode::Throwing, Mode::Sport => 3,
        };
    }

    /** @return array<string, mixed> as it stands in a document */
    public function toArray(): array
    {
        return array_filter(
            [
                'key' => $this->key,
                'title' => $this->title,
                'kind' => $this->kind->value,
                'unit' => $this->unit,
                'sides' => $this->eachSide ? 'each' : 'one',
                'instruction' => $this->instruction,
                'tries' => $this->tries,
                'rest_s' => $this->restS,
                'better' => $this->higherIsBetter ? 'higher' : 'lower',
                'smallest_change' =>
                    $this->smallestChange === null
                        ? ['percent' => $this->smallestChangePercent]
                        : ['value' => $this->smallestChange],
                'lowest' => $this->lowest,
                'highest' => $this->highest,
                'joint_angle' => $this->jointAngle,
                'ratio' => $this->ratio?->toArray(),
                'structures' => array_column($this->structures, 'value'),
                'from_stage' => $this->fromStage?->value,
                'exercises' => $this->exercises === [] ? null : $this->exercises,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
