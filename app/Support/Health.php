<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Practice;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Throwable;

/** The state of the installation, in numbers and in words. Nothing here is about a person. */
final class Health
{
    private const BEAT = 'scheduler-beat';

    /** Seconds without a beat after which the scheduler counts as not running: it beats every minute. */
    private const SILENT_S = 180;

    /** Seconds that a file may wait before the worker counts as not running. */
    private const WAITS_S = 120;

    private const LEAST_FREE_BYTES = 1_000_000_000;

    public function __construct(private readonly CurrentPractice $practice, private readonly AccessChain $chain) {}

    /** The scheduler says that it runs. */
    public static function beat(): void
    {
        Cache::forever(self::BEAT, CarbonImmutable::now()->getTimestamp());
    }

    /** @return array<string, array{string, int|float}> what each number is, and the number; names as Prometheus has them */
    public function numbers(): array
    {
        $begin = hrtime(true);
        DB::select('select 1');
        $database = (hrtime(true) - $begin) / 1e9;

        return [
            'rung_database_answer_seconds' => ['Seconds in which the database answers.', round($database, 6)],
            'rung_scheduler_silent_seconds' => [
                'Seconds since the scheduler ran last; -1 where it never did.',
                $this->silentFor() ?? -1,
            ],
            'rung_jobs_waiting' => ['Files that wait to be made.', self::count('jobs')],
            'rung_jobs_failed' => ['Files that could not be made.', self::count('failed_jobs')],
            'rung_oldest_job_seconds' => ['Seconds that the oldest of them waits.', $this->oldestJob()],
            'rung_sign_ins_open' => [
                'Sign-ins that are open.',
                DB::table('sessions')->whereNotNull('user_id')->count(),
            ],
            'rung_practices' => ['Practices.', $this->practice->across(static fn(): int => Practice::query()->count())],
            'rung_disk_free_bytes' => [
                'Bytes free where files are kept.',
                (float) (@disk_free_space(storage_path()) ?: 0),
            ],
        ];
    }

    /** @return list<array{what: string, problem: string|null, remedy: string}> each thing that was looked at, with what is wrong and how to mend it */
    public function findings(): array
    {
        try {
            $numbers = $this->numbers();
        } catch (Throwable) {
            return [
                self::finding(
                    'the database answers',
                    'it does not',
                    './rung start starts it; its log is the file postgres.log in the folder of logs',
                ),
            ];
        }
        $number = static fn(string $name): int|float => $numbers[$name][1];
        $silent = $number('rung_scheduler_silent_seconds');
        $free = $number('rung_disk_free_bytes');

        return [
            self::finding('the database answers', null, ''),
            self::finding(
                'the scheduler runs',
                $silent < 0 || $silent > self::SILENT_S
                    ? ($silent < 0
                        ? 'it has not run yet, which it does within a minute of the start'
                        : "it was silent for $silent s")
                    : null,
                './rung start starts it; without it cases are not looked at again with time',
            ),
            self::finding(
                'the worker makes files',
                $number('rung_oldest_job_seconds') > self::WAITS_S
                    ? "a file waits for {$number('rung_oldest_job_seconds')} s"
                    : null,
                './rung start starts it; the log is worker.log',
            ),
            self::finding(
                'no file failed',
                $number('rung_jobs_failed') > 0 ? "{$number('rung_jobs_failed')} could not be made" : null,
                './rung artisan queue:failed says why; ./rung artisan queue:flush removes them',
            ),
            self::finding(
                'there is room on the disk',
                $free < self::LEAST_FREE_BYTES ? round($free / 1e6) . ' MB are free' : null,
                'make room: backups and the database need it',
            ),
            self::finding(
                'files can be written',
                is_writable(storage_path()) ? null : storage_path() . ' cannot be written',
                './rung start sets the rights of the folder',
            ),
            self::finding(
                'letters leave the machine',
                config('mail.default') === 'folder'
                    ? 'they are laid in ' . storage_path('app/mail') . ' and reach nobody'
                    : null,
                'name a mail server in the file settings (docs/operations.md, “Mail”); until then hand links over by hand',
            ),
            ...$this->records(),
        ];
    }

    /** @return list<array{what: string, problem: string|null, remedy: string}> */
    private function records(): array
    {
        $found = [];
        foreach (
            $this->practice->across(static fn(): array => Practice::query()->orderBy('name')->get()->all())
            as $practice
        ) {
            $faults = $this->practice->during($practice->id, fn(): array => $this->chain->faults($practice->id));
            $found[] = self::finding(
                "the record of who saw what of $practice->name is whole",
                $faults === [] ? null : implode('; ', $faults),
                'somebody with the rights of the database’s owner has changed it: compare it with a backup, and tell the practice',
            );
        }

        return $found;
    }

    /** @return array{what: string, problem: string|null, remedy: string} */
    private static function finding(string $what, ?string $problem, string $remedy): array
    {
        return ['what' => $what, 'problem' => $problem, 'remedy' => $remedy];
    }

    private function silentFor(): ?int
    {
        $beat = Cache::get(self::BEAT);

        return is_int($beat) ? CarbonImmutable::now()->getTimestamp() - $beat : null;
    }

    private function oldestJob(): int
    {
        $oldest = DB::table('jobs')->whereNull('reserved_at')->min('available_at');

        return is_int($oldest) ? max(0, CarbonImmutable::now()->getTimestamp() - $oldest) : 0;
    }

    private static function count(string $table): int
    {
        return DB::table($table)->count();
    }
}
