<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Models\Athlete;
use App\Models\Role;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Rung\Core\Dose\DoseArithmetic;

/** The practice's athletes. */
final class AthleteController extends Controller
{
    public function store(Request $request): JsonResponse
    {
        [$min, $max] = [DoseArithmetic::MIN_BODY_MASS_KG, DoseArithmetic::MAX_BODY_MASS_KG];
        $fields = $request->validate([
            'name' => ['required', 'string', 'max:120'],
            'act' => ['nullable', 'string', 'max:120'],
            'body_mass_kg' => ['required', 'numeric', "between:$min,$max"],
            'email' => ['required', 'email', 'max:190', 'unique:users,email'],
        ], [
            'name.required' => 'A name is needed.',
            'body_mass_kg.required' => 'Body mass is needed: some exercises lift a part of it.',
            'body_mass_kg.numeric' => 'Body mass must be a number of kilograms.',
            'body_mass_kg.between' => "Body mass must be from $min to $max kg.",
            'email.required' => 'An e-mail address is needed, so that the athlete can sign in.',
            'email.email' => 'This is no e-mail address.',
            'email.unique' => 'Somebody signs in with this address already. Use another.',
        ]);
        $by = self::person($request);
        // Shown once, to be handed over; only its hash is kept.
        $password = implode('-', str_split(Str::lower(Str::random(12)), 4));
        $athlete = DB::transaction(static function () use ($fields, $by, $password): Athlete {
            $athlete = Athlete::query()->create([
                'practice_id' => $by->practice_id,
                'name' => $fields['name'],
                'act' => $fields['act'] ?? null,
                'body_mass_kg' => $fields['body_mass_kg'],
            ]);
            User::query()->create([
                'practice_id' => $by->practice_id,
                'athlete_id' => $athlete->id,
                'name' => $fields['name'],
                'email' => $fields['email'],
                'password' => $password,
                'role' => Role::Athlete,
            ]);

            return $athlete;
        });

        assert($athlete instanceof Athlete);

        return new JsonResponse(['id' => $athlete->id, 'name' => $athlete->name, 'password' => $password], 201);
    }
}
