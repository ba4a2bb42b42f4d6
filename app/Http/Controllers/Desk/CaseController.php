<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Actions\OpenCase;
use App\Actions\OpenedCase;
use App\Actions\OpeningRequest;
use App\Actions\ProposeStart;
use App\Actions\RecordTest;
use App\Actions\RefreshStanding;
use App\Http\Controllers\Controller;
use App\Http\Requests\ReadsCore;
use App\Http\Resources\CasePage;
use App\Http\Resources\OpinionsPage;
use App\Http\Resources\PageVersion;
use App\Http\Resources\SessionPage;
use App\Http\Resources\StartPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use App\Support\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Rung\Core\Catalogue\Catalogue;
use Rung\Core\Input\ObjectNode;
use Rung\Core\Record\StrengthTest;
use Rung\Core\Time\Day;

/** Opening a case, and looking at one. */
final class CaseController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    /** Where the programme would have the athlete begin. Nothing is stored. */
    public function start(Request $request): JsonResponse
    {
        [$opening, $catalogue, $today] = $this->opening($request);

        return new JsonResponse(
            ReadsCore::refusing(
                static fn(): array => StartPage::of($opening, ProposeStart::of($opening, $catalogue, $today), $today),
            ),
        );
    }

    public function store(Request $request, OpenCase $open): JsonResponse
    {
        [$opening, $catalogue, $today] = $this->opening($request);
        $opened = ReadsCore::refusing(
            static fn(): OpenedCase => $open->handle(self::person($request), $opening, $catalogue, $today),
        );

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
            PageVersion::of($case, self::person($request)),
            static fn(): array => $page->of($case, $standing->evaluate($case)),
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

        return new JsonResponse($page->of($case, $found, $standing->evaluate($case)));
    }

    /** What each school would say of this log. */
    public function opinions(
        Request $request,
        CareCase $case,
        RefreshStanding $standing,
        OpinionsPage $page,
    ): JsonResponse {
        AccessLog::read(self::person($request), $case, 'asked for second opinions');

        return new JsonResponse($page->of($case, $standing->evaluate($case)));
    }

    public function test(Request $request, CareCase $case, RecordTest $record): JsonResponse
    {
        $test = ReadsCore::from($request, StrengthTest::read(...));
        ReadsCore::refusing(static fn() => $record->handle($case, self::person($request), $test));

        return new JsonResponse(['stored' => true], 201);
    }

    /** @return array{OpeningRequest, Catalogue, Day} */
    private function opening(Request $request): array
    {
        $practice = self::person($request)->practice;
        $catalogue = $this->shelf->of($practice->id);
        $today = Clock::today($practice->timezone);

        return [
            ReadsCore::from(
                $request,
                static fn(ObjectNode $node): OpeningRequest => OpeningRequest::read($node, $catalogue, $today),
            ),
            $catalogue,
            $today,
        ];
    }
}
