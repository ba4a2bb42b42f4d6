<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\MadeFile;

/** How far a file is that is made in the background. */
final class MadeFilePage
{
    /** @return array<string, mixed> */
    public static function of(MadeFile $file): array
    {
        return [
            'id' => $file->id,
            'name' => $file->name,
            'state' => $file->state->value,
            'done' => min($file->done, $file->steps),
            'steps' => $file->steps,
            'bytes' => $file->bytes,
            'problem' => $file->problem,
        ];
    }
}
