<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Catalogue\StructureInfo;
use Rung\Core\Dose\Prescription;
use Rung\Core\Exercise\Directness;
use Rung\Core\Exercise\Exercise;
use Rung\Core\Exercise\Position;
use Rung\Core\Record\Structure;

/**
 * Chooses the exercise for a rung of a ladder (docs/rules.md, "The first exercise"): those that load
 * the structure, without positions that it does not bear while irritable, with the equipment at hand.
 */
final readonly class RungChooser
{
    /** @param list<string>|null $equipment at hand; null: not asked, all of it */
    public function __construct(
        private Catalogue $catalogue,
        private StructureInfo $structure,
        private ?array $equipment,
        private bool $irritable,
        private Trials $trials = new Trials([], 0),
    ) {}

    /**
     * The rung of a level. Usual: the exercise that the programme itself names. Easiest: the lowest rung
     * that may be done. Middle: halfway between the two, rather one that loads the structure directly.
     *
     * @param list<string> $taken exercises that the stage has already
     */
    public function choose(Prescription $prescription, RungLevel $level, array $taken = []): RungChoice
    {
        $own = $this->catalogue->exercise($prescription->exercise);
        $reasons = [];
        $allowed = $this->allowed($own, $prescription->ladder, $taken, $reasons);
        if ($allowed === []) {
            return $this->finish(
                $prescription,
                $own,
                [...$reasons, 'No rung of its ladder is free of what to avoid: look at it yourself.'],
                [],
                $taken,
            );
        }
        $usual = !$this->isDirect($own) || ($level === RungLevel::Usual && in_array($own, $allowed, true));
        $wanted = match (true) {
            $usual => $own,
            $level === RungLevel::Easiest => $allowed[0],
            default => $this->middle($allowed, $own),
        };
        [$wanted, $trial] = $usual && !$this->isDirect($own) ? [$own, null] : $this->trials->rung($allowed, $wanted);
        if ($trial !== null) {
            array_unshift($reasons, $this->tried($trial, $wanted));
        } elseif ($this->missing($wanted) === []) {
            array_unshift(
                $reasons,
                match (true) {
                    $usual => 'The usual beginning of the programme',
                    $level === RungLevel::Easiest => 'The easiest rung of its ladder',
                    default => 'Halfway up to the usual beginning',
                } . $this->loading($wanted),
            );
        }

        return $this->finish($prescription, $wanted, $reasons, $allowed, $taken, $trial);
    }

    /** What a trial says for the rung that is taken. */
    private function tried(Trial $trial, Exercise $wanted): string
    {
        $title = $this->catalogue->exercise($trial->exercise)->title;
        $words = $trial->words();

        return match (true) {
            $trial->exercise === $wanted->key && !$this->trials->allows($trial)
                => "$title hurt too much when it was tried ($words), and nothing easier may be taken: begin with another kind of work, or choose by hand.",
            $trial->exercise === $wanted->key => "Tried in the room and tolerated ($words){$this->loading($wanted)}",
            default => "$title hurt too much when it was tried ($words): one rung below{$this->loading($wanted)}",
        };
    }

    /**
     * The programme's own exercise, or its stand-in where equipment is missing.
     *
     * @param list<string> $taken exercises that the stage has already
     */
    public function keep(Prescription $prescription, array $taken = []): RungChoice
    {
        $own = $this->catalogue->exercise($prescription->exercise);
        $ignored = [];

        return $this->finish(
            $prescription,
            $own,
            [],
            $this->allowed($own, $prescription->ladder, [], $ignored),
            $taken,
        );
    }

    /**
     * The rungs that the athlete may take, easier first: those that the equipment allows and the structure bears, and the
     * exercise itself. One that is on no ladder stands alone where the programme says so; null else.
     *
     * @param list<string>|null $within rungs that the programme keeps to; null: all of the ladder
     *
     * @return list<string>|null
     */
    public function ladder(string $exercise, ?array $within = null): ?array
    {
        $rungs = $this->catalogue->ladderOf($exercise)?->exercises();
        if ($rungs === null) {
            return $within === null ? null : [$exercise];
        }

        return array_values(
            array_filter($rungs, function (string $key) use ($exercise, $within): bool {
                $rung = $this->catalogue->exercise($key);

                return $key === $exercise ||
                    (($within === null || in_array($key, $within, true)) &&
                        $this->missing($rung) === [] &&
                        $this->avoided($rung) === null);
            }),
        );
    }

    /** The exercise that the practitioner chose instead. */
    public function byHand(Prescription $prescription, Exercise $exercise): RungChoice
    {
        $ignored = [];
        $own = $this->catalogue->exercise($prescription->exercise);

        return new RungChoice(
            $prescription,
            $exercise,
            ['Chosen by hand.'],
            $this->allowed($own, $prescription->ladder, [], $ignored),
        );
    }

    /**
     * @param list<string> $reasons
     * @param list<Exercise> $allowed
     * @param list<string> $taken
     */
    private function finish(
        Prescription $prescription,
        Exercise $wanted,
        array $reasons,
        array $allowed,
        array $taken,
        ?Trial $trial = null,
    ): RungChoice {
        $missing = $this->missing($wanted);
        if ($missing !== []) {
            $found = $this->standIn($wanted, $taken) ?? $this->nearest($wanted, $allowed, $taken);
            $needs = 'No ' . implode(', no ', $missing) . ' at hand';
            array_unshift(
                $reasons,
                $found === null
                    ? "$needs, and nothing stands in for $wanted->title: choose by hand."
                    : "$needs: $found->title in place of $wanted->title{$this->loading($found)}",
            );
            $wanted = $found ?? $wanted;
        }
        $others = array_values(
            array_filter(
                $allowed,
                fn(Exercise $exercise): bool => $exercise->key !== $wanted->key && $this->missing($exercise) === [],
            ),
        );

        return new RungChoice($prescription, $wanted, $reasons, $others, $trial);
    }

    /**
     * @param list<string>|null $rungs that the programme keeps to; null: all of the ladder
     * @param list<string> $taken
     * @param list<string> $reasons why others are not
     *
     * @return list<Exercise> easier to harder
     */
    private function allowed(Exercise $own, ?array $rungs, array $taken, array &$reasons): array
    {
        $accessory = !$this->isDirect($own);
        $allowed = [];
        foreach (
            $accessory ? [$own->key] : $this->catalogue->ladderOf($own->key)?->exercises() ?? [$own->key]
            as $key
        ) {
            // A programme may keep to some rungs of a ladder.
            if ($rungs !== null && !in_array($key, $rungs, true)) {
                continue;
            }
            $exercise = $this->catalogue->exercise($key);
            if ($exercise->mode !== $own->mode && !($exercise->mode->isMoving() && $own->mode->isMoving())) {
                continue;
            }
            if (!$accessory && !$this->isDirect($exercise)) {
                continue;
            }
            $avoided = $this->avoided($exercise);
            if ($avoided !== null) {
                $reasons[] = "$exercise->title is left out: $avoided.";
            } elseif (!in_array($key, $taken, true)) {
                $allowed[] = $exercise;
            }
        }

        return $allowed;
    }

    /** @param non-empty-list<Exercise> $allowed */
    private function middle(array $allowed, Exercise $own): Exercise
    {
        $usual = array_search($own, $allowed, true);
        $middle = intdiv(is_int($usual) ? $usual : count($allowed) - 1, 2);
        $nearest = $allowed[$middle];
        $best = PHP_INT_MAX;
        foreach ($allowed as $i => $exercise) {
            // Of two equally near the easier, since it comes first.
            if (
                $exercise->loads($this->structure->structure) === Directness::Target &&
                abs($i - $middle) < $best &&
                (!is_int($usual) || $i <= $usual)
            ) {
                $best = abs($i - $middle);
                $nearest = $exercise;
            }
        }

        return $nearest;
    }

    /** @param list<string> $taken */
    private function standIn(Exercise $wanted, array $taken): ?Exercise
    {
        $seen = [];
        for ($key = $wanted->stand_in; $key !== null && !isset($seen[$key]); $key = $exercise->stand_in) {
            $seen[$key] = true;
            $exercise = $this->catalogue->exercise($key);
            if (
                $this->missing($exercise) === [] &&
                $this->avoided($exercise) === null &&
                !in_array($key, $taken, true) &&
                ($this->isDirect($exercise) || !$this->isDirect($wanted))
            ) {
                return $exercise;
            }
        }

        return null;
    }

    /**
     * The next easier rung that can be done with what there is, it or its stand-in; else the next harder one.
     *
     * @param list<Exercise> $allowed
     * @param list<string> $taken
     */
    private function nearest(Exercise $wanted, array $allowed, array $taken): ?Exercise
    {
        $at = array_search($wanted, $allowed, true);
        $easier = array_reverse(array_slice($allowed, 0, $at === false ? 0 : $at));
        $harder = array_slice($allowed, $at === false ? 0 : $at + 1);
        foreach ([...$easier, ...$harder] as $exercise) {
            $found = $this->missing($exercise) === [] ? $exercise : $this->standIn($exercise, $taken);
            if ($found !== null) {
                return $found;
            }
        }

        return null;
    }

    /** How directly an exercise loads the structure, as the end of a sentence. */
    private function loading(Exercise $exercise): string
    {
        return match ($exercise->loads($this->structure->structure)) {
            Directness::Target => ", loading the {$this->structure->name()} directly.",
            Directness::Shared => ", loading the {$this->structure->name()} together with others.",
            default => ', beside the main work.',
        };
    }

    private function isDirect(Exercise $exercise): bool
    {
        return in_array($exercise->loads($this->structure->structure), [Directness::Target, Directness::Shared], true);
    }

    /** What forbids an exercise for this structure now; null where nothing does. */
    private function avoided(Exercise $exercise): ?string
    {
        if (
            $this->structure->structure === Structure::AchillesInsertion &&
            in_array(Position::BelowFloor, $exercise->positions, true)
        ) {
            return 'the heel never goes below the floor for the insertion';
        }
        foreach ($this->irritable ? $this->structure->avoid : [] as $avoid) {
            if ($avoid->concerns($exercise, $exercise->dose)) {
                return "$avoid->words while irritable";
            }
        }

        return null;
    }

    /** @return list<string> */
    private function missing(Exercise $exercise): array
    {
        return $this->equipment === null ? [] : $exercise->lacking($this->equipment);
    }
}
