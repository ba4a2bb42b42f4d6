<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\AthleteResource;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CurrentPractice;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The practice's athletes, to choose from when a case is opened. */
final class AthleteController extends Controller
{
    private const MOST = 20;

    public function __construct(private readonly CurrentPractice $practice) {}

    public function __invoke(Request $request): JsonResponse
    {
        $name = addcslashes($request->string('name')->limit(80, '')->value(), '%_\\');
        $athletes = Athlete::query()
            ->where('name', 'ilike', "%$name%")
            // Where people see their own cases alone, they find the athletes of those.
            ->when(!$this->practice->seesAll(), static fn(Builder $query): Builder => $query->whereHas('cases'))
            ->with('cases')
            ->orderBy('name')
            ->limit(self::MOST)
            ->get();
        // Every athlete who was shown, by their cases: a search is a look too.
        AccessLog::readMany(
            self::person($request),
            'looked for an athlete',
            array_merge(
                [],
                ...array_map(
                    static fn(Athlete $athlete): array => array_values(
                        $athlete->cases->map(static fn(CareCase $case): string => $case->id)->all(),
                    ),
                    $athletes->all(),
                ),
            ),
        );

        return new JsonResponse(['athletes' => AthleteResource::collection($athletes)]);
    }
}
