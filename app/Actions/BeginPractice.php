<?php

declare(strict_types=1);

namespace App\Actions;

use App\Access\Email;
use App\Access\Secret;
use App\Access\SetupCode;
use App\Models\AccessKind;
use App\Models\Account;
use App\Models\Practice;
use App\Models\Role;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Makes the first practice of an installation and its owner, who is asked for a second factor at once. */
final class BeginPractice
{
    public function __construct(private readonly CurrentPractice $practice, private readonly SetupCode $code) {}

    /** @throws ValidationException where the password is not good enough, or somebody was faster */
    public function handle(string $practice, string $zone, string $name, string $email, string $password): User
    {
        return DB::transaction(function () use ($practice, $zone, $name, $email, $password): User {
            // Two who have the code at the same moment make one practice.
            DB::statement("select pg_advisory_xact_lock(hashtext('first practice'))");
            if (!$this->code->isWanted()) {
                throw ValidationException::withMessages([
                    'code' => 'There is a practice already. Ask its owner for an invitation.',
                ]);
            }
            $made = $this->practice->across(
                static fn(): Practice => Practice::query()->create([
                    'name' => $practice,
                    'timezone' => $zone,
                    'second_factor_needed' => true,
                ]),
            );
            $account = Account::open(Email::folded($email), $password);
            $this->practice->enter($made->id);
            $owner = new User([
                'practice_id' => $made->id,
                'account_id' => $account->id,
                'name' => $name,
                'role' => Role::Owner,
            ]);
            $owner->setRelation('account', $account);
            $fault = Secret::fault($password, $owner);
            if ($fault !== null) {
                throw ValidationException::withMessages(['password' => $fault]);
            }
            $owner->forceFill(['signed_in_at' => CarbonImmutable::now()->utc()])->save();
            AccessLog::note($owner, AccessKind::People, "began the practice $practice");
            $this->code->forget();

            return $owner;
        });
    }
}
