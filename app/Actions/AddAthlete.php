<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\Email;
use App\Models\Account;
use App\Models\Athlete;
use App\Models\Role;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Input\InvalidInput;

/** Finds the athlete of a new case, or adds one who can sign in. Runs inside the transaction that makes the case. */
final class AddAthlete
{
    /**
     * @return array{Athlete, array{name: string, password: string}|null} with what somebody new signs in with, to be handed over; of the password only its hash is kept
     *
     * @throws InvalidInput
     */
    public static function add(AthleteEntry $entry, User $by): array
    {
        if ($entry->id !== null) {
            $athlete = Str::isUuid($entry->id) ? Athlete::query()->find($entry->id) : null;
            if ($athlete === null) {
                throw InvalidInput::at('/athlete/id', 'must be an athlete of this practice');
            }
            if ($athlete->restricted_at !== null) {
                throw InvalidInput::at(
                    '/athlete/id',
                    'names somebody whose record is set aside: nothing new is begun until it is settled',
                );
            }
            $athlete->update(
                array_filter(
                    ['body_mass_kg' => $entry->bodyMassKg, 'born_on' => $entry->bornOn?->toIso()],
                    static fn(mixed $value): bool => $value !== null,
                ),
            );

            return [$athlete, null];
        }
        $email = $entry->email === '' ? self::freeName($entry->name) : Email::folded($entry->email);
        // Whoever adds the same address at the same moment waits here until the first has done so.
        DB::statement('select pg_advisory_xact_lock(hashtext(?))', ["address $email"]);
        if (self::isTaken($email)) {
            throw InvalidInput::at('/athlete/email', 'is used to sign in already; use another');
        }
        $password = implode('-', str_split(Str::lower(Str::random(12)), 4));
        $athlete = Athlete::query()->create([
            'practice_id' => $by->practice_id,
            'name' => $entry->name,
            'act' => $entry->act,
            'body_mass_kg' => $entry->bodyMassKg,
            'born_on' => $entry->bornOn?->toIso(),
        ]);
        User::query()->create([
            'practice_id' => $by->practice_id,
            'athlete_id' => $athlete->id,
            'name' => $entry->name,
            'account_id' => Account::open($email, $password)->id,
            'role' => Role::Athlete,
        ]);

        return [$athlete, ['name' => $email, 'password' => $password]];
    }

    /** A name to sign in with that nobody has, in whatever practice. */
    private static function freeName(string $name): string
    {
        do {
            $made = Email::madeFor($name);
        } while (self::isTaken($made));

        return $made;
    }

    private static function isTaken(string $email): bool
    {
        return Account::findByEmail($email) !== null;
    }
}
