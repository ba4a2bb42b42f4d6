<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\MessagesPage;
use App\Models\CareCase;
use App\Support\AccessLog;
use App\Support\Clock;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What athletes and practice wrote to each other. */
final class MessageController extends Controller
{
    private const MOST = 200;

    public function index(Request $request): JsonResponse
    {
        $page = new MessagesPage(
            $request->string('search')->limit(80, '')->value(),
            $request->query('which') === 'waiting',
        );
        AccessLog::readMany(self::person($request), 'looked at the messages', $page->shown());

        return new JsonResponse($page->toArray());
    }

    public function show(Request $request, CareCase $case): JsonResponse
    {
        AccessLog::read(self::person($request), $case, 'read what was written');

        return new JsonResponse([
            'today' => Clock::today($case->practice->timezone)->toIso(),
            'messages' => MessagesPage::conversation($case, self::MOST),
        ]);
    }
}
