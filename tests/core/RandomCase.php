<?php

declare(strict_types=1);

namespace Tests\Core;

use Random\Engine\Mt19937;
use Random\Randomizer;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Record\CheckIn;
use Rung\Core\Record\DoseChange;
use Rung\Core\Record\DoseChangeKind;
use Rung\Core\Record\Entry;
use Rung\Core\Record\Review;
use Rung\Core\Record\Session;
use Rung\Core\Record\Sign;
use Rung\Core\Simulation\Temper;
use Rung\Core\Time\Moment;

/** Cases with unruly histories: a simulated athlete's log, shaken. The same seed gives the same case. */
final class RandomCase
{
    private Randomizer $chance;

    /** How much rarer whatever is unruly is; every second case is nearly calm, so that load may grow. */
    private readonly int $calm;

    private function __construct(private readonly int $seed)
    {
        $this->calm = $seed % 2 === 0 ? 15 : 1;
        $this->chance = new Randomizer(new Mt19937($seed * 7919));
    }

    public static function withSeed(int $seed): CaseFile
    {
        /** @var array<int, CaseFile> $made */
        static $made = [];

        return $made[$seed] ??= (new self($seed))->make();
    }

    private function make(): CaseFile
    {
        $temper = new Temper(
            capacity: 0.5 + $this->upTo(60) / 100,
            irritability: 0.3 + $this->upTo(120) / (100 * sqrt($this->calm)),
            soreness: $this->upTo(60) / 10,
            noise: $this->upTo(12) / (10 * sqrt($this->calm)),
            diligence: 1 - $this->upTo(60) / (100 * $this->calm),
            candour: 1 - $this->upTo(60) / (100 * $this->calm),
        );
        $stage = ['holds', 'slow', 'springs'][$this->upTo(2)];
        $file = Support::played($this->seed, 6 + $this->upTo(50), $stage, $temper)->file;
        $school = array_values(Support::catalogue()->schools)[$this->upTo(8)];

        return $file->underRule($school->rule)->with([
            'sessions' => array_map($this->shaken(...), $file->sessions),
            'check_ins' => array_map($this->moved(...), $file->check_ins),
            'dose_changes' => [...$file->dose_changes, ...$this->changes($file)],
            'reviews' => $this->reviews($file),
        ]);
    }

    private function shaken(Session $session): Session
    {
        $entries = array_map(
            fn(Entry $entry): Entry => new Entry(
                $entry->prescription,
                $this->oneIn(8) ? [] : $entry->sets,
                $this->oneIn(12) ? null : ($this->oneIn(10) ? $this->upTo(10) : $entry->pain),
                $this->oneIn(9) ? $this->upTo(5) : null,
                $this->oneIn(9) ? $this->upTo(5) : null,
            ),
            $session->entries,
        );

        return new Session(
            $session->id,
            $session->stage,
            $session->kind,
            $session->started_at,
            $session->ended_at,
            $entries,
            $session->planned,
            $session->participation,
            $session->minutes,
            $session->effort,
            $this->oneIn(6) ? $this->upTo(3000) : $session->settled_min,
            $this->oneIn(40) ? [Sign::cases()[$this->upTo(9)]] : null,
        );
    }

    private function moved(CheckIn $checkIn): CheckIn
    {
        $hours = $this->oneIn(5) ? $this->upTo(20) : 0;

        return new CheckIn(
            $checkIn->id,
            Moment::fromDateTime($checkIn->at->toDateTime()->modify("+$hours hours")),
            $this->oneIn(9) ? null : ($this->oneIn(9) ? $this->upTo(10) : $checkIn->provocation),
            $this->oneIn(4) ? null : $checkIn->stiffness_min,
            $this->oneIn(30) ? [Sign::cases()[$this->upTo(9)]] : null,
        );
    }

    /** @return list<DoseChange> */
    private function changes(CaseFile $file): array
    {
        $changes = [];
        for ($i = $this->seed % 2 === 0 ? 0 : $this->upTo(3); $i > 0; $i--) {
            $at = Moment::fromDateTime(
                (new \DateTimeImmutable(Support::NOW))->modify('-' . $this->upTo(500) . ' hours'),
            );
            $keys = array_keys($file->prescriptions());
            $changes[] = new DoseChange(
                $at,
                DoseChangeKind::cases()[$this->upTo(4)],
                $this->oneIn(3) ? null : $keys[$this->upTo(count($keys) - 1)],
            );
        }

        return $changes;
    }

    /** @return list<Review> */
    private function reviews(CaseFile $file): array
    {
        $reviews = [];
        foreach ([...$file->sessions, ...$file->check_ins] as $record) {
            if ($this->oneIn(2)) {
                $at = $record instanceof Session ? $record->ended_at : $record->at;
                $reviews[] = new Review(
                    Moment::fromDateTime($at->toDateTime()->modify('+' . $this->upTo(60) . ' hours')),
                    $record->id,
                );
            }
        }

        return $reviews;
    }

    /** @phpstan-impure */
    private function upTo(int $most): int
    {
        return $this->chance->getInt(0, $most);
    }

    /** @phpstan-impure */
    private function oneIn(int $many): bool
    {
        return $this->chance->getInt(1, $many * $this->calm) === 1;
    }
}
