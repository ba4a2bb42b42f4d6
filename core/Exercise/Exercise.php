<?php

declare(strict_types=1);

namespace Rung\Core\Exercise;

use Rung\Core\Dose\Dose;
use Rung\Core\Dose\Limbs;
use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\Structure;

/** One exercise: how it is done, what it loads, its usual dose, and the easier end of it. */
final readonly class Exercise
{
    private const KEPT_OF_THE_PRESCRIPTION = [
        'sets',
        'reps',
        'reps_to',
        'hold_s',
        'hold_to_s',
        'work_to_s',
        'grow_by',
        'grow_after',
        'rest_s',
        'percent_mvc',
        'effort',
        'rir',
        'times_per_day',
        'beats_per_min',
    ];

    /**
     * @param array<string, Directness> $structures by structure
     * @param list<string> $equipment
     * @param list<Position> $positions that it goes into
     * @param list<string> $alsoCalled what people type who look for it: common and anatomical names
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
        /** Whether the weight depends on the person: it is found in the room, and no programme says it. */
        public bool $loadIsFound = false,
        public ?Says $says = null,
        public array $alsoCalled = [],
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
            $node->has('load_is_found') && $node->flag('load_is_found'),
            $node->childOrNull('says', Says::read(...)),
            $node->textsOrNull('also_called') ?? [],
        );
        if ($exercise->loadIsFound && $exercise->dose->load_kg !== null) {
            $node->fault('dose/load_kg', 'is found in the room for this exercise; leave it out');
        }
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

    /**
     * A prescription of this exercise instead of its own: the prescription's volume, tempo and intensity, the exercise's
     * own load and range. A hold that takes the place of repetitions, or the other way round, keeps the exercise's own dose.
     */
    public function inPlaceOf(Prescription $prescription, ?string $cue = null): Prescription
    {
        $kept =
            ($this->mode === Mode::Isometric) === ($prescription->mode === Mode::Isometric)
                ? array_intersect_key($prescription->dose->toArray(), array_flip(self::KEPT_OF_THE_PRESCRIPTION))
                : [];
        if ($this->dose->work_s === null) {
            unset($kept['work_to_s']);
        }
        if (array_intersect_key($kept, ['reps_to' => 0, 'hold_to_s' => 0, 'work_to_s' => 0]) === []) {
            unset($kept['grow_by'], $kept['grow_after']);
        }
        $tempo = ['own' => $this->dose->tempo?->toArray(), 'prescribed' => $prescription->dose->tempo?->toArray()];
        if ($kept !== [] && $tempo['own'] !== null && $tempo['prescribed'] !== null) {
            // As slow or fast as prescribed, beginning as the exercise does.
            $kept['tempo'] = array_diff_key($tempo['prescribed'], ['starts' => 0, 'free' => 0]) + $tempo['own'];
        }
        // Repetitions that are prescribed are not those of the exercise's own repetition maximum.
        $own = $kept === [] || $prescription->dose->rm !== null ? $this->dose : $this->dose->with(['rm' => null]);

        return $prescription->withExercise($this->key, $this->mode, $this->limbs, $own->merged($kept), $cue);
    }

    /** @return array<string, mixed> as it stands in a document */
    public function toArray(): array
    {
        return [
            'key' => $this->key,
            'title' => $this->title,
            'mode' => $this->mode->value,
            'limbs' => $this->limbs->value,
            'structures' => array_map(
                static fn(Directness $directness): string => $directness->value,
                $this->structures,
            ),
            'equipment' => $this->equipment,
            'stand_in' => $this->stand_in,
            'lever' => $this->lever->value,
            'range' => $this->range,
            'positions' => array_column($this->positions, 'value'),
            'set_up' => $this->set_up,
            'movement' => $this->movement,
            ...$this->says === null ? [] : ['says' => (object) $this->says->toArray()],
            'feel' => $this->feel,
            'faults' => $this->faults,
            'dose' => $this->dose->toArray(),
            'usual' => $this->usual->toArray(),
        ] +
            ($this->loadIsFound ? ['load_is_found' => true] : []) +
            ($this->alsoCalled === [] ? [] : ['also_called' => $this->alsoCalled]);
    }
}
