<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\OpenCase;
use App\Actions\ProposeStart;
use App\Actions\RecordTest;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\OpeningRequest;
use App\Http\Requests\Desk\StrengthTestRequest;
use App\Http\Resources\CasePage;
use App\Http\Resources\OpinionsPage;
use App\Http\Resources\PageVersion;
use App\Http\Resources\SessionPage;
use App\Http\Resources\StartPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Opening a case, and looking at one. */
final class CaseController extends Controller
{
    /** Where the programme would have the athlete begin. Nothing is stored. */
    public function start(OpeningRequest $request): JsonResponse
    {
        [$opening, $today] = [$request->value(), $request->today()];

        return new JsonResponse(
            StartPage::present($opening, ProposeStart::propose($opening, $request->catalogue(), $today), $today),
        );
    }

    public function store(OpeningRequest $request, OpenCase $open): JsonResponse
    {
        $opened = $open->handle(self::person($request), $request->value(), $request->catalogue(), $request->today());

        return new JsonResponse(
            [
                'id' => $opened->case->id,
                'athlete' => $opened->case->athlete->name,
                'sign_in' => $opened->signIn['name'] ?? null,
                'password' => $opened->signIn['password'] ?? null,
            ],
            $opened->new ? 201 : 200,
        );
    }

    public function show(Request $request, CareCase $case, RefreshStanding $standing, CasePage $page): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'looked at a case');

        return self::unlessKnown(
            $request,
            PageVersion::forCase($case, self::person($request)),
            static fn(): array => $page->present($case, $standing->evaluate($case)),
        );
    }

    /** What was done in one session against what was asked, and how it was answered. */
    public function session(
        Request $request,
        CareCase $case,
        string $session,
        RefreshStanding $standing,
        SessionPage $page,
    ): JsonResponse {
        $found = $case->trainingSessions()->findOrFail($session);
        AccessLog::read(self::person($request), $case, 'looked at a session');

        return new JsonResponse($page->present($case, $found, $standing->evaluate($case)));
    }

    /** What each school would say of this log. */
    public function opinions(
        Request $request,
        CareCase $case,
        RefreshStanding $standing,
        OpinionsPage $page,
    ): JsonResponse {
        AccessLog::read(self::person($request), $case, 'asked for second opinions');

        return new JsonResponse($page->present($case, $standing->evaluate($case)));
    }

    public function test(StrengthTestRequest $request, CareCase $case, RecordTest $record): JsonResponse
    {
        $record->handle($case, self::person($request), $request->value());

        return new JsonResponse(['stored' => true], 201);
    }
}
