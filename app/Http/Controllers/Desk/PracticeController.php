<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\WhomToCall;
use App\Models\AccessKind;
use App\Models\Practice;
use App\Support\AccessLog;
use App\Support\CatalogueShelf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/** What a practice has set for itself: whom to call and when, the head of letters, its time zone, and what is usual in it. */
final class PracticeController extends Controller
{
    public function __construct(private readonly CatalogueShelf $shelf) {}

    public function show(Request $request): JsonResponse
    {
        return new JsonResponse($this->card(self::person($request)->practice));
    }

    public function update(Request $request): JsonResponse
    {
        /** @var array<string, mixed> $settings */
        $settings = $request->validate(
            [
                'telephone' => ['present', 'nullable', 'string', 'max:40', 'regex:/^\+?[0-9][0-9 ()\/.-]{3,}$/'],
                'hours' => ['present', 'nullable', 'string', 'max:200'],
                'address' => ['sometimes', 'nullable', 'string', 'max:300'],
                'name' => ['sometimes', 'required', 'string', 'max:120'],
                'timezone' => ['sometimes', 'required', 'timezone:all'],
                'nudge_words' => ['sometimes', 'nullable', 'string', 'max:600'],
                'equipment' => ['sometimes', 'nullable', 'array', 'max:60'],
                'equipment.*' => [
                    'string',
                    Rule::in($this->shelf->of(self::person($request)->practice_id)->equipment()),
                ],
            ],
            [
                'telephone.regex' => 'The telephone number must be digits, such as +351 210 000 000.',
                'name.*' => 'The practice needs a name, of 120 letters at most.',
                'timezone.*' => 'Choose the time zone that the practice works in.',
                'nudge_words.*' => 'At most 600 letters. {name} stands for the first name.',
                'equipment.*' => 'Choose what is at hand of what the library knows.',
            ],
        );
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
        return WhomToCall::of($practice) + [
            'address' => $practice->address,
            'timezone' => $practice->timezone,
            'nudge_words' => $practice->nudge_words,
            'equipment' => $practice->equipment,
            'all_equipment' => $this->shelf->of($practice->id)->equipment(),
        ];
    }
}
