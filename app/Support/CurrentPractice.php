<?php

declare(strict_types=1);

namespace App\Support;

use Carbon\CarbonImmutable;
use Illuminate\Database\Connection;
use PDO;

/**
 * The practice whose rows this request, job or command works on. Models see the rows of this practice alone, and the
 * database is told of it too, which refuses all others by itself (docs/architecture.md, "Practices apart"). As long as
 * no practice is known there are no rows.
 */
final class CurrentPractice
{
    private const EVERY = '*';

    private const NONE = '';

    private string $wanted = self::NONE;

    /** Whose cases are seen; where nobody is named, all of the practice. */
    private string $viewer = '';

    /** What the database was told last; null where that is not known. */
    private ?string $told = null;

    private bool $telling = false;

    public function id(): ?string
    {
        return in_array($this->wanted, [self::NONE, self::EVERY], true) ? null : $this->wanted;
    }

    public function isEvery(): bool
    {
        return $this->wanted === self::EVERY;
    }

    /** @param string $viewer the person whose cases are seen; '' for all of the practice */
    public function enter(string $practiceId, string $viewer = ''): void
    {
        $this->wanted = $practiceId;
        $this->viewer = $viewer;
    }

    public function leave(): void
    {
        $this->enter(self::NONE);
    }

    /** From here on rows of every practice are seen: for tests, which look at what was stored from outside. */
    public function enterEvery(): void
    {
        $this->enter(self::EVERY);
    }

    /**
     * Works for one practice, as jobs and commands do.
     *
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public function during(string $practiceId, callable $work): mixed
    {
        return $this->with($practiceId, $work);
    }

    /**
     * Looks across practices: where nobody is known yet (signing in by an address, an invitation by its token), or for
     * a name that must be free everywhere. The work is one look-up, and nothing of it is shown.
     *
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public function across(callable $work): mixed
    {
        return $this->with(self::EVERY, $work);
    }

    /**
     * Works on every case of the practice, whoever is signed in: a case is handed over to a colleague, or it is asked
     * whether an athlete is treated by somebody else.
     *
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    public function onEveryCase(callable $work): mixed
    {
        return $this->with($this->wanted, $work);
    }

    /** Tells the database before a statement runs, if it does not know yet. A connection that is made here knows. */
    public function tell(Connection $connection): void
    {
        if ($this->telling) {
            return;
        }
        $connection->getPdo();
        $statement = $this->statement();
        if ($this->told === $statement) {
            return;
        }
        $this->telling = true;
        try {
            $connection->unprepared($statement);
            $this->told = $statement;
        } finally {
            $this->telling = false;
        }
    }

    /** Tells a connection that has just been made, or taken up again from an earlier request. */
    public function tellNew(PDO $pdo): void
    {
        $this->told = $this->statement();
        $pdo->exec($this->told);
    }

    /** A transaction that was rolled back has taken back what the database was told in it. */
    public function forget(): void
    {
        $this->told = null;
    }

    private function statement(): string
    {
        $clean = static fn(string $id): string => (string) preg_replace('/[^0-9a-f*-]/', '', $id);
        [$practice, $viewer] = [$clean($this->wanted), $clean($this->viewer)];
        $today = $viewer === '' ? '' : CarbonImmutable::now()->toDateString();

        return "select set_config('rung.practice', '$practice', false), set_config('rung.viewer', '$viewer', false), set_config('rung.today', '$today', false)";
    }

    /**
     * @template T
     *
     * @param callable(): T $work
     *
     * @return T
     */
    private function with(string $wanted, callable $work): mixed
    {
        $before = [$this->wanted, $this->viewer];
        $this->enter($wanted);
        try {
            return $work();
        } finally {
            $this->enter(...$before);
        }
    }
}
