<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\AccessKind;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\Erasure;
use App\Models\MadeFile;
use App\Models\Practice;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\ErasedList;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Storage;

/**
 * Erases an athlete. As long as the practice must keep the record it stays without the name: what was written to and by
 * the athlete, papers and the sign-in go, and the name goes out of all notes. After that nothing is kept.
 */
final class EraseAthlete
{
    /** @return string|null under what the record is kept; null where nothing is */
    public function handle(Athlete $athlete, string $why, User $by): ?string
    {
        $pseudonym = self::mustBeKept($athlete, $by->practice) ? self::pseudonym() : null;
        DB::transaction(static function () use ($athlete, $why, $by, $pseudonym): void {
            $files = MadeFile::query()
                ->whereIn('case_id', CareCase::query()->where('athlete_id', $athlete->id)->select('id'))
                ->orWhereIn('user_id', User::query()->where('athlete_id', $athlete->id)->select('id'))
                ->get();
            AccessLog::note(
                $by,
                AccessKind::Change,
                $pseudonym === null
                    ? 'erased an athlete: nothing is kept'
                    : "took the name from a record that is kept as $pseudonym",
                null,
                $athlete->id,
            );
            Erasure::query()->create([
                'practice_id' => $athlete->practice_id,
                'athlete_id' => $athlete->id,
                'pseudonym' => $pseudonym,
                'why' => $why,
                'user_id' => $by->id,
                'at' => CarbonImmutable::now()->utc(),
            ]);
            self::apply($athlete->id, $pseudonym);
            ErasedList::add($athlete->practice_id, $athlete->id, $pseudonym);
            foreach ($files as $file) {
                Storage::delete($file->path());
            }
        });

        return $pseudonym;
    }

    /** In the practice that is worked in; what is gone already stays gone. */
    public static function apply(string $athlete, ?string $pseudonym): void
    {
        DB::select('select erase_athlete(?, ?)', [$athlete, $pseudonym]);
    }

    /** Whether the time for which the practice keeps records has not passed; where it has not said how long, it has not. */
    public static function mustBeKept(Athlete $athlete, Practice $practice): bool
    {
        $cases = CareCase::query()->where('athlete_id', $athlete->id)->pluck('closed_on')->all();
        $last = $cases === [] || in_array(null, $cases, true) ? null : max($cases);
        if (!is_string($last)) {
            return $cases !== [];
        }

        return $practice->kept_years === null ||
            CarbonImmutable::parse($last, $practice->timezone)->addYears($practice->kept_years)->isFuture();
    }

    private static function pseudonym(): string
    {
        return 'Athlete ' . strtoupper(bin2hex(random_bytes(3)));
    }
}
