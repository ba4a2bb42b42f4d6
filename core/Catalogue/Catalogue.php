<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use OutOfBoundsException;
use Rung\Core\CaseFile\Structure;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/** What the product knows about structures, exercises, ladders, programmes and response rules. */
final readonly class Catalogue
{
    /**
     * @param array<string, StructureInfo> $structures
     * @param array<string, Exercise> $exercises
     * @param array<string, Ladder> $ladders
     * @param array<string, Programme> $programmes
     * @param array<string, School> $schools
     */
    private function __construct(
        public array $structures,
        public array $exercises,
        public array $ladders,
        public array $programmes,
        public array $schools,
    ) {}

    /**
     * @param list<string> $documents JSON texts: files of structures, of exercises with their ladders,
     *     of response rules, and single programmes
     *
     * @throws InvalidInput where a document does not have its form
     */
    public static function fromDocuments(array $documents): self
    {
        $structures = $exercises = $ladders = $programmes = $schools = [];
        foreach ($documents as $document) {
            Json::read($document, static function (ObjectNode $node) use (&$structures, &$exercises, &$ladders, &$programmes, &$schools): void {
                if ($node->has('stages')) {
                    $programme = Programme::read($node);
                    $programmes[$programme->key] = $programme;

                    return;
                }
                foreach ($node->eachOrEmpty('structures', StructureInfo::read(...)) as $info) {
                    $structures[$info->structure->value] = $info;
                }
                foreach ($node->eachOrEmpty('exercises', Exercise::read(...)) as $exercise) {
                    $exercises[$exercise->key] = $exercise;
                }
                foreach ($node->eachOrEmpty('ladders', Ladder::read(...)) as $ladder) {
                    $ladders[$ladder->key] = $ladder;
                }
                foreach ($node->eachOrEmpty('response_rules', School::read(...)) as $school) {
                    $schools[$school->key] = $school;
                }
            });
        }

        return new self($structures, $exercises, $ladders, $programmes, $schools);
    }

    /** @throws OutOfBoundsException where there is no such exercise */
    public function exercise(string $key): Exercise
    {
        return $this->exercises[$key] ?? throw new OutOfBoundsException("no exercise $key");
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

    public function structure(Structure $structure): ?StructureInfo
    {
        return $this->structures[$structure->value] ?? null;
    }

    /** The exercise one rung up (1) or down (-1) the ladder; null at its end or for one on no ladder. */
    public function neighbour(string $exercise, int $steps): ?Exercise
    {
        $ladder = $this->ladderOf($exercise);
        $at = $ladder === null ? false : array_search($exercise, $ladder->rungs, true);
        $key = $ladder === null || $at === false ? null : $ladder->rungs[$at + $steps] ?? null;

        return $key === null ? null : $this->exercise($key);
    }

    public function ladderOf(string $exercise): ?Ladder
    {
        foreach ($this->ladders as $ladder) {
            if (in_array($exercise, $ladder->rungs, true)) {
                return $ladder;
            }
        }

        return null;
    }
}
