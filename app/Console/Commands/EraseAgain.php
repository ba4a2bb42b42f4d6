<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Actions\EraseAthlete;
use App\Models\Athlete;
use App\Support\CurrentPractice;
use App\Support\ErasedList;
use Illuminate\Console\Command;

/** After a backup was restored: whoever was erased since is erased again. */
final class EraseAgain extends Command
{
    protected $signature = 'rung:erase-again {--list= : the list that was kept with the backup, beside the one of this installation}';

    protected $description = 'Erase again whoever was erased after a backup was made';

    public function handle(CurrentPractice $practice): int
    {
        $list = $this->option('list');
        $again = 0;
        foreach (
            [...ErasedList::read(ErasedList::path()), ...is_string($list) ? ErasedList::read($list) : []]
            as $erased
        ) {
            $again += $practice->during($erased['practice'], static function () use ($erased): int {
                $athlete = Athlete::query()->whereKey($erased['athlete'])->first();
                if ($athlete === null || $athlete->name === $erased['pseudonym']) {
                    return 0;
                }
                EraseAthlete::apply($athlete->id, $erased['pseudonym']);

                return 1;
            });
        }
        if ($again > 0) {
            $this->info("$again who were erased after this backup was made are erased again");
        }

        return self::SUCCESS;
    }
}
