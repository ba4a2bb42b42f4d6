<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use OutOfBoundsException;
use Rung\Core\Calendar\PracticeStep;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Goal;
use Rung\Core\Record\Structure;
use Rung\Core\Screening\Finding;
use Rung\Core\Screening\ReferralSign;
use Rung\Core\Screening\Risk;

/**
 * What the product knows about structures, exercises, ladders, programmes, response rules, screening
 * and lint (docs/formats/catalogue.md). A practice lays its own library over it.
 */
final readonly class Catalogue implements Titles
{
    /**
     * @param array<string, StructureInfo> $structures
     * @param array<string, Exercise> $exercises
     * @param array<string, Ladder> $ladders
     * @param array<string, Programme> $programmes
     * @param array<string, School> $schools
     * @param array<string, ReferralSign> $signs
     * @param array<string, Risk> $risks
     * @param array<string, LintRule> $lint
     * @param array<string, Measure> $measures
     * @param array<string, Finding> $findings
     * @param list<WayBack> $waysBack
     * @param array<string, int> $versions in force of a practice's own items, by kind and key ("exercise/our_squat")
     */
    private function __construct(
        public array $structures = [],
        public array $exercises = [],
        public array $ladders = [],
        public array $programmes = [],
        public array $schools = [],
        public array $signs = [],
        public array $risks = [],
        public array $lint = [],
        public array $measures = [],
        public array $versions = [],
        public array $findings = [],
        public array $waysBack = [],
    ) {}

    /**
     * @param list<string> $documents JSON texts, each a file of the catalogue
     *
     * @throws InvalidInput where a document does not have its form
     */
    public static function fromDocuments(array $documents): self
    {
        $catalogue = new self();
        foreach ($documents as $document) {
            $catalogue = Json::read(
                $document,
                static fn(ObjectNode $node): self => $node->has('stages')
                    ? $catalogue->with(programmes: [Programme::read($node)])
                    : $catalogue->withDocument($node),
            );
        }

        return $catalogue;
    }

    /**
     * Laid over by a practice's own items; those of the same key take the place of the shipped ones.
     *
     * @param list<Exercise> $exercises
     * @param list<Ladder> $ladders
     * @param list<Programme> $programmes
     * @param list<School> $schools
     * @param list<Measure> $measures
     */
    public function with(
        array $exercises = [],
        array $ladders = [],
        array $programmes = [],
        array $schools = [],
        array $measures = [],
    ): self {
        return $this->replaced([
            'exercises' => self::keyed($exercises) + $this->exercises,
            'ladders' => self::keyed($ladders) + $this->ladders,
            'programmes' => self::keyed($programmes) + $this->programmes,
            'schools' => self::keyed($schools) + $this->schools,
            'measures' => self::keyed($measures) + $this->measures,
        ]);
    }

    /** @param array<string, int> $versions in force of a practice's own items, by kind and key */
    public function withVersions(array $versions): self
    {
        return $this->replaced(['versions' => $versions]);
    }

    /** @throws OutOfBoundsException where there is no such exercise */
    public function exercise(string $key): Exercise
    {
        return $this->exercises[$key] ?? throw new OutOfBoundsException("no exercise $key");
    }

    /** @return array<string, Exercise> the practice's own exercises, by key */
    public function ownExercises(): array
    {
        return array_filter(
            $this->exercises,
            fn(Exercise $exercise): bool => isset($this->versions["exercise/$exercise->key"]),
        );
    }

    public function titleOf(string $exercise): string
    {
        return $this->exercises[$exercise]->title ?? $exercise;
    }

    public function wordsOf(string $finding): string
    {
        return $this->findings[$finding]->words ?? $finding;
    }

    /** @throws OutOfBoundsException where there is no such programme */
    public function programme(string $key): Programme
    {
        return $this->programmes[$key] ?? throw new OutOfBoundsException("no programme $key");
    }

    /** @throws OutOfBoundsException where there is no such rule */
    public function school(string $key): School
    {
        return $this->schools[$key] ?? throw new OutOfBoundsException("no response rule $key");
    }

    /** What is measured under a key; where the library does not know it, what stands for it. */
    public function measure(string $key): Measure
    {
        return $this->measures[$key] ?? Measure::unknown($key);
    }

    /** @throws OutOfBoundsException where there is no such structure */
    public function structure(Structure $structure): StructureInfo
    {
        return $this->structures[$structure->value] ?? throw new OutOfBoundsException("no structure $structure->value");
    }

    /** The exercise one rung up (1) or down (-1) the ladder; null at its end or for one on no ladder. */
    public function neighbour(string $exercise, int $steps): ?Exercise
    {
        $rungs = $this->ladderOf($exercise)?->exercises() ?? [];
        $at = array_search($exercise, $rungs, true);
        $key = $at === false ? null : $rungs[$at + $steps] ?? null;

        return $key === null ? null : $this->exercise($key);
    }

    public function ladderOf(string $exercise): ?Ladder
    {
        foreach ($this->ladders as $ladder) {
            if (in_array($exercise, $ladder->exercises(), true)) {
                return $ladder;
            }
        }

        return null;
    }

    /** @return list<PracticeStep> the rungs of the usual way back to sport for a goal, easier first */
    public function practiceFor(Goal $goal): array
    {
        foreach ($this->waysBack as $way) {
            if (in_array($goal, $way->goals, true)) {
                return $way->steps;
            }
        }

        return [];
    }

    /** @return list<string> all that any exercise needs, in the order of the alphabet */
    public function equipment(): array
    {
        $all = array_merge(
            ...array_values(array_map(static fn(Exercise $exercise): array => $exercise->equipment, $this->exercises)),
        );
        sort($all);

        return array_values(array_unique($all));
    }

    private function withDocument(ObjectNode $node): self
    {
        $structures = [];
        foreach ($node->eachOrEmpty('structures', StructureInfo::read(...)) as $info) {
            $structures[$info->structure->value] = $info;
        }

        return $this->with(
            $node->eachOrEmpty('exercises', Exercise::read(...)),
            $node->eachOrEmpty('ladders', Ladder::read(...)),
            [],
            $node->eachOrEmpty('response_rules', School::read(...)),
            $node->eachOrEmpty('measures', Measure::read(...)),
        )->replaced([
            'structures' => $structures + $this->structures,
            'signs' => self::keyed($node->eachOrEmpty('referral_signs', ReferralSign::read(...))) + $this->signs,
            'risks' => self::keyed($node->eachOrEmpty('risks', Risk::read(...))) + $this->risks,
            'findings' => self::keyed($node->eachOrEmpty('findings', Finding::read(...))) + $this->findings,
            'waysBack' => [...$this->waysBack, ...$node->eachOrEmpty('practice', WayBack::read(...))],
            'lint' => self::keyed($node->eachOrEmpty('lint', LintRule::read(...))) + $this->lint,
        ]);
    }

    /** @param array<string, mixed> $parts */
    private function replaced(array $parts): self
    {
        /** @phpstan-ignore argument.type (the names and types are the constructor's own) */
        return new self(...$parts + get_object_vars($this));
    }

    /**
     * @template T of Exercise|Ladder|Programme|School|ReferralSign|Risk|Finding|LintRule|Measure
     *
     * @param list<T> $items
     *
     * @return array<string, T>
     */
    private static function keyed(array $items): array
    {
        $keyed = [];
        foreach ($items as $item) {
            $keyed[$item->key] = $item;
        }

        return $keyed;
    }
}
