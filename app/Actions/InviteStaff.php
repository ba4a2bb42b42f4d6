<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\SignInTries;
use App\Mail\Invited;
use App\Models\AccessKind;
use App\Models\Account;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

/**
 * Invites somebody to work in a practice, by mail and by a link to hand over. Whoever has an account elsewhere comes in
 * with its password; all others set one.
 */
final class InviteStaff
{
    private const VALID_DAYS = 7;

    /**
     * @return array{User, string} the person, and the link, shown once
     *
     * @throws ValidationException where the address has a place in the practice already
     */
    public function handle(StaffEntry $entry, User $by): array
    {
        return DB::transaction(function () use ($entry, $by): array {
            DB::statement('select pg_advisory_xact_lock(hashtext(?))', ["address $entry->email"]);
            $account = Account::findByEmail($entry->email);
            $here = $account === null ? null : User::query()->where('account_id', $account->id)->first();
            if ($here !== null && $here->left_at === null) {
                throw ValidationException::withMessages([
                    'email' => "$here->name has this address in your practice already.",
                ]);
            }
            if ($here !== null && !$here->role->isStaff()) {
                throw ValidationException::withMessages([
                    'email' => 'An athlete of your practice signs in with this address. Use another.',
                ]);
            }
            $account ??= Account::open($entry->email, Str::random(40));
            $user = $here ?? new User(['practice_id' => $by->practice_id, 'account_id' => $account->id]);
            $user
                ->forceFill([
                    'name' => $entry->name,
                    'role' => $entry->role,
                    'left_at' => null,
                    'suspended_at' => null,
                    'signed_in_at' => null,
                ])
                ->save();
            AccessLog::note($by, AccessKind::People, "invited $entry->name as " . lcfirst($entry->role->title()));

            return [$user, $this->again($user, $by)];
        });
    }

    /** @return string a new link; an older one that was not used yet gives way */
    public function again(User $user, User $by): string
    {
        $token = Invitation::code();
        InviteAthlete::withdraw($user);
        SignInTries::clear("sign-in-of:$user->email", "sign-in-known:$user->email");
        Invitation::query()->create([
            'practice_id' => $user->practice_id,
            'user_id' => $user->id,
            'invited_by' => $by->id,
            'token_hash' => Invitation::hash($token),
            'created_at' => CarbonImmutable::now()->utc(),
            'expires_at' => CarbonImmutable::now()->utc()->addDays(self::VALID_DAYS),
        ]);
        // After the #, so that it is never sent to a server nor written into a log.
        $link = "/join#$token";
        Mail::to($user->email)->send(new Invited($user, $by->name, $link));

        return $link;
    }
}
