<?php

declare(strict_types=1);

namespace Rung\Core\Attention;

use Rung\Core\Dose\Mode;
use Rung\Core\Dose\Prescription;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Number;
use Rung\Core\Record\LoggedSet;
use Rung\Core\Record\Session;
use Rung\Core\Record\SessionKind;
use Rung\Core\Response\Log;

/** What was loaded in some span: all that the schools count, summed from the logged sets. */
final readonly class WeekLoad
{
    private function __construct(
        /** Seconds held. */
        public int|float $isometric_s,
        /** Seconds of lifting and lowering. */
        public int|float $moving_s,
        /** Kilograms lifted in all. */
        public int|float $volume_load_kg,
        /** Landings. */
        public int|float $contacts,
        /** Minutes of sport. */
        public int|float $sport_min,
        /** Minutes × effort of sport. */
        public int|float $sport_load,
        public int $sessions,
    ) {}

    public static function read(ObjectNode $node): self
    {
        return new self(
            $node->number('isometric_s'),
            $node->number('moving_s'),
            $node->number('volume_load_kg'),
            $node->number('contacts'),
            $node->number('sport_min'),
            $node->number('sport_load'),
            $node->whole('sessions'),
        );
    }

    /**
     * What doses ask for, each done so many times; of sport nothing is known before it is done.
     *
     * @param list<array{Prescription, int}> $asked with how often
     *
     * @throws \InvalidArgumentException where a part of the body is lifted and its mass is unknown
     */
    public static function ofDoses(array $asked, int $sessions, int|float|null $bodyMassKg): self
    {
        $sum = ['isometric_s' => 0, 'moving_s' => 0, 'volume_load_kg' => 0, 'contacts' => 0];
        foreach ($asked as [$prescription, $times]) {
            $dose = $prescription->dose;
            $set = new LoggedSet($dose->reps, $dose->hold_s, $dose->work_s, $dose->load_kg);
            foreach (self::ofSet($set, $prescription, $bodyMassKg) as $what => $amount) {
                $sum[$what] += $times * $dose->sets * $amount;
            }
        }

        return self::ofSum($sum, 0, 0, $sessions);
    }

    /** @param array{isometric_s: int|float, moving_s: int|float, volume_load_kg: int|float, contacts: int|float} $sum */
    private static function ofSum(array $sum, int|float $minutes, int|float $load, int $sessions): self
    {
        return new self(
            $sum['isometric_s'],
            $sum['moving_s'],
            $sum['volume_load_kg'],
            $sum['contacts'],
            $minutes,
            $load,
            $sessions,
        );
    }

    /** One practice of the sport, by its minutes and its effort (0–10). */
    public static function ofPractice(int|float $minutes, int|float $effort): self
    {
        return new self(0, 0, 0, 0, $minutes, $minutes * $effort, 1);
    }

    /** The last 7 days, or the 7 that ended so many days ago. */
    public static function fromLog(Log $log, int $endingDaysAgo = 0): self
    {
        return self::ofSessions(
            $log,
            array_filter(
                $log->ended,
                static fn(Session $session): bool => $log->inLastDays($session, $endingDaysAgo + 7) &&
                    !$log->inLastDays($session, $endingDaysAgo),
            ),
        );
    }

    /** @param iterable<Session> $sessions */
    public static function ofSessions(Log $log, iterable $sessions): self
    {
        $sum = ['isometric_s' => 0, 'moving_s' => 0, 'volume_load_kg' => 0, 'contacts' => 0];
        [$minutes, $load, $count] = [0, 0, 0];
        foreach ($sessions as $session) {
            $count++;
            foreach ($session->entries as $entry) {
                if ($entry->prescription !== null) {
                    foreach ($entry->sets as $set) {
                        foreach (
                            self::ofSet(
                                $set,
                                $log->prescriptions[$entry->prescription],
                                $log->file->athlete->body_mass_kg,
                            )
                            as $what => $amount
                        ) {
                            $sum[$what] += $amount;
                        }
                    }
                }
            }
            if ($session->kind === SessionKind::Sport) {
                $minutes += $session->minutes ?? 0;
                $load += ($session->minutes ?? 0) * ($session->effort ?? 0);
            }
        }

        return self::ofSum($sum, $minutes, $load, $count);
    }

    /**
     * @return array<string, int|float|null> percent, null where there was nothing to compare with
     */
    public function changeSince(self $last): array
    {
        $change = [];
        $figures = $last->figures();
        foreach ($this->figures() as $what => $amount) {
            $before = $figures[$what];
            $change[$what] = $before == 0 ? null : Number::tenth((100 * ($amount - $before)) / $before);
        }

        return $change;
    }

    /** @return array<string, int|float> */
    public function toArray(): array
    {
        return array_map(Number::tenth(...), $this->figures());
    }

    /** @return array{isometric_s: int|float, moving_s: int|float, volume_load_kg: int|float, contacts: int|float, sport_min: int|float, sport_load: int|float, sessions: int} */
    private function figures(): array
    {
        return [
            'isometric_s' => $this->isometric_s,
            'moving_s' => $this->moving_s,
            'volume_load_kg' => $this->volume_load_kg,
            'contacts' => $this->contacts,
            'sport_min' => $this->sport_min,
            'sport_load' => $this->sport_load,
            'sessions' => $this->sessions,
        ];
    }

    /** @return array{isometric_s?: int|float, moving_s?: int|float, volume_load_kg?: int|float, contacts?: int|float} */
    private static function ofSet(LoggedSet $set, Prescription $prescription, int|float|null $bodyMassKg): array
    {
        $mode = $prescription->mode;
        $reps = $set->countedReps($mode);
        if ($mode === Mode::Isometric) {
            return ['isometric_s' => ($set->hold_s ?? 0) * $reps];
        }
        if ($mode === Mode::Plyometric) {
            return ['contacts' => $reps * ($prescription->dose->contacts_per_rep ?? 1)];
        }
        if (!$mode->isMoving()) {
            return [];
        }

        return [
            'moving_s' => $reps * ($prescription->dose->tempo?->repSeconds() ?? 0),
            'volume_load_kg' => $reps * (($set->load_kg ?? 0) + $prescription->dose->bodyLoad($bodyMassKg)),
        ];
    }
}
