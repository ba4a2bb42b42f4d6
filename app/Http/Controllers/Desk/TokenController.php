<?php

declare(strict_types=1);

namespace App\Http\Controllers\Desk;

use App\Http\Controllers\Controller;
use App\Models\AccessKind;
use App\Models\ApiToken;
use App\Support\AccessLog;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Tokens with which other systems read the practice: made and withdrawn by the owner. */
final class TokenController extends Controller
{
    private const MOST = 20;

    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(['tokens' => self::all($request)]);
    }

    public function store(Request $request): JsonResponse
    {
        $person = self::person($request);
        $request->validate(
            [
                'name' => ['required', 'string', 'max:80'],
                'days' => ['required', 'integer', 'between:1,366'],
            ],
            ['name.required' => 'Say what the token is for.', 'days' => 'Say for how many days it holds: 1 to 366.'],
        );
        abort_if(
            ApiToken::query()->count() >= self::MOST,
            409,
            'There are ' . self::MOST . ' tokens already: withdraw one that is not needed any more.',
        );
        [$token, $text] = ApiToken::issue(
            $person,
            trim($request->string('name')->value()),
            CarbonImmutable::now()->addDays($request->integer('days')),
        );
        AccessLog::note($person, AccessKind::People, "made the token “{$token->name}”");

        return new JsonResponse(['token' => $text, 'tokens' => self::all($request)], 201);
    }

    public function withdraw(Request $request, string $token): JsonResponse
    {
        $found = ApiToken::query()->findOrFail(self::uuid($token, ApiToken::class));
        $found->delete();
        AccessLog::note(self::person($request), AccessKind::People, "withdrew the token “{$found->name}”");

        return new JsonResponse(['tokens' => self::all($request)]);
    }

    /** @return list<array<string, mixed>> the newest first */
    private static function all(Request $request): array
    {
        $zone = self::person($request)->practice->timezone;

        return array_values(
            ApiToken::query()
                ->orderByDesc('created_at')
                ->orderByDesc('id')
                ->get()
                ->map(
                    static fn(ApiToken $apiToken): array => [
                        'id' => $apiToken->id,
                        'name' => $apiToken->name,
                        'made_at' => $apiToken->created_at->setTimezone($zone)->toIso8601String(),
                        'expires_at' => $apiToken->expires_at->setTimezone($zone)->toIso8601String(),
                        'expired' => $apiToken->expires_at->isPast(),
                        'last_used_at' => $apiToken->last_used_at?->setTimezone($zone)->toIso8601String(),
                    ],
                )
                ->all(),
        );
    }
}
