<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\CaseFile\Structure;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Input\ObjectNode;

/** One exercise: how it is done, what it loads, and the easier end of its usual dose. */
final readonly class Exercise
{
    /**
     * @param array<string, Directness> $structures by structure
     * @param list<string> $equipment
     */
    private function __construct(
        public string $key,
        public string $title,
        public Mode $mode,
        public Limbs $limbs,
        public array $structures,
        public array $equipment,
        /** The exercise for those who lack the equipment. */
        public ?string $stand_in,
        public string $set_up,
        public string $movement,
        public string $feel,
        public string $faults,
        public Dose $dose,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->key('key'),
            $node->text('title'),
            $node->choice('mode', Mode::class),
            $node->choice('limbs', Limbs::class),
            $node->child('structures', static function (ObjectNode $child): array {
                $found = [];
                foreach (Structure::cases() as $structure) {
                    $directness = $child->choiceOrNull($structure->value, Directness::class);
                    if ($directness !== null) {
                        $found[$structure->value] = $directness;
                    }
                }

                return $found;
            }),
            $node->textsOrNull('equipment') ?? [],
            $node->textOrNull('stand_in'),
            $node->text('set_up'),
            $node->text('movement'),
            $node->text('feel'),
            $node->text('faults'),
            $node->child('dose', Dose::read(...)),
        );
    }
}
