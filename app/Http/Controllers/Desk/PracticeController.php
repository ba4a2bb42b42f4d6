<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Http\Resources\WhomToCall;
use App\Models\AccessKind;
use App\Models\Practice;
use App\Support\AccessLog;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** What is told of the practice: whom to call and when, and the address on letters. */
final class PracticeController extends Controller
{
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(self::told(self::person($request)->practice));
    }

    public function update(Request $request): JsonResponse
    {
        /** @var array{telephone: string|null, hours: string|null, address?: string|null} $told */
        $told = $request->validate([
            'telephone' => ['present', 'nullable', 'string', 'max:40', 'regex:/^\+?[0-9][0-9 ()\/.-]{3,}$/'],
            'hours' => ['present', 'nullable', 'string', 'max:200'],
            'address' => ['sometimes', 'nullable', 'string', 'max:300'],
        ], ['telephone.regex' => 'The telephone number must be digits, such as +351 210 000 000.']);
        $practice = self::person($request)->practice;
        $was = $practice->only(array_keys($told));
        $practice->update($told);
        AccessLog::note(self::person($request), AccessKind::Settings, 'changed whom athletes call and the letterhead', ['was' => $was, 'is' => $told]);

        return new JsonResponse(self::told($practice));
    }

    /** @return array<string, string|null> */
    private static function told(Practice $practice): array
    {
        return WhomToCall::of($practice) + ['address' => $practice->address];
    }
}
