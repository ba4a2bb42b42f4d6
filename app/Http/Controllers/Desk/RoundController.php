<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\CoreFaults;
use App\Http\Resources\RoundPage;
use App\Models\CareCase;
use App\Models\User;
use App\Support\AccessLog;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/** Every open case under the decision it needs, most urgent first, a page at a time. */
final class RoundController extends Controller
{
    public function __invoke(Request $request): Response
    {
        $person = self::person($request);
        $page = new RoundPage($person, $request->query->all());
        $answer = CoreFaults::refusing(static fn(): string => $page->toJson());
        AccessLog::readMany($person, 'looked at the Round', $page->shown());

        return new Response($answer, 200, ['Content-Type' => 'application/json']);
    }

    /** What the Round can be narrowed to. */
    public function filters(): JsonResponse
    {
        $open = static fn(): Builder => CareCase::query()->whereNull('closed_on');
        $people = User::query()
            ->whereIn('id', $open()->distinct()->pluck('practitioner_id')->all())
            ->orderBy('name')
            ->get(['id', 'name']);

        return new JsonResponse([
            'practitioners' => $people
                ->map(static fn(User $user): array => ['key' => $user->id, 'title' => $user->name])
                ->values()
                ->all(),
            'structures' => array_map(
                static fn(CareCase $case): array => ['key' => $case->structure, 'title' => $case->structure_title],
                array_values(
                    $open()
                        ->distinct()
                        ->orderBy('structure_title')
                        ->get(['structure', 'structure_title'])
                        ->all(),
                ),
            ),
            'stages' => $open()->distinct()->orderBy('stage_title')->pluck('stage_title')->values()->all(),
        ]);
    }
}
