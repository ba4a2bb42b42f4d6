<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Models\Practice;
use App\Support\AccessChain;
use App\Support\CurrentPractice;
use Illuminate\Console\Command;

/** Checks the record of who saw what: whether a line was changed or taken away. */
final class CheckAccessLog extends Command
{
    protected $signature = 'rung:check-log {--newest= : NUMBER:HASH that was written down earlier, and must still be there}';

    protected $description = 'Check that no line of the record of who saw what was changed or taken away';

    public function handle(AccessChain $chain, CurrentPractice $current): int
    {
        $sound = true;
        $kept = is_string($this->option('newest')) ? explode(':', $this->option('newest'), 2) : [];
        $isThere = $kept === [];
        foreach (
            $current->across(static fn(): array => Practice::query()->orderBy('name')->get()->all())
            as $practice
        ) {
            $current->during($practice->id, function () use ($chain, $practice, $kept, &$sound, &$isThere): void {
                $newest = $chain->newest($practice->id);
                $isThere = $isThere || $chain->holds($practice->id, (int) $kept[0], $kept[1] ?? '');
                foreach ($chain->faults($practice->id) as $fault) {
                    $this->error("$practice->name: $fault");
                    $sound = false;
                }
                $this->line(
                    "$practice->name: " .
                        ($newest === null
                            ? 'nothing written yet'
                            : "{$newest['number']} lines, the newest link is {$newest['number']}:{$newest['hash']}"),
                );
            });
        }
        if (!$isThere) {
            $this->error(
                'The link that was written down is not there: lines were taken from the end, or a backup of before was restored.',
            );
            $sound = false;
        }

        return $sound ? self::SUCCESS : self::FAILURE;
    }
}
