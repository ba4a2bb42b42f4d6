<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Support\Health;
use Illuminate\Console\Command;

/** Says what is wrong with the installation, and how to mend it. */
final class Doctor extends Command
{
    protected $signature = 'rung:doctor';

    protected $description = 'Say what is wrong with the installation, and how to mend it';

    public function handle(Health $health): int
    {
        $wrong = 0;
        foreach ($health->findings() as $finding) {
            if ($finding['problem'] === null) {
                $this->line("  well   {$finding['what']}");
                continue;
            }
            $wrong++;
            $this->line("  WRONG  {$finding['what']}: {$finding['problem']}");
            $this->line("         {$finding['remedy']}");
        }

        return $wrong === 0 ? self::SUCCESS : self::FAILURE;
    }
}
