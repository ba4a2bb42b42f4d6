<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Opening;
use App\Models\User;
use App\Support\ReferralLetter;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\InvalidInput;

/** Ends an opening with a letter: somebody else is to see the athlete first, and nothing is loaded. */
final class ReferInstead
{
    /**
     * @return array{to: string, letter: string} as it is kept with the opening
     *
     * @throws InvalidInput
     */
    public function handle(Opening $opening, User $by, string $to, string $why, Catalogue $catalogue): array
    {
        return DB::transaction(static function () use ($opening, $by, $to, $why, $catalogue): array {
            $locked = Opening::query()->lockForUpdate()->findOrFail($opening->id);
            if ($locked->case_id !== null) {
                throw InvalidInput::at('/opening', 'became a case already; close that case with a referral instead');
            }
            $referral = ['to' => $to, 'letter' => ReferralLetter::write($locked, $by, $to, $why, $catalogue)];
            $locked->update(['referred_at' => CarbonImmutable::now(), 'referral' => $referral]);

            return $referral;
        });
    }
}
