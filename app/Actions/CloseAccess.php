<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Ends every sign-in of a person, on every phone: what a phone holds that was not sent waits there for the next sign-in. */
final class CloseAccess
{
    /** @param bool $forGood whether the password goes too, so that a new invitation is needed */
    public static function of(User $user, bool $forGood): void
    {
        DB::transaction(static function () use ($user, $forGood): void {
            $user->setRememberToken(Str::random(60));
            $user->forceFill(['calendar_hash' => null] + ($forGood ? ['password' => Str::random(40)] : []))->save();
            DB::table('sessions')->where('user_id', $user->id)->delete();
            if ($forGood) {
                InviteAthlete::withdraw($user);
            }
        });
    }
}
