<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\PlanSessions;
use App\Actions\RefreshStanding;
use App\Models\CareCase;
use App\Models\Practice;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Time alone changes how a case stands: an answer does not come, a week passes. Cases that nobody
 * wrote to for an hour are looked at again, and calendars that run short are filled.
 */
final class RefreshStandings extends Command
{
    protected $signature = 'rung:standings {--all : whatever their age} {--new : only those never looked at, or not since an upgrade}';

    protected $description = 'Refresh the standing of cases that nobody wrote to for an hour';

    public function handle(RefreshStanding $standing, CurrentPractice $practice): int
    {
        $refreshed = 0;
        foreach ($practice->across(static fn(): array => Practice::query()->pluck('id')->all()) as $id) {
            $refreshed += is_string($id) ? $practice->during($id, fn(): int => $this->refresh($standing)) : 0;
        }
        $this->info("$refreshed cases looked at again");

        return self::SUCCESS;
    }

    /** @return int how many cases of the current practice were looked at */
    private function refresh(RefreshStanding $standing): int
    {
        $query = CareCase::query()->where(
            static fn($round) => $round
                ->whereNull('closed_on')
                ->orWhere('stopped_after_close', true)
                ->orWhereNull('evaluated_at'),
        );
        if ($this->option('new') === true) {
            $query->whereNull('evaluated_at');
        } elseif ($this->option('all') !== true) {
            $query->where(
                static fn($old) => $old
                    ->whereNull('evaluated_at')
                    ->orWhere('evaluated_at', '<', CarbonImmutable::now()->utc()->subHour()),
            );
        }
        $refreshed = 0;
        foreach ($query->pluck('id')->all() as $id) {
            DB::transaction(static function () use ($id, $standing): void {
                $case = CareCase::query()->whereKey($id)->lockForUpdate()->firstOrFail();
                if ($case->closed_on === null && PlanSessions::runsShort($case)) {
                    PlanSessions::ahead($case);
                }
                $standing->refresh($case, written: false);
            });
            $refreshed++;
        }

        return $refreshed;
    }
}
