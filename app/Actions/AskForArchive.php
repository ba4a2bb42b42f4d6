<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\Athlete;
use App\Models\CareCase;
use App\Models\FileKind;
use App\Models\MadeFile;
use App\Models\User;
use App\Support\AccessLog;
use App\Support\AthleteArchive;
use App\Support\Clock;
use Illuminate\Support\Str;

/** Asks for all that is kept of an athlete, for the athlete or for the owner of the practice. */
final class AskForArchive
{
    public function __construct(private readonly AskForFile $ask) {}

    /** @param bool $whole whether what practitioners write for themselves is part of it */
    public function handle(User $by, Athlete $athlete, bool $whole): MadeFile
    {
        foreach (CareCase::query()->where('athlete_id', $athlete->id)->get() as $case) {
            AccessLog::exported($by, 'exported all data of the athlete', [$case->id], $athlete->id);
        }
        $name = Str::slug("$athlete->name " . Clock::today($by->practice->timezone)->toIso()) . '.zip';

        return $this->ask
            ->handle($by, null, FileKind::Athlete, $name, AthleteArchive::steps($athlete), [
                'athlete' => $athlete->id,
                'whole' => $whole,
            ])
            ->refresh();
    }
}
