<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/** Ends every sign-in of a person in this practice, on every phone: what a phone holds that was not sent waits there for the next sign-in. */
final class CloseAccess
{
    /** @param bool $forGood whether the password goes too, so that a new invitation is needed; an account that has a place in other practices keeps it */
    public static function close(User $user, bool $forGood): void
    {
        DB::transaction(static function () use ($user, $forGood): void {
            $user->account
                ->forceFill(
                    ['remember_token' => Str::random(60)] +
                        ($forGood && $user->account->isOfOnePractice() ? ['password' => Str::random(40)] : []),
                )
                ->save();
            $user->forceFill(['calendar_hash' => null])->save();
            DB::table('sessions')->where('user_id', $user->id)->delete();
            // A lost phone gets no more reminders.
            DB::table('push_phones')->where('user_id', $user->id)->delete();
            if ($forGood) {
                InviteAthlete::withdraw($user);
            }
        });
    }
}
