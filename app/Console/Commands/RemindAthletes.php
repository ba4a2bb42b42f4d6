<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\RemindPhones;
use App\Models\Practice;
use App\Support\CurrentPractice;
use Illuminate\Console\Command;

/** Run every few minutes: who asked to be reminded, and of what it is time. */
final class RemindAthletes extends Command
{
    protected $signature = 'rung:remind';

    protected $description = 'Remind athletes who asked for it of what is still open today';

    public function handle(RemindPhones $remind, CurrentPractice $practice): int
    {
        $reminded = 0;
        foreach ($practice->across(static fn(): array => Practice::query()->pluck('id')->all()) as $id) {
            $reminded += is_string($id) ? $practice->during($id, $remind->handle(...)) : 0;
        }
        $this->info("$reminded reminders");

        return self::SUCCESS;
    }
}
