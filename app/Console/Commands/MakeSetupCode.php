<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Access\SetupCode;
use Illuminate\Console\Command;

/** Prints the code with which the first owner makes the first practice; nothing where there is one. */
final class MakeSetupCode extends Command
{
    protected $signature = 'rung:setup-code';

    protected $description = 'Make the code for the first owner of an empty installation';

    public function handle(SetupCode $code): int
    {
        $made = $code->make();
        if ($made !== null) {
            $this->line($made);
        }

        return self::SUCCESS;
    }
}
