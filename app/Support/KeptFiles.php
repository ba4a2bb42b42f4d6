<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\MadeFile;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\Storage;

/** Files that were made for somebody are kept for a day; what has to stay is in the record, from which they are made again. */
final class KeptFiles
{
    public function __construct(private readonly CurrentPractice $practice) {}

    /** @return int how many were forgotten */
    public function forgetOld(): int
    {
        return $this->practice->across(static function (): int {
            $old = MadeFile::query()
                ->where('created_at', '<', CarbonImmutable::now()->subHours(MadeFile::KEPT_HOURS))
                ->get();
            foreach ($old as $file) {
                Storage::delete($file->path());
                $file->delete();
            }

            return $old->count();
        });
    }
}
