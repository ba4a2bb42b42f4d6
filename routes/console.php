<?php

declare(strict_types=1);

use Illuminate\Support\Facades\Schedule;

Schedule::command('rung:standings')->everyFiveMinutes()->withoutOverlapping();
