<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\Invitation;
use App\Models\User;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Support\Str;

/** Makes the link that a practitioner hands over. An older one that was not used yet gives way. */
final class InviteAthlete
{
    private const VALID_DAYS = 7;

    /** @return string the token, told once; only its hash is kept */
    public function handle(CareCase $case, User $by): string
    {
        $user = User::query()->where('athlete_id', $case->athlete_id)->firstOrFail();
        self::withdraw($user);
        $token = Str::random(40);
        Invitation::query()->create([
            'practice_id' => $case->practice_id,
            'user_id' => $user->id,
            'invited_by' => $by->id,
            'token_hash' => Invitation::hash($token),
            'created_at' => CarbonImmutable::now()->utc(),
            'expires_at' => CarbonImmutable::now()->utc()->addDays(self::VALID_DAYS),
        ]);
        AccessLog::changed($by, $case, 'invited the athlete');

        return $token;
    }

    public static function withdraw(User $user): void
    {
        Invitation::query()->where('user_id', $user->id)->whereNull('used_at')->whereNull('withdrawn_at')->update(['withdrawn_at' => CarbonImmutable::now()->utc()]);
    }
}
