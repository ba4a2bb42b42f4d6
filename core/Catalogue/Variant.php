<?php

declare(strict_types=1);

namespace Rung\Core\Catalogue;

use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Structure;

/** What a programme does otherwise for some of its structures: other exercises, and steps of load that fit the limb. */
final readonly class Variant
{
    /**
     * @param list<Structure> $structures
     * @param array<string, string> $exercises by prescription
     * @param list<string>|null $bands labels of the band set, easier first; they take the place of kilograms where a band resists
     * @param array{lift_s?: int|float, lower_s?: int|float} $tempo seconds that differ from the programme's
     */
    private function __construct(
        public array $structures,
        public array $exercises,
        /** The least change of weight for this limb, in kilograms; null: the programme's. */
        public int|float|null $increment_kg = null,
        public ?array $bands = null,
        public array $tempo = [],
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->choicesOrNull('structures', Structure::class) ?? [],
            $node->child('exercises', static fn(ObjectNode $map): array => $map->texts()),
            $node->has('increment_kg') ? $node->positive('increment_kg') : null,
            $node->textsOrNull('bands'),
            $node->childOrNull(
                'tempo',
                static fn(ObjectNode $map): array => array_filter(
                    ['lift_s' => $map->numberOrNull('lift_s'), 'lower_s' => $map->numberOrNull('lower_s')],
                    static fn(mixed $value): bool => $value !== null,
                ),
            ) ?? [],
        );
    }

    /** A prescription of the programme as these structures do it; itself where they do not differ. */
    public function apply(Prescription $prescription, Catalogue $catalogue): Prescription
    {
        $key = $this->exercises[$prescription->key] ?? null;
        if ($key === null) {
            return $prescription;
        }
        $other = $catalogue->exercise($key)->inPlaceOf($prescription, $prescription->cue);
        if ($prescription->ladder === [$prescription->exercise]) {
            // A programme that keeps to its exercise keeps to the variant's likewise.
            $other = $other->onLadder([$key]);
        }
        $tempo = $other->dose->tempo?->toArray();
        if ($tempo !== null && $this->tempo !== []) {
            $other = $other->withDose($other->dose->merged(['tempo' => $this->tempo + $tempo]));
        }
        if ($this->bands !== null && $other->dose->resistance !== null) {
            $other = $other->withDose($other->dose->merged(['resistance' => $this->bands[0]]));
        }

        return $other->withProgression(
            $prescription->progression?->fitting(
                $this->increment_kg,
                $other->dose->resistance === null ? null : $this->bands,
            ),
        );
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return array_filter(
            [
                'structures' => array_column($this->structures, 'value'),
                'exercises' => $this->exercises,
                'increment_kg' => $this->increment_kg,
                'bands' => $this->bands,
                'tempo' => $this->tempo === [] ? null : $this->tempo,
            ],
            static fn(mixed $value): bool => $value !== null,
        );
    }
}
