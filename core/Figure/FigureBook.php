<?php

declare(strict_types=1);

namespace Rung\Core\Figure;

use Rung\Core\Input\InvalidInput;
use Rung\Core\Input\Json;
use Rung\Core\Input\ObjectNode;

/** The figures of the catalogue, by exercise. */
final readonly class FigureBook
{
    /** How the keys of a practice's own exercises begin; one is drawn as the exercise that it was copied from. */
    private const OWN = 'our_';

    /** @param array<string, Figure> $figures */
    private function __construct(public array $figures) {}

    /**
     * @param string $bases JSON text of the postures that figures begin from
     * @param list<string> $documents JSON texts with figures
     *
     * @throws InvalidInput where a document does not have its form
     */
    public static function fromDocuments(string $bases, array $documents): self
    {
        $postures = Json::read($bases, static fn(ObjectNode $node): array => self::bases($node));
        $figures = [];
        foreach ($documents as $document) {
            foreach (
                Json::read(
                    $document,
                    static fn(ObjectNode $node): array => $node->each(
                        'figures',
                        static fn(ObjectNode $figure): Figure => Figure::read($figure, $postures),
                    ),
                )
                as $figure
            ) {
                $figures[$figure->exercise] = $figure;
            }
        }

        return new self($figures);
    }

    /** The figure of an exercise; a practice's own is drawn as the one that it was copied from. Null where there is none. */
    public function find(string $exercise): ?Figure
    {
        return $this->figures[$exercise] ??
            (str_starts_with($exercise, self::OWN)
                ? $this->figures[substr($exercise, strlen(self::OWN))] ?? null
                : null);
    }

    /** @return array<string, Pose> */
    private static function bases(ObjectNode $node): array
    {
        $postures = [];
        $node->each('postures', static function (ObjectNode $posture) use (&$postures): void {
            $postures[$posture->key('name')] = Pose::read($posture, $postures);
        });

        return $postures;
    }
}
