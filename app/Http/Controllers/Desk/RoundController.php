<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\RoundLine;
use App\Models\CareCase;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Every open case under the decision it needs, most urgent first. */
final class RoundController extends Controller
{
    private const PAGE = 200;

    public function __invoke(Request $request): JsonResponse
    {
        $page = CareCase::query()
            ->with(['athlete', 'practitioner'])
            ->whereNull('closed_on')
            ->orderBy('attention_rank')
            ->orderBy('opened_on')
            ->orderBy('id')
            ->paginate(self::PAGE);
        $cases = array_values($page->items());
        AccessLog::readMany(self::person($request), 'looked at the Round', array_map(static fn(CareCase $case): string => $case->id, $cases));

        return new JsonResponse([
            'cases' => array_map(static fn(CareCase $case): array => (new RoundLine($case))->resolve($request), $cases),
            'total' => $page->total(),
        ]);
    }
}
