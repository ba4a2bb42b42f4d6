<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\CaseOpening;
use App\Actions\OpenCase;
use App\Actions\ProposeStart;
use App\Actions\RecordTest;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\CasePage;
use App\Models\Athlete;
use App\Models\CareCase;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Rung\Core\CaseFile\StrengthTest;

/** Opening a case, and looking at one. */
final class CaseController extends Controller
{
    /** Where the programme would have the athlete begin. Nothing is stored. */
    public function start(Request $request, ProposeStart $propose): JsonResponse
    {
        return new JsonResponse(ReadsCore::refusing(
            static fn(): array => $propose->handle(ReadsCore::from($request, CaseOpening::read(...)))->toArray(),
        ));
    }

    public function store(Request $request, Athlete $athlete, OpenCase $open): JsonResponse
    {
        $opening = ReadsCore::from($request, CaseOpening::read(...));
        $case = ReadsCore::refusing(static fn(): CareCase => $open->handle($athlete, self::person($request), $opening));

        return new JsonResponse(['id' => $case->id], 201);
    }

    public function show(Request $request, CareCase $case, RefreshStanding $standing, CasePage $page): JsonResponse
    {
        Gate::authorize('decide', $case);
        AccessLog::read(self::person($request), $case, 'looked at a case');

        return new JsonResponse($page->of($case, $standing->evaluate($case)));
    }

    public function test(Request $request, CareCase $case, RecordTest $record): JsonResponse
    {
        Gate::authorize('decide', $case);
        $test = ReadsCore::from($request, StrengthTest::read(...));
        ReadsCore::refusing(static fn() => $record->handle($case, self::person($request), $test));

        return new JsonResponse(['stored' => true], 201);
    }
}
