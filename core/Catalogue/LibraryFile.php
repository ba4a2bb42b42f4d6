<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Exercise\Exercise;
use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/** A practice's own exercises, ladders, programmes, response rules and measures (docs/formats/catalogue.md, "Library file"). */
final readonly class LibraryFile
{
    public const FORMAT = 'rung-library/1';

    /**
     * @param list<Exercise> $exercises
     * @param list<Ladder> $ladders
     * @param list<Programme> $programmes
     * @param list<School> $schools
     * @param list<Measure> $measures
     */
    private function __construct(
        public array $exercises,
        public array $ladders,
        public array $programmes,
        public array $schools,
        public array $measures,
        /** The practice's catalogue with this file laid over it. */
        public Catalogue $catalogue,
    ) {}

    /**
     * Reads a file and checks that it fits what is there: shipped items keep their keys, and nothing
     * names what is neither in the file nor in the library.
     *
     * @throws InvalidInput with every fault at its place
     */
    public static function read(string $json, Catalogue $shipped, Catalogue $library): self
    {
        return Json::read($json, static function (ObjectNode $node) use ($shipped, $library): self {
            if ($node->text('format') !== self::FORMAT) {
                $node->fault('format', 'must be "' . self::FORMAT . '"');
            }
            $exercises = $node->eachOrEmpty('exercises', Exercise::read(...));
            $ladders = $node->eachOrEmpty('ladders', Ladder::read(...));
            $programmes = $node->eachOrEmpty('programmes', Programme::read(...));
            $schools = $node->eachOrEmpty('response_rules', School::read(...));
            $measures = $node->eachOrEmpty('measures', Measure::read(...));
            $file = new self(
                $exercises,
                $ladders,
                $programmes,
                $schools,
                $measures,
                $library->with($exercises, $ladders, $programmes, $schools, $measures),
            );
            $file->check($node, $shipped);

            return $file;
        });
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return [
            'format' => self::FORMAT,
            'exercises' => array_map(static fn(Exercise $exercise): array => $exercise->toArray(), $this->exercises),
            'ladders' => array_map(static fn(Ladder $ladder): array => $ladder->toArray(), $this->ladders),
            'programmes' => array_map(
                static fn(Programme $programme): array => $programme->toArray(),
                $this->programmes,
            ),
            'response_rules' => array_map(static fn(School $school): array => $school->toArray(), $this->schools),
            'measures' => array_map(static fn(Measure $measure): array => $measure->toArray(), $this->measures),
        ];
    }

    private function check(ObjectNode $node, Catalogue $shipped): void
    {
        $check = new CatalogueCheck($this->catalogue, array_keys($shipped->ladders));
        $this->checkEach($node, 'exercises', $this->exercises, $shipped->exercises, $check->exercise(...));
        $this->checkEach($node, 'ladders', $this->ladders, $shipped->ladders, $check->ladder(...));
        $this->checkEach($node, 'programmes', $this->programmes, $shipped->programmes, $check->programme(...));
        $this->checkEach(
            $node,
            'response_rules',
            $this->schools,
            $shipped->schools,
            static fn(School $school): iterable => [],
        );
        $this->checkEach($node, 'measures', $this->measures, $shipped->measures, $check->measure(...));
    }

    /**
     * @template T of Exercise|Ladder|Programme|School|Measure
     *
     * @param list<T> $items
     * @param array<string, T> $shipped
     * @param callable(T): iterable<string, string> $check
     */
    private function checkEach(ObjectNode $node, string $list, array $items, array $shipped, callable $check): void
    {
        $node->unique($list, 'key', array_column($items, 'key'));
        foreach ($items as $i => $item) {
            if (isset($shipped[$item->key])) {
                $node->inItem("$list/$i/key", 'is that of one that ships with Rung; give your own another key');
            }
            foreach ($check($item) as $path => $message) {
                $node->inItem("$list/$i/$path", $message);
            }
        }
    }
}
