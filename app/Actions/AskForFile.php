<?php

declare(strict_types=1);

namespace App\Actions;

use App\Jobs\MakeFile;
use App\Models\CareCase;
use App\Models\FileKind;
use App\Models\FileState;
use App\Models\MadeFile;
use App\Models\User;
use Carbon\CarbonImmutable;

/** Puts a file in the queue; the worker makes it, and whoever asked looks how far it is. */
final class AskForFile
{
    /** @param array<string, mixed> $options */
    public function handle(
        User $by,
        ?CareCase $case,
        FileKind $kind,
        string $name,
        int $steps,
        array $options,
    ): MadeFile {
        $file = MadeFile::query()->create([
            'practice_id' => $by->practice_id,
            'user_id' => $by->id,
            'case_id' => $case?->id,
            'kind' => $kind,
            'options' => $options,
            'state' => FileState::Waiting,
            'done' => 0,
            'steps' => $steps,
            'name' => $name,
            'created_at' => CarbonImmutable::now(),
        ]);
        MakeFile::dispatch($by->practice_id, $file->id);

        return $file;
    }
}
