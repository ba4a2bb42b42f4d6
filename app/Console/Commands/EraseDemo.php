<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Database\Walls;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Erases the demo practice and nothing else. Runs as the owner of the tables: the application itself can neither change
 * nor erase what is written once.
 */
final class EraseDemo extends Command
{
    protected $signature = 'rung:erase-demo';

    protected $description = 'Erase the demo practice, whole';

    /** Tables of a practice, those that refer to others first. */
    private const TABLES = [
        'pushes',
        'push_phones',
        'access_log_links',
        'access_log',
        'case_shares',
        'covers',
        'consents',
        'erasures',
        'personal_access_tokens',
        'made_files',
        'paper_versions',
        'papers',
        'corrections',
        'curves',
        'messages',
        'invitations',
        'openings',
        'library_items',
        'decisions',
        'dose_changes',
        'reviews',
        'sign_offs',
        'outcomes',
        'tests',
        'check_ins',
        'training_sessions',
        'imports',
        'planned_sessions',
        'stage_entries',
        'plan_versions',
        'cases',
        'users',
        'athletes',
    ];

    public function handle(): int
    {
        DB::transaction(static function (): void {
            $demo = DB::table('practices')->where('demo', true)->pluck('id')->all();
            DB::table('sessions')
                ->whereIn('user_id', DB::table('users')->whereIn('practice_id', $demo)->select('id'))
                ->delete();
            foreach (Walls::APPEND_ONLY as $table) {
                DB::statement("alter table $table disable trigger user");
            }
            $accounts = DB::table('users')->whereIn('practice_id', $demo)->pluck('account_id')->all();
            foreach (self::TABLES as $table) {
                DB::table($table)->whereIn('practice_id', $demo)->delete();
            }
            foreach (Walls::APPEND_ONLY as $table) {
                DB::statement("alter table $table enable trigger user");
            }
            DB::table('accounts')
                ->whereIn('id', $accounts)
                ->whereNotIn('id', DB::table('users')->select('account_id'))
                ->delete();
            DB::table('practices')->whereIn('id', $demo)->delete();
        });
        $this->info('the demo practice was erased');

        return self::SUCCESS;
    }
}
