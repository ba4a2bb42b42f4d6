<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\CareCase;
use App\Models\Practice;
use Database\Seeders\DemoPractice;
use Illuminate\Console\Command;

/** Loads the demo practice; its people sign in with the password of this machine. */
final class LoadDemo extends Command
{
    protected $signature = 'rung:demo {--if-empty : only where there is no practice yet}';

    protected $description = 'Load the demo practice, Ropewalk Circus School';

    public function handle(DemoPractice $demo): int
    {
        if ($this->option('if-empty') === true && Practice::query()->exists()) {
            $newest = CareCase::query()->max('created_at');
            $this->line('The demo practice was loaded ' . (is_string($newest) ? substr($newest, 0, 10) : 'before')
                . '; ./rung demo makes its histories end today and erases what was entered.');

            return self::SUCCESS;
        }
        $password = config('app.demo_password');
        if (!is_string($password) || $password === '') {
            $this->error('DEMO_PASSWORD is not set');

            return self::FAILURE;
        }
        $cases = $demo->load($password);
        $this->info("demo practice loaded: $cases cases");

        return self::SUCCESS;
    }
}
