<?php

declare(strict_types=1);

namespace App\Support;

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

    public function enter(string $practiceId): void
    {
        $this->wanted = $practiceId;
    }

    public function leave(): void
    {
        $this->wanted = self::NONE;
    }

    /** From here on rows of every practice are seen: for tests, which look at what was stored from outside. */
    public function enterEvery(): void
    {
        $this->wanted = self::EVERY;
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

    /** Tells the database before a statement runs, if it does not know yet. A connection that is made here knows. */
    public function tell(Connection $connection): void
    {
        if ($this->telling) {
            return;
        }
        $connection->getPdo();
        if ($this->told === $this->wanted) {
            return;
        }
        $this->telling = true;
        try {
            $connection->unprepared($this->statement());
            $this->told = $this->wanted;
        } finally {
            $this->telling = false;
        }
    }

    /** Tells a connection that has just been made, or taken up again from an earlier request. */
    public function tellNew(PDO $pdo): void
    {
        $pdo->exec($this->statement());
        $this->told = $this->wanted;
    }

    /** A transaction that was rolled back has taken back what the database was told in it. */
    public function forget(): void
    {
        $this->told = null;
    }

    private function statement(): string
    {
        $practice = preg_replace('/[^0-9a-f*-]/', '', $this->wanted);

        return "select set_config('rung.practice', '$practice', false)";
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
        $before = $this->wanted;
        $this->wanted = $wanted;
        try {
            return $work();
        } finally {
            $this->wanted = $before;
        }
    }
}
