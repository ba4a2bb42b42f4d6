<?php

declare(strict_types=1);

use App\Access\SignInTries;
use App\Support\Health;
use App\Support\KeptFiles;
use Illuminate\Support\Facades\Schedule;

// A run that was killed holds its lock for ten minutes at most, and none after a start.
Schedule::command('rung:standings')->everyFiveMinutes()->withoutOverlapping(10);
Schedule::command('rung:remind')->everyFiveMinutes()->withoutOverlapping(10);
Schedule::call(static fn() => Health::beat())->everyMinute()->name('say that the scheduler runs');
Schedule::call(static fn(): int => SignInTries::forgetOld())->dailyAt('03:10')->name('forget old tries');
Schedule::call(static fn(): int => app(KeptFiles::class)->forgetOld())->hourly()->name('forget made files');
