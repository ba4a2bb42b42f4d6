<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\CareCase;
use App\Models\User;
use App\Support\AccessLog;
use Illuminate\Support\Facades\DB;

/**
 * Every write to a case goes through here: one transaction that locks the case, writes, records who
 * changed what, and refreshes the standing. Whatever fails, nothing of it stays. A write that answers false changed
 * nothing: nothing is recorded of it, and what people look at stays up to date.
 */
final class WriteCase
{
    public function __construct(private readonly RefreshStanding $standing) {}

    /**
     * @template T
     *
     * @param callable(CareCase): T $write
     *
     * @return T
     */
    public function run(CareCase $case, User $by, string $what, callable $write): mixed
    {
        return DB::transaction(function () use ($case, $by, $what, $write): mixed {
            $locked = CareCase::query()->lockForUpdate()->findOrFail($case->id);
            $result = $write($locked);
            if ($result === false) {
                return $result;
            }
            AccessLog::changed($by, $locked, $what);
            $this->standing->refresh($locked);

            return $result;
        });
    }
}
