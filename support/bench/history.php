<?php

declare(strict_types=1);

// ./rung bench: how long the rows of the longest case take to be loaded and evaluated, beside reading it as a file.

use App\Care\CaseHistory;
use App\Models\CareCase;
use App\Models\Practice;
use App\Support\Clock;
use App\Support\CurrentPractice;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Support\Facades\DB;
use Rung\Core\CaseFile\CaseFile;
use Rung\Core\Evaluation\Evaluator;

require __DIR__ . '/../../vendor/autoload.php';
$app = require __DIR__ . '/../../bootstrap/app.php';
$app->make(Kernel::class)->bootstrap();

/** @return float median in milliseconds */
function median(callable $work, int $runs = 40): float
{
    $times = [];
    for ($i = 0; $i < $runs + 3; $i++) {
        $begin = hrtime(true);
        $work();
        $times[] = (hrtime(true) - $begin) / 1e6;
    }
    $times = array_slice($times, 3);
    sort($times);

    return $times[intdiv($runs, 2)];
}

$practices = app(CurrentPractice::class);
$practice = $practices->across(static fn(): Practice => Practice::query()->firstOrFail());
$practices->during($practice->id, static function () use ($practice): void {
    $longest = DB::table('training_sessions')
        ->selectRaw('case_id, count(*) as n')
        ->groupBy('case_id')
        ->orderByDesc('n')
        ->first();
    $id = $longest->case_id;
    $load = static fn(): CaseFile => CaseHistory::load(CareCase::query()->findOrFail($id));
    $file = $load();
    $json = (string) json_encode($file->toArray());
    $at = Clock::now($practice->timezone);
    $loaded = median(static fn() => $load());
    $evaluated = median(static fn() => Evaluator::evaluate($file, $at));
    $whole = median(static fn() => Evaluator::evaluate($load(), $at));
    $read = median(static fn() => Evaluator::evaluate(CaseFile::fromJson($json), $at));
    printf(
        "history of %d sessions and %d mornings: load %.1f ms, evaluate %.1f ms, both %.1f ms median; from a file %.1f ms; loading to reading a file: %.2f times\n",
        count($file->sessions),
        count($file->check_ins),
        $loaded,
        $evaluated,
        $whole,
        $read,
        $whole / $read,
    );
});
