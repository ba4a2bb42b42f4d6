<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\Email;
use App\Models\Athlete;
use App\Models\Role;
use App\Models\User;
use App\Support\CurrentPractice;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Input\InvalidInput;

/** Finds the athlete of an opening, or adds one who can sign in. Runs inside the opening's transaction. */
final class AddAthlete
{
    /**
     * @return array{Athlete, string|null} with the first password of somebody new, to be handed over; only its hash is kept
     *
     * @throws InvalidInput
     */
    public static function of(AthleteEntry $entry, User $by): array
    {
        if ($entry->id !== null) {
            $athlete = Str::isUuid($entry->id) ? Athlete::query()->find($entry->id) : null;
            if ($athlete === null) {
                throw InvalidInput::at('/athlete/id', 'must be an athlete of this practice');
            }
            if ($entry->bodyMassKg !== null) {
                $athlete->update(['body_mass_kg' => $entry->bodyMassKg]);
            }

            return [$athlete, null];
        }
        $email = Email::folded($entry->email);
        // Whoever adds the same address at the same moment waits here until the first has done so.
        DB::statement('select pg_advisory_xact_lock(hashtext(?))', ["address $email"]);
        if (app(CurrentPractice::class)->across(static fn(): bool => User::query()->where('email', $email)->exists())) {
            throw InvalidInput::at('/athlete/email', 'is used to sign in already; use another');
        }
        $password = implode('-', str_split(Str::lower(Str::random(12)), 4));
        $athlete = Athlete::query()->create([
            'practice_id' => $by->practice_id,
            'name' => $entry->name,
            'act' => $entry->act,
            'body_mass_kg' => $entry->bodyMassKg,
        ]);
        User::query()->create([
            'practice_id' => $by->practice_id,
            'athlete_id' => $athlete->id,
            'name' => $entry->name,
            'email' => $email,
            'password' => $password,
            'role' => Role::Athlete,
        ]);

        return [$athlete, $password];
    }
}
