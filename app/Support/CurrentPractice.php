<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\User;
use Illuminate\Database\Connection;
use PDO;

/**
 * The practice whose rows this request, job or command works on. Models see the rows of this practice alone, and the
 * database knows it too and refuses all others by itself (docs/architecture.md, "Practices apart"). As long as
 * no practice is known there are no rows.
 */
final class CurrentPractice
{
    private const EVERY = '*';

    private const NONE = '';

    private string $wanted = self::NONE;

    /** Which cases are seen by whoever looks; where nobody is named, every one of the practice. */
    private ?Sight $sees = null;

    /** The practice that the database knows; null where that is uncertain. */
    private ?string $announced = null;

    private bool $announcing = false;

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
        $this->sees = Sight::forUser($user);
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

    /** Sets the practice on a connection before a statement runs, where it is not set yet. A new connection has it already. */
    public function announce(Connection $connection): void
    {
        if ($this->announcing) {
            return;
        }
        $connection->getPdo();
        $statement = $this->statement();
        if ($this->announced === $statement) {
            return;
        }
        $this->announcing = true;
        try {
            $connection->unprepared($statement);
            $this->announced = $statement;
        } finally {
            $this->announcing = false;
        }
    }

    /** Sets the practice on a connection that was just made or is used again from an earlier request. */
    public function announceTo(PDO $pdo): void
    {
        $this->announced = $this->statement();
        $pdo->exec($this->announced);
    }

    /** A transaction that was rolled back has also undone what was set in it. */
    public function forget(): void
    {
        $this->announced = null;
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
