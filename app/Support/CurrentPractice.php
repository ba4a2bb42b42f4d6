<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
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

    /** Which cases are seen by whoever looks; where nobody is named, every one of the practice. */
    private ?Sight $sees = null;

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
        [$this->wanted, $this->sees] = [$practiceId, null];
    }

    /** From here on somebody looks, and sees the cases that are theirs to see. */
    public function enterAs(User $user): void
    {
        $this->enter($user->practice_id);
        $this->sees = Sight::of($user);
    }

    /** Whether all of the practice is seen, but for what is set aside. */
    public function seesAll(): bool
    {
        return $this->sees?->people === null;
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
        $practice = self::clean($this->wanted);
        $sees = $this->sees->name ?? '';
        [$people, $cases] = [self::ids($this->sees->people ?? []), self::ids($this->sees->cases ?? [])];

        return "select set_config('rung.practice', '$practice', false), set_config('rung.sees', '$sees', false), set_config('rung.people', '{$people}', false), set_config('rung.cases', '{$cases}', false)";
    }

    /** @param list<string> $ids */
    private static function ids(array $ids): string
    {
        return '{' . implode(',', array_map(self::clean(...), $ids)) . '}';
    }

    private static function clean(string $id): string
    {
        return (string) preg_replace('/[^0-9a-f*-]/', '', $id);
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
        $before = [$this->wanted, $this->sees];
        $this->enter($wanted);
        try {
            return $work();
        } finally {
            [$this->wanted, $this->sees] = $before;
        }
    }
}
