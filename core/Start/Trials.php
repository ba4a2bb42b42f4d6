<?php

declare(strict_types=1);

namespace Rung\Core\Start;

use Rung\Core\Exercise\Exercise;

/** What was tried in the room before a case begins, and which rungs were tolerated (docs/rules.md, "Tried in the room"). */
final readonly class Trials
{
    /**
     * @param list<Trial> $trials
     * @param int $limit the pain that the school allows in an exercise, 0–10
     */
    public function __construct(public array $trials, private int $limit) {}

    /**
     * The rung that the trials speak for. One that was tolerated raises the beginning to it; one that was not takes the
     * beginning below it.
     *
     * @param non-empty-list<Exercise> $rungs that may be taken, easier to harder
     * @param Exercise $wanted without the trials
     *
     * @return array{Exercise, Trial|null} the rung, and the trial that decided; null where none speaks for another
     */
    public function rung(array $rungs, Exercise $wanted): array
    {
        $keys = array_column($rungs, 'key');
        $tooMuch = $this->lowestNotBorne($keys);
        $tolerated = null;
        foreach (array_slice($keys, 0, $tooMuch) as $i => $key) {
            $tolerated = $this->tolerated($key) !== null ? $i : $tolerated;
        }
        $at = array_search($wanted->key, $keys, true);
        if ($tolerated !== null && $tolerated > ($at === false ? -1 : $at)) {
            return [$rungs[$tolerated], $this->tolerated($keys[$tolerated])];
        }
        if ($tooMuch !== null && ($at === false || $at >= $tooMuch)) {
            return [$rungs[$tolerated ?? max(0, $tooMuch - 1)], $this->notTolerated($keys[$tooMuch])];
        }

        return [$wanted, null];
    }

    public function allows(Trial $trial): bool
    {
        return $trial->isBorne($this->limit);
    }

    /**
     * The worst pain of a try that reached the level at which loading stops; null where none did.
     *
     * @param int $stopAt the school's stop level, 0–10
     */
    public function worstStop(int $stopAt): ?int
    {
        $pains = array_filter(array_column($this->trials, 'pain'), static fn(int $pain): bool => $pain >= $stopAt);

        return $pains === [] ? null : max($pains);
    }

    /** The heaviest load that was tolerated for this number of repetitions, kg; null where none was. */
    public function load(string $exercise, int $reps): int|float|null
    {
        $loads = [];
        foreach ($this->withExercise($exercise) as $trial) {
            if (
                $trial->isBorne($this->limit) &&
                $trial->load_kg !== null &&
                $trial->load_kg > 0 &&
                $trial->reaches($reps)
            ) {
                $loads[] = $trial->load_kg;
            }
        }

        return $loads === [] ? null : max($loads);
    }

    /** @param list<string> $keys */
    private function lowestNotBorne(array $keys): ?int
    {
        foreach ($keys as $i => $key) {
            if ($this->tolerated($key) === null && $this->notTolerated($key) !== null) {
                return $i;
            }
        }

        return null;
    }

    private function tolerated(string $exercise): ?Trial
    {
        foreach (array_reverse($this->withExercise($exercise)) as $trial) {
            if ($trial->isBorne($this->limit)) {
                return $trial;
            }
        }

        return null;
    }

    private function notTolerated(string $exercise): ?Trial
    {
        foreach ($this->withExercise($exercise) as $trial) {
            if (!$trial->isBorne($this->limit)) {
                return $trial;
            }
        }

        return null;
    }

    /** @return list<Trial> */
    private function withExercise(string $exercise): array
    {
        return array_values(
            array_filter($this->trials, static fn(Trial $trial): bool => $trial->exercise === $exercise),
        );
    }
}
