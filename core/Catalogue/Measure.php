<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Stage\OverTest;

/** Something that is measured on both sides of the body, again and again over a case (docs/rules.md, "Measures"). */
final readonly class Measure
{
    public const RANGE = 'range_of_motion';

    public const COUNT = 'endurance_count';

    public function __construct(
        public string $key,
        public string $title,
        /** In which both sides are given, always the same for one measure. */
        public string $unit,
        public ?string $instruction,
    ) {}

    /**
     * What is followed of a structure: its strength test, its range, a count to its own standard where the strength test
     * is none, and what else a gate asks for.
     *
     * @param list<OverTest> $gates criteria over tests
     *
     * @return list<self>
     */
    public static function of(StructureInfo $structure, array $gates = []): array
    {
        $test = $structure->strengthTest;
        $measures = [new self($test->key, $test->title, $test->unit, $test->instruction), new self(self::RANGE, 'Range of movement', '°', null)];
        if ($test->unit !== 'repetitions') {
            $measures[] = new self(self::COUNT, 'Endurance', 'repetitions', null);
        }
        foreach ($gates as $gate) {
            if (!in_array($gate->test, array_column($measures, 'key'), true)) {
                $measures[] = new self($gate->test, ucfirst(strtr($gate->test, '_', ' ')), 'N', null);
            }
        }

        return $measures;
    }

    /** @return array{key: string, title: string, unit: string, instruction: string|null} */
    public function toArray(): array
    {
        return ['key' => $this->key, 'title' => $this->title, 'unit' => $this->unit, 'instruction' => $this->instruction];
    }
}
