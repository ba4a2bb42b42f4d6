<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\FileKind;
use App\Models\FileState;
use App\Models\MadeFile;
use App\Papers\PaperFile;
use App\Support\AthleteArchive;
use App\Support\CurrentPractice;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\Storage;
use Throwable;

/** Makes a file that was asked for. It holds ids alone, so that nothing of a record stands in the queue. */
final class MakeFile implements ShouldQueue
{
    use Queueable;

    /** A worker that was killed leaves it half done: it is started over, and given up after the third time. */
    public int $tries = 3;

    /** Seconds; config/queue.php waits longer before it takes a job for lost. */
    public int $timeout = 600;

    public function __construct(private readonly string $practice, private readonly string $file) {}

    public function handle(CurrentPractice $practice, PaperFile $papers, AthleteArchive $archive): void
    {
        $practice->during($this->practice, function () use ($papers, $archive): void {
            // What was cancelled while it waited is not begun.
            $begun = MadeFile::query()
                ->whereKey($this->file)
                ->whereIn('state', [FileState::Waiting, FileState::Making])
                ->update(['state' => FileState::Making, 'done' => 0]);
            $file = $begun === 1 ? MadeFile::query()->find($this->file) : null;
            if ($file === null) {
                return;
            }
            $bytes = match ($file->kind) {
                FileKind::Paper => $papers->bytes($file),
                FileKind::Athlete => $archive->bytes($file),
            };
            // Whoever cancelled it meanwhile finds nothing.
            if ($bytes === null) {
                return;
            }
            Storage::put($file->path(), $bytes);
            MadeFile::query()
                ->whereKey($file->id)
                ->where('state', FileState::Making)
                ->update([
                    'state' => FileState::Ready,
                    'done' => $file->steps,
                    'bytes' => strlen($bytes),
                    'finished_at' => CarbonImmutable::now(),
                ]) === 1 || Storage::delete($file->path());
        });
    }

    /** After the last try. */
    public function failed(?Throwable $why): void
    {
        app(CurrentPractice::class)->during(
            $this->practice,
            fn(): int => MadeFile::query()
                ->whereKey($this->file)
                ->whereIn('state', [FileState::Waiting, FileState::Making])
                ->update([
                    'state' => FileState::Failed,
                    'problem' => 'It could not be made. Try again; if it fails again, tell whoever runs the server.',
                    'finished_at' => CarbonImmutable::now(),
                ]),
        );
    }
}
