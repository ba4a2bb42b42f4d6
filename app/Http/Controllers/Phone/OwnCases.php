<?php

declare(strict_types=1);

namespace App\Http\Controllers\Phone;

use App\Models\CareCase;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\ModelNotFoundException;
use Illuminate\Http\Request;
use Illuminate\Support\Str;

/** An athlete reaches their own cases and no others. */
trait OwnCases
{
    /** @return Builder<CareCase> */
    private function ownCases(Request $request): Builder
    {
        return CareCase::query()
            ->where('athlete_id', self::person($request)->athlete_id)
            ->orderBy('opened_on')
            ->orderBy('id');
    }

    /**
     * The case that something was entered for, closed meanwhile or not: what waited on a phone is not lost. Without a name
     * the open one.
     */
    private function namedCase(Request $request): CareCase
    {
        $id = $request->query('case');
        $case =
            $id === null
                ? $this->ownCases($request)->whereNull('closed_on')->first()
                : $this->ownCases($request)
                    ->whereKey(Str::isUuid($id) ? $id : null)
                    ->first();

        return $case ?? throw (new ModelNotFoundException())->setModel(CareCase::class);
    }
}
