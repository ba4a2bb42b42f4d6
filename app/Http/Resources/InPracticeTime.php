<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Carbon\CarbonInterface;
use Illuminate\Http\Request;

/** Moments are given in the time of the practice of whoever looks. */
trait InPracticeTime
{
    /** @return ($at is null ? null : string) */
    private static function local(Request $request, ?CarbonInterface $at): ?string
    {
        $person = $request->user();

        return $at?->setTimezone($person instanceof User ? $person->practice->timezone : 'UTC')->toIso8601String();
    }
}
