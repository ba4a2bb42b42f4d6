<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Practice;
use App\Support\CurrentPractice;
use Database\Seeders\DemoPractice;
use Illuminate\Console\Command;

/** Loads the demo practice; its people sign in with the password of this machine. */
final class LoadDemo extends Command
{
    protected $signature = 'rung:demo {--if-empty : only where there is no practice yet} {--prefix=* : of every mailbox, to load it more than once}';

    protected $description = 'Load the demo practice, Ropewalk Circus School';

    public function handle(DemoPractice $demo, CurrentPractice $practice): int
    {
        if ($this->option('if-empty') === true && $practice->across(static fn(): bool => Practice::query()->exists())) {
            $loaded = $practice->across(static fn() => Practice::query()->where('demo', true)->max('created_at'));
            if (is_string($loaded)) {
                $this->line(
                    'The demo practice was loaded ' .
                        substr($loaded, 0, 10) .
                        '; ./rung demo makes its histories end today and erases what was entered in it.',
                );
            }

            return self::SUCCESS;
        }
        $password = config('app.demo_password');
        if (!is_string($password) || $password === '') {
            $this->error('DEMO_PASSWORD is not set');

            return self::FAILURE;
        }
        $prefixes = (array) $this->option('prefix') ?: [''];
        foreach ($prefixes as $prefix) {
            $cases = $demo->load($password, prefix: (string) $prefix);
            $this->info("demo practice loaded: $cases cases");
        }

        return self::SUCCESS;
    }
}
