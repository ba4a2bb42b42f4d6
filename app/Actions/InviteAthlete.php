<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\SignInTries;
use App\Models\CareCase;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;

/**
 * Makes the link that a practitioner hands over. An older one that was not used yet gives way, every sign-in of the
 * athlete ends, and so does the waiting after wrong tries.
 */
final class InviteAthlete
{
    private const VALID_DAYS = 7;

    /** @return string the token, shown once; only its hash is kept */
    public function handle(CareCase $case, User $by): string
    {
        $user = User::query()->where('athlete_id', $case->athlete_id)->firstOrFail();
        $token = Invitation::code();
        DB::transaction(static fn() => self::invite($case, $by, $user, $token));

        return $token;
    }

    private static function invite(CareCase $case, User $by, User $user, string $token): void
    {
        self::withdraw($user);
        CloseAccess::close($user, false);
        SignInTries::clear("sign-in-of:$user->email", "sign-in-known:$user->email");
        Invitation::query()->create([
            'practice_id' => $case->practice_id,
            'user_id' => $user->id,
            'invited_by' => $by->id,
            'token_hash' => Invitation::hash($token),
            'created_at' => CarbonImmutable::now()->utc(),
            'expires_at' => CarbonImmutable::now()->utc()->addDays(self::VALID_DAYS),
        ]);
        AccessLog::changed($by, $case, 'invited the athlete');
    }

    public static function withdraw(User $user): void
    {
        Invitation::query()
            ->where('user_id', $user->id)
            ->whereNull('used_at')
            ->whereNull('withdrawn_at')
            ->update(['withdrawn_at' => CarbonImmutable::now()->utc()]);
    }
}
