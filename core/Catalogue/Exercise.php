<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\CaseFile\Structure;
use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;

/** One exercise: how it is done, what it loads, its usual dose, and the easier end of it. */
final readonly class Exercise
{
    /**
     * @param array<string, Directness> $structures by structure
     * @param list<string> $equipment
     * @param list<Position> $positions that it goes into
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
        public LeverArm $lever,
        /** Through which range it goes, in words. */
        public string $range,
        public array $positions,
        public string $set_up,
        public string $movement,
        public string $feel,
        public string $faults,
        public Dose $dose,
        public Usual $usual,
    ) {}

    public static function read(ObjectNode $node): self
    {
        $exercise = new self(
            $node->key('key'),
            $node->key('title'),
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
                if ($found === []) {
                    $child->faultHere('must name at least one structure and how directly it is loaded');
                }

                return $found;
            }),
            $node->textsOrNull('equipment') ?? [],
            $node->textOrNull('stand_in'),
            $node->choice('lever', LeverArm::class),
            $node->key('range'),
            $node->choicesOrNull('positions', Position::class) ?? [],
            $node->key('set_up'),
            $node->key('movement'),
            $node->key('feel'),
            $node->key('faults'),
            $node->child('dose', Dose::read(...)),
            $node->child('usual', Usual::read(...)),
        );
        $exercise->usual->checkStart($node, $exercise->dose);

        return $exercise;
    }

    public function loads(Structure $structure): ?Directness
    {
        return $this->structures[$structure->value] ?? null;
    }

    /**
     * What it needs that is not at hand.
     *
     * @param list<string> $equipment
     *
     * @return list<string>
     */
    public function lacking(array $equipment): array
    {
        return array_values(array_diff($this->equipment, $equipment));
    }

    /** As it would be prescribed by itself. */
    public function asPrescription(): Prescription
    {
        return new Prescription($this->key, $this->key, $this->mode, $this->limbs, $this->dose);
    }

    /** @return array<string, mixed> as it stands in a document */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'title' => $this->title,
            'mode' => $this->mode->value,
            'limbs' => $this->limbs->value,
            'structures' => array_map(static fn(Directness $one): string => $one->value, $this->structures),
            'equipment' => $this->equipment,
            'stand_in' => $this->stand_in,
            'lever' => $this->lever->value,
            'range' => $this->range,
            'positions' => array_column($this->positions, 'value'),
            'set_up' => $this->set_up,
            'movement' => $this->movement,
            'feel' => $this->feel,
            'faults' => $this->faults,
            'dose' => $this->dose->toArray(),
            'usual' => $this->usual->toArray(),
        ];
    }
}
