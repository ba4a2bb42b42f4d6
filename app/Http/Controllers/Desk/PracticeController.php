<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Requests\Desk\PracticeSettingsRequest;
use App\Http\Resources\WhomToCall;
use App\Models\AccessKind;
use App\Models\Practice;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What a practice has set for itself: whom to call and when, the head of letters, its time zone, and what is usual in it. */
final class PracticeController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->card(self::person($request)->practice));
    }

    public function update(PracticeSettingsRequest $request): JsonResponse
    {
        /** @var array<string, mixed> $settings */
        $settings = $request->validated();
        $practice = self::person($request)->practice;
        $was = array_filter(
            $practice->only(array_keys($settings)),
            static fn(mixed $value, string $field): bool => $value !== $settings[$field],
            ARRAY_FILTER_USE_BOTH,
        );
        if ($was !== []) {
            $practice->update($settings);
            AccessLog::note(self::person($request), AccessKind::Settings, 'changed the settings of the practice', [
                'was' => $was,
                'is' => array_intersect_key($settings, $was),
            ]);
        }

        return new JsonResponse($this->card($practice));
    }

    /** @return array<string, mixed> */
    private function card(Practice $practice): array
    {
        return WhomToCall::present($practice) + [
            'address' => $practice->address,
            'timezone' => $practice->timezone,
            'nudge_words' => $practice->nudge_words,
            'equipment' => $practice->equipment,
            'all_equipment' => $this->shelf->forPractice($practice->id)->equipment(),
        ];
    }
}
